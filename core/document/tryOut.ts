import { mediaFill } from "./shots";
import { type Facts, type MediaFacts, type PictureFacts, templateKey } from "./facts";
import { newPromotion } from "./newPromotion";
import { type Fill, type Promotion, type TemplateRef } from "./promotion";
import { sampleFills } from "./sample";
import { type SlotKey, type WordsSlot, slotKey } from "./sceneTemplate";
import { type Template } from "./template";

/** What a draft is tried out with. */
export const TRIALS = [
  "usual words",
  "longest words",
  "no words",
  "right to left",
  "widest picture",
  "tallest picture",
] as const;
export type Trial = (typeof TRIALS)[number];

const LONG =
  "Everything on the long bench by the window and a good deal more than anybody would ever think of writing into a field of this size";
const RIGHT_TO_LEFT = "كل ما على الطاولة الطويلة قرب النافذة وأكثر من ذلك بكثير في هذا الأسبوع فقط";

/** What a draft is tried out on. */
export interface TriedOn {
  readonly ref: TemplateRef;
  readonly brand: string;
  readonly product: string | null;
  readonly media: readonly MediaFacts[];
  readonly hasProductPicture: boolean;
}

/** A promotion that shows a template with extremes in its words or its pictures, and sample media where nothing else is. */
export function tryOut(
  template: Template,
  trial: Trial,
  { ref, brand, product, media, hasProductPicture }: TriedOn,
): Promotion {
  const fills: Record<SlotKey, Fill> = { ...sampleFills(template, media, hasProductPicture) };
  const extreme = extremePicture(trial, media);
  for (const scene of template.scenes)
    for (const slot of scene.slots) {
      if (slot.kind === "words" && slot.role !== "stars" && slot.role !== "link")
        Object.assign(fills, trialFill(slotKey(scene, slot), slot, trial));
      if (slot.kind === "media" && extreme && slot.accepts.includes("picture"))
        fills[slotKey(scene, slot)] = mediaFill(extreme.id);
    }
  return newPromotion(ref, template, { name: template.name, brand, product, fills });
}

/** A draft as a promotion in a brand, with facts in which it stands for the edition to come: all that its proofs need. */
export function triedIn(
  facts: Facts,
  draft: Template,
  trial: Trial,
  on: Omit<TriedOn, "brand">,
): { readonly document: Promotion; readonly facts: Facts } {
  return {
    document: tryOut(draft, trial, { ...on, brand: facts.brand.id }),
    facts: { ...facts, templates: { ...facts.templates, [templateKey(on.ref)]: draft } },
  };
}

/** The widest or the tallest picture at hand; null for trials of words. */
function extremePicture(trial: Trial, media: readonly MediaFacts[]): PictureFacts | null {
  if (trial !== "widest picture" && trial !== "tallest picture") return null;
  const pictures = media
    .filter((item) => item.kind === "picture")
    .sort((one, other) => one.width / one.height - other.width / other.height);
  return (trial === "widest picture" ? pictures.at(-1) : pictures[0]) ?? null;
}

function trialFill(key: SlotKey, { budget }: WordsSlot, trial: Trial): Record<SlotKey, Fill> {
  const cut = (text: string, most: number): Fill => ({
    kind: "words",
    text: Array.from(text).slice(0, most).join("").trim(),
  });
  switch (trial) {
    case "usual words":
    case "widest picture":
    case "tallest picture":
      return {};
    case "longest words":
      return { [key]: cut(LONG, Math.min(160, Math.round(budget * 1.5))) };
    case "no words":
      return { [key]: { kind: "words", text: "" } };
    case "right to left":
      return { [key]: cut(RIGHT_TO_LEFT, budget) };
  }
}
