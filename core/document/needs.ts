import { sceneSpans, totalLength } from "../time/timeline";
import { type Template } from "./template";

/** What somebody must have at hand to fill a template. */
export interface TemplateNeeds {
  readonly pictures: number;
  readonly clips: number;
  readonly offer: boolean;
  /** Rows of the catalogue, at most. */
  readonly rows: number;
}

/**
 * Counts each picture once: a slot that shows another slot's picture needs none of its own, and neither does a second
 * view of the product.
 */
export function needsOf({ scenes }: Template): TemplateNeeds {
  const slots = scenes.flatMap((scene) => scene.slots);
  const media = slots.flatMap((slot) => (slot.kind === "media" && slot.required ? [slot] : []));
  const own = media.filter(({ from }) => from === "nothing");
  const clipsOnly = own.filter(({ accepts }) => !accepts.includes("picture")).length;
  return {
    pictures: own.length - clipsOnly + (media.some(({ from }) => from === "product") ? 1 : 0),
    clips: clipsOnly,
    offer: slots.some(({ kind }) => kind === "offer"),
    rows: slots.reduce((most, slot) => (slot.kind === "products" ? Math.max(most, slot.most) : most), 0),
  };
}

/** The needs in words: `2 pictures, 1 clip`; `words only`. */
export function needsInWords({ pictures, clips, offer, rows }: TemplateNeeds): string {
  const count = (number: number, word: string): string[] =>
    number === 0 ? [] : [`${number} ${word}${number === 1 ? "" : "s"}`];
  const parts = [
    ...count(pictures, "picture"),
    ...count(clips, "clip"),
    ...(offer ? ["an offer"] : []),
    ...(rows > 0 ? [`up to ${rows} products`] : []),
  ];
  return parts.length === 0 ? "words only" : parts.join(", ");
}

/** Milliseconds from the first frame to the last. */
export const templateLength = ({ scenes }: Template): number => totalLength(sceneSpans(scenes));
