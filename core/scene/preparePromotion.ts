import { type ResolvedPromotion } from "../document/resolve";
import { FORMATS, type FormatName } from "../placement/formats";
import { type SceneSpan, scenesAt } from "../time/timeline";
import { glide } from "../motion/easing";
import { type FontBook } from "../type/fontBook";
import { brandStyle } from "./brandStyle";
import { type DisplayList, type DisplayNode } from "./displayList";
import { type PreparedScene } from "./prepared";
import { prepareScene } from "./prepareScene";
import { sceneAt } from "./sceneAt";

/** A promotion in one format, ready to give the display list of any time. */
export interface PreparedPromotion {
  readonly format: FormatName;
  readonly scenes: readonly PreparedScene[];
  readonly spans: readonly SceneSpan[];
  readonly length: number;
}

/**
 * Sets a promotion in a format. Scenes whose inputs did not change since `before` are taken over as they are, so that
 * typing in one scene costs that scene only. Every font file it needs must be open in the book.
 */
export function preparePromotion(promotion: ResolvedPromotion, format: FormatName, book: FontBook, before?: PreparationMemory): PreparedPromotion {
  const style = brandStyle(promotion.facts.brand, book);
  const setter = { style, book, format: FORMATS[format] };
  const last = promotion.scenes.length - 1;
  const brandKey = JSON.stringify(promotion.facts.brand);
  const scenes = promotion.scenes.map((scene, index) => {
    const prepare = (): PreparedScene => prepareScene(scene, promotion.facts.brand, setter, index === 0, index === last);
    return before ? remember(before, `${format}/${scene.id}`, `${index}/${last}/${brandKey}/${JSON.stringify(scene)}`, prepare) : prepare();
  });
  return { format, scenes, spans: promotion.spans, length: promotion.length };
}

/** What was prepared last, by format and scene, with what it was prepared from. */
export type PreparationMemory = Map<string, { readonly from: string; readonly scene: PreparedScene }>;

function remember(memory: PreparationMemory, place: string, from: string, prepare: () => PreparedScene): PreparedScene {
  const known = memory.get(place);
  if (known?.from === from) return known.scene;
  const scene = prepare();
  memory.set(place, { from, scene });
  return scene;
}

/** The frame of a prepared promotion at a time in milliseconds. */
export function displayListAt(promotion: PreparedPromotion, time: number): DisplayList {
  const at = Math.min(Math.max(0, time), promotion.length);
  const { under, over } = scenesAt(promotion.spans, at);
  const list = sceneAt(preparedScene(promotion, under.index), at - under.start);
  if (!over) return list;
  const coming = sceneAt(preparedScene(promotion, over.span.index), at - over.span.start);
  const layer: DisplayNode = { kind: "layer", alpha: glide(over.progress), children: coming };
  return [...list, layer];
}

function preparedScene(promotion: PreparedPromotion, index: number): PreparedScene {
  const scene = promotion.scenes[index];
  if (!scene) throw new RangeError(`There is no scene ${index + 1}.`);
  return scene;
}

/** The moment at which a scene stands with everything in place: a little past its middle. */
export function settledTime(span: SceneSpan): number {
  return Math.round(span.start + (span.end - span.start) * 0.6);
}

