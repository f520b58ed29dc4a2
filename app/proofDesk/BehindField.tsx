import { type ChangeEvent, useState } from "react";
import { anyOf } from "../../core/document/mediaNeed";
import type { OfferedMedia } from "../../server/media/offeredMedia";
import { Button } from "../components/Button";
import { MediaPicker } from "../mediaChoice/MediaPicker";
import { type ChosenMedia } from "../mediaChoice/useChosenMedia";
import { type Palette, isColorRole } from "../../core/color/palette";
import { type AnyColor, BEHIND_KINDS, type Behind, type BehindKind } from "../../core/document/behind";
import { ColorSwatches } from "../components/ColorSwatches";
import { ChoiceField } from "../workshop/ChoiceField";
import { NumberField } from "../workshop/NumberField";

const WORDS: Readonly<Record<BehindKind, string>> = { color: "a colour", gradient: "a gradient", picture: "a picture" };

const SEEN_BESIDE = anyOf("picture", "clip");

/** What is seen beside a picture that leaves its place free. */
export function BehindField({
  palette,
  media,
  behind,
  onChosen,
  onBehind,
}: {
  palette: Palette;
  media: ChosenMedia;
  behind: Behind | null;
  /** A picture was chosen that nothing was known of yet. */
  onChosen: (item: OfferedMedia) => void;
  onBehind: (behind: Behind) => void;
}) {
  const [isPicking, setPicking] = useState(false);
  const kind = behind?.kind ?? "color";
  const first: Readonly<Record<Exclude<BehindKind, "picture">, Behind>> = {
    color: { kind: "color", color: "ground" },
    gradient: { kind: "gradient", from: "primary", to: "accent", angle: 90 },
  };
  const choose = (next: BehindKind): void => {
    if (next === "picture") setPicking(true);
    else onBehind(first[next]);
  };
  const choosePicture = (item: OfferedMedia): void => {
    setPicking(false);
    onChosen(item);
    onBehind({ kind: "picture", media: item.facts.id });
  };
  return (
    <fieldset className="flex flex-col gap-2 text-soft">
      <ChoiceField
        label="Beside it"
        choices={BEHIND_KINDS.map((one) => [one, WORDS[one]] as const)}
        value={kind}
        onChange={choose}
      />
      {behind?.kind !== "picture" && behind?.kind !== "gradient" && (
        <AnyColorField
          label="Colour"
          palette={palette}
          color={behind?.color ?? null}
          onColor={(color) => onBehind({ kind: "color", color })}
        />
      )}
      {behind?.kind === "gradient" && (
        <>
          <AnyColorField
            label="From"
            palette={palette}
            color={behind.from}
            onColor={(from) => onBehind({ ...behind, from })}
          />
          <AnyColorField label="To" palette={palette} color={behind.to} onColor={(to) => onBehind({ ...behind, to })} />
          <NumberField
            label="Angle of the gradient"
            least={-180}
            most={180}
            step={5}
            value={behind.angle}
            onChange={(angle) => onBehind({ ...behind, angle })}
          />
        </>
      )}
      {behind?.kind === "picture" && (
        <div className="flex items-center justify-between gap-3">
          <span className="truncate">{media[behind.media]?.facts.name ?? "a picture"}</span>
          <Button look="quiet" onClick={() => setPicking(true)}>
            Another picture
          </Button>
        </div>
      )}
      <MediaPicker
        open={isPicking}
        title="Seen beside it"
        need={SEEN_BESIDE}
        chosen={behind?.kind === "picture" ? behind.media : null}
        onChoose={choosePicture}
        onClose={() => setPicking(false)}
      />
    </fieldset>
  );
}

/** The brand's colours first, and any other. */
function AnyColorField({
  label,
  palette,
  color,
  onColor,
}: {
  label: string;
  palette: Palette;
  color: AnyColor | null;
  onColor: (color: AnyColor) => void;
}) {
  const own = color !== null && isColorRole(color) ? palette[color] : (color ?? palette.ground);
  const chooseOther = ({ target: { value } }: ChangeEvent<HTMLInputElement>): void => onColor(`#${value.slice(1)}`);
  return (
    <div className="flex items-center gap-2">
      <span className="w-12 shrink-0">{label}</span>
      <div className="flex-1">
        <ColorSwatches
          label={label}
          palette={palette}
          chosen={color !== null && isColorRole(color) ? color : null}
          onChoose={onColor}
        />
      </div>
      <input
        type="color"
        aria-label={`${label}: another colour`}
        title="Another colour"
        value={own}
        onChange={chooseOther}
        className="h-8 w-8 shrink-0 border border-rule bg-white p-0.5"
      />
    </div>
  );
}
