import { type MediaFacts } from "../../core/document/facts";
import { PICTURE_SHAPES, type MediaSlot, type PictureShape } from "../../core/document/sceneTemplate";
import { ChoiceField } from "./ChoiceField";
import { NumberField } from "./NumberField";
import { slotField } from "./slotLook";

const TAKES = [
  ["both", "pictures and clips"],
  ["picture", "pictures"],
  ["clip", "clips"],
] as const;
const SOURCES = [
  ["product", "the product's picture"],
  ["nothing", "none"],
] as const;
const NONE = "";
const MOST_PIXELS = 4096;

/** The rules of a slot for a picture or clip: what it takes, which shape and size it needs, what it has of its own. */
export function MediaRules({
  slot,
  samples,
  onChange,
}: {
  slot: MediaSlot;
  samples: readonly MediaFacts[];
  onChange: (fields: Partial<MediaSlot>) => void;
}) {
  const { accepts, needs, from, media } = slot;
  const accept = (takes: "both" | "picture" | "clip"): void =>
    onChange({ accepts: takes === "both" ? ["picture", "clip"] : [takes] });
  const setShape = (shape: PictureShape): void => onChange({ needs: { ...needs, shape } });
  const setPixels = (pixels: number): void => onChange({ needs: { ...needs, leastPixels: Math.round(pixels) } });
  const setSource = (source: "product" | "nothing"): void => onChange({ from: source });
  const setMedia = (id: string): void => onChange({ media: id || undefined });
  return (
    <>
      <ChoiceField
        {...slotField}
        label="Takes"
        choices={TAKES}
        value={accepts.length > 1 ? "both" : (accepts[0] ?? "both")}
        onChange={accept}
      />
      <ChoiceField {...slotField} label="Shape" choices={PICTURE_SHAPES} value={needs.shape} onChange={setShape} />
      {(from === "product" || from === "nothing") && (
        <ChoiceField {...slotField} label="Until one is chosen" choices={SOURCES} value={from} onChange={setSource} />
      )}
      <ChoiceField
        {...slotField}
        label="A picture of its own"
        choices={[[NONE, "none"], ...ownChoices(slot, samples)]}
        value={media ?? NONE}
        onChange={setMedia}
      />
      <NumberField
        {...slotField}
        label="Pixels of its short side"
        least={0}
        most={MOST_PIXELS}
        value={needs.leastPixels}
        onChange={setPixels}
      />
    </>
  );
}

/** What may be the slot's own, and what is, even if it is not among the samples. */
function ownChoices(
  { media, accepts }: MediaSlot,
  samples: readonly MediaFacts[],
): (readonly [id: string, name: string])[] {
  const choices = samples
    .filter(({ kind }) => kind !== "sound" && accepts.includes(kind))
    .map(({ id, name }) => [id, name] as const);
  const isListed = media === undefined || choices.some(([id]) => id === media);
  return isListed ? choices : [[media, "the one it has"], ...choices];
}
