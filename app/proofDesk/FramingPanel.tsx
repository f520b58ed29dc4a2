import { clsx } from "clsx";
import { type ChangeEvent, type ReactNode, useState } from "react";
import { FlipHorizontal2, RotateCcw, RotateCw } from "lucide-react";
import { type Palette } from "../../core/color/palette";
import { targetOf } from "../../core/document/adjustments";
import { type SceneDesign, sourced } from "../../core/document/design";
import { type Edit } from "../../core/document/edit";
import { FIELDS, type ValueOf } from "../../core/document/fields";
import { pointer } from "../../core/document/patch";
import { type Promotion } from "../../core/document/promotion";
import { type MediaSlot, type SlotKey } from "../../core/document/sceneTemplate";
import { subjectIn } from "../../core/scene/framedMedia";
import { type Bend, withBend } from "../../core/geometry/subjectPath";
import { type FramingFieldId, followsSubject } from "../../core/document/slotFraming";
import { LAYER_WORDS } from "../../core/document/sourceInWords";
import { CENTRE } from "../../core/geometry/framing";
import { type Point, type Size } from "../../core/geometry/rect";
import { WAYS, type Way } from "../../core/geometry/framedPicture";
import { type FormatName } from "../../core/placement/formats";
import { type SheetSlot } from "../../core/scene/proofSheet";
import { fieldLook } from "../components/fieldLook";
import { NumberField } from "../workshop/NumberField";
import { BehindField } from "./BehindField";
import type { OfferedMedia } from "../../server/media/offeredMedia";
import { type ChosenMedia } from "../mediaChoice/useChosenMedia";
import { type ClipFacts, type PictureFacts } from "../../core/document/facts";
import { CropWindow } from "./CropWindow";
import { type ResolvedPromotion } from "../../core/document/resolve";
import { type ProofEngine } from "../proof/proofEngine";
import { FollowTools } from "./FollowTools";
import { useFollowedClip } from "./useFollowedClip";
import { FramedReadout } from "./FramedReadout";
import { REACHES, REACH_WORDS, type Reach, canReach, followEdit, frameEdit, unframeEdit } from "./framingEdits";

const WAY_WORDS: Readonly<Record<Way, string>> = {
  fill: "Fills its place",
  whole: "Whole, with room beside it",
  "over its blur": "Whole, over its own blur",
  strip: "A strip across its place",
};

interface PanelProps {
  readonly document: Promotion;
  readonly design: SceneDesign;
  readonly slot: MediaSlot;
  readonly slotId: SlotKey;
  readonly format: FormatName;
  /** Undefined until its proof is there. */
  readonly placed: SheetSlot | undefined;
  /** Where the picture's subject is, in shares of it. */
  readonly focal: Point | null;
  /** What is in the slot; null where nothing is. */
  readonly shown: PictureFacts | ClipFacts | null;
  readonly engine: ProofEngine | null;
  readonly promotion: ResolvedPromotion;
  readonly palette: Palette;
  readonly media: ChosenMedia;
  readonly onChosen: (item: OfferedMedia) => void;
  /** Whether the template keeps this person from it. */
  readonly locked: boolean;
  readonly onEdit: (edit: Edit) => void;
}

/** How a picture or clip is framed in a scene and format: everything typed or pressed, with what it makes in numbers. */
export function FramingPanel(props: PanelProps) {
  const { document, design, slot, slotId, format, placed, shown, palette, media, onChosen, locked, onEdit } = props;
  const [reach, setReach] = useState<Reach>("scene@format");
  const target = targetOf(slotId);
  const found = <Id extends FramingFieldId>(id: Id) => sourced(document, id, { ...design, target, slot, format });
  const value = <Id extends FramingFieldId>(id: Id): ValueOf<Id> | undefined => found(id).value;
  const set = <Id extends FramingFieldId>(id: Id, to: ValueOf<Id>, label?: string): void => {
    const edit = frameEdit(document, { slot: slotId, format, reach: canReach(id, reach) ? reach : "scene" }, id, to);
    onEdit(label === undefined ? edit : { ...edit, label });
  };
  const way = value("way") ?? "fill";
  const turned = value("turned") ?? 0;
  const point = value("point");
  const crop = value("window") ?? { x: 0, y: 0, width: 1, height: 1 };
  const isWhole = way === "whole" || way === "over its blur";
  const clip = useFollowedClip(props.engine, props.promotion, { slot: slotId, format });
  const follows = clip !== null && followsSubject(clip.framing);
  /** The subject where it is now: a clip's may be on its way. */
  const focal = clip && follows ? subjectIn(clip.facts, clip.framing, clip.frame) : props.focal;
  const giveBack = unframeEdit(document, slotId);
  const turnBy = (by: number): void => set("turned", ((turned + by + 180 + 360) % 360) - 180);
  const movePoint = (part: Partial<{ x: number; y: number }>): void => {
    const to = { ...(point ?? (isWhole || !focal ? CENTRE : focal)), ...part };
    if (clip && follows) bend(withBend(clip.framing?.bends ?? [], { frame: clip.frame, ...to }));
    else set("point", to);
  };
  const bend = (bends: readonly Bend[]): void =>
    onEdit(frameEdit(document, { slot: slotId, format, reach: "scene" }, "bends", bends));
  const follow = (on: boolean): void => onEdit(followEdit(document, { slot: slotId, format, reach }, on));
  const cropTo = (part: Partial<typeof crop>): void => {
    const next = { ...crop, ...part };
    set("window", {
      width: Math.min(next.width, 1),
      height: Math.min(next.height, 1),
      x: Math.min(next.x, 1 - Math.min(next.width, 1)),
      y: Math.min(next.y, 1 - Math.min(next.height, 1)),
    });
  };
  const chooseWay = (event: ChangeEvent<HTMLSelectElement>): void =>
    set("way", WAYS.find((one) => one === event.target.value) ?? "fill");
  const source = (id: FramingFieldId): ReactNode => <Source {...props} id={id} />;
  return (
    <fieldset disabled={locked} className="flex flex-col gap-3 text-[13px]">
      <legend className="mb-2 flex w-full items-baseline justify-between gap-3">
        <span className="font-heading text-[16px] font-bold">{slot.label}</span>
        {locked && <span className="text-soft">locked by the template</span>}
        {giveBack && !locked && (
          <button type="button" className="text-soft underline hover:text-ink" onClick={() => onEdit(giveBack)}>
            Reset the framing
          </button>
        )}
      </legend>
      <FramedReadout placed={placed} isEmpty={focal === null} />
      <div role="radiogroup" aria-label="Where changes apply" className="flex flex-col border-y border-rule py-2.5">
        {REACHES.map((one) => (
          <label key={one} className="flex min-h-7 items-center gap-2">
            <input
              type="radio"
              name="reach"
              className="h-4 w-4 accent-accent"
              checked={reach === one}
              onChange={() => setReach(one)}
            />
            {REACH_WORDS[one]}
          </label>
        ))}
      </div>
      <div className="text-soft">
        <span className="flex items-baseline justify-between gap-2">
          <label htmlFor="way">How it is framed</label>
          {source("way")}
        </span>
        <select id="way" value={way} onChange={chooseWay} className={`${fieldLook} mt-1`}>
          {WAYS.map((one) => (
            <option key={one} value={one}>
              {WAY_WORDS[one]}
            </option>
          ))}
        </select>
      </div>
      {way === "strip" && (
        <Percent
          label="Width of the strip"
          least={10}
          most={100}
          share={value("strip") ?? 0.5}
          onShare={(to) => set("strip", to)}
        />
      )}
      {(way === "whole" || way === "strip") && (
        <BehindField
          palette={palette}
          media={media}
          onChosen={onChosen}
          behind={value("behind") ?? null}
          onBehind={(to) => set("behind", to)}
        />
      )}
      {clip && !isWhole && (
        <FollowTools
          clip={clip}
          axis={placed && cutAcross(clip.facts, placed.place) ? "x" : "y"}
          follows={follows}
          onFollows={follow}
          onUnbend={() => bend((clip.framing?.bends ?? []).filter(({ frame }) => frame !== clip.frame))}
          source={source("follows")}
        />
      )}
      <fieldset>
        <legend className="mb-1 flex w-full items-baseline justify-between text-soft">
          <span>
            {follows
              ? `The subject at frame ${clip.frame}`
              : `${isWhole ? "Where it stands" : "Kept in the middle"}, and its size`}
          </span>
          {source(follows ? "bends" : "point")}
        </legend>
        <div className="grid grid-cols-3 gap-2">
          <Percent
            label="Across %"
            least={0}
            most={100}
            share={point?.x ?? (isWhole ? 0.5 : (focal?.x ?? 0.5))}
            onShare={(x) => movePoint({ x })}
          />
          <Percent
            label="Down %"
            least={0}
            most={100}
            share={point?.y ?? (isWhole ? 0.5 : (focal?.y ?? 0.5))}
            onShare={(y) => movePoint({ y })}
          />
          <Percent
            label="Enlarged %"
            least={100}
            most={800}
            step={5}
            share={value("enlarged") ?? 1}
            onShare={(to) => set("enlarged", to)}
          />
        </div>
      </fieldset>
      <div className="grid grid-cols-[1fr_auto] items-end gap-2">
        <NumberField
          {...FIELDS.turned.field}
          label="Turned, degrees"
          value={turned}
          onChange={(to) => set("turned", to)}
        />
        <div className="flex gap-1.5 pb-px">
          <Press label="A quarter turn to the left" onPress={() => turnBy(-90)}>
            <RotateCcw aria-hidden size={16} />
          </Press>
          <Press label="A quarter turn to the right" onPress={() => turnBy(90)}>
            <RotateCw aria-hidden size={16} />
          </Press>
          <Press
            label="Mirror"
            pressed={value("mirrored") ?? false}
            onPress={() => set("mirrored", !(value("mirrored") ?? false))}
          >
            <FlipHorizontal2 aria-hidden size={16} />
          </Press>
        </div>
      </div>
      <fieldset>
        <legend className="flex w-full items-baseline justify-between text-soft">
          <span>What is used of it</span>
          {source("window")}
        </legend>
        {shown && <CropWindow media={shown} window={crop} onWindow={(to, label) => set("window", to, label)} />}
        <div className="mt-2 grid grid-cols-2 gap-2">
          <Percent label="From left" least={0} most={95} share={crop.x} onShare={(x) => cropTo({ x })} />
          <Percent label="From top" least={0} most={95} share={crop.y} onShare={(y) => cropTo({ y })} />
          <Percent label="Width" least={5} most={100} share={crop.width} onShare={(width) => cropTo({ width })} />
          <Percent label="Height" least={5} most={100} share={crop.height} onShare={(height) => cropTo({ height })} />
        </div>
      </fieldset>
      {!canReach("turned", reach) && (
        <p className="text-[12.5px] text-soft">
          Turning, mirroring and cropping belong to one picture: they are set for this scene, in all formats.
        </p>
      )}
    </fieldset>
  );
}

/** Whether a picture that fills a place is cut at its sides. */
const cutAcross = (picture: Size, place: Size): boolean => picture.width / picture.height > place.width / place.height;

/** Where a field's value comes from, in a few words, with the way back. */
function Source({ document, design, slot, slotId, format, onEdit, id }: PanelProps & { id: FramingFieldId }) {
  const target = targetOf(slotId);
  const found = sourced(document, id, { ...design, target, slot, format });
  const key = "key" in found ? found.key : null;
  return (
    <span className="flex items-baseline gap-2 text-[12px] text-soft">
      {found.value === undefined ? "from the arrangement" : LAYER_WORDS[found.layer]}
      {key !== null && (
        <button
          type="button"
          className="underline hover:text-ink"
          onClick={() =>
            onEdit({ label: FIELDS[id].field.label, patch: [{ op: "remove", path: pointer("adjustments", key, id) }] })
          }
        >
          Reset
        </button>
      )}
    </span>
  );
}

/** A share, typed and stepped in per cent. */
function Percent({
  label,
  least,
  most,
  step = 1,
  share,
  onShare,
}: {
  label: string;
  least: number;
  most: number;
  step?: number;
  share: number;
  onShare: (share: number) => void;
}) {
  const take = (percent: number): void => onShare(percent / 100);
  return <NumberField {...{ label, least, most, step }} value={Math.round(share * 1000) / 10} onChange={take} />;
}

function Press({
  label,
  pressed,
  onPress,
  children,
}: {
  label: string;
  pressed?: boolean;
  onPress: () => void;
  children: ReactNode;
}) {
  return (
    <button
      type="button"
      aria-label={label}
      title={label}
      aria-pressed={pressed}
      onClick={onPress}
      className={clsx(
        "flex h-9 w-9 items-center justify-center border hover:border-ink",
        pressed ? "border-ink bg-ink text-card" : "border-rule bg-white",
      )}
    >
      {children}
    </button>
  );
}
