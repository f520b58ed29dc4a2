import { type OfferLines } from "../offer/offerLines";
import { sceneSpans, totalLength, type SceneSpan } from "../time/timeline";
import { type Millis } from "../units";
import { type ClipFacts, type Facts, type PictureFacts } from "./facts";
import { templateBySlug } from "./oneOffer";
import { type Promotion } from "./promotion";
import { type MediaSlot, type SceneTemplate, type Template, type WordsSlot, findSlot, slotKey } from "./template";

/** A scene with every slot's value in hand: what the fills say, else the binding, else the fallback. */
export interface ResolvedScene {
  readonly id: string;
  readonly template: SceneTemplate;
  readonly words: Readonly<Record<string, string>>;
  readonly media: Readonly<Record<string, PictureFacts | ClipFacts | null>>;
  readonly offer: OfferLines | null;
}

export interface ResolvedPromotion {
  readonly template: Template;
  readonly facts: Facts;
  readonly scenes: readonly ResolvedScene[];
  readonly spans: readonly SceneSpan[];
  readonly length: Millis;
}

/** Looks up everything a promotion shows. Throws when its template is unknown. */
export function resolvePromotion(document: Promotion, facts: Facts): ResolvedPromotion {
  const template = templateBySlug(document.template);
  const scenes = template.scenes.map((scene): ResolvedScene => {
    const words: Record<string, string> = {};
    const media: Record<string, PictureFacts | ClipFacts | null> = {};
    for (const slot of scene.slots) {
      if (slot.kind === "words") words[slot.id] = wordsOf(document, facts, scene, slot);
      if (slot.kind === "media") media[slot.id] = mediaOf(document, facts, template, scene, slot);
    }
    const hasOffer = scene.slots.some((slot) => slot.kind === "offer");
    return { id: scene.id, template: scene, words, media, offer: hasOffer ? facts.offer : null };
  });
  const spans = sceneSpans(template.scenes);
  return { template, facts, scenes, spans, length: totalLength(spans) };
}

/** The words a slot shows, whoever chose them. */
export function wordsOf(document: Promotion, facts: Facts, scene: SceneTemplate, slot: WordsSlot): string {
  const fill = document.fills[slotKey(scene, slot)];
  if (fill?.kind === "words") return fill.text;
  return boundWords(facts, slot) ?? slot.fallback ?? "";
}

/** What a slot's binding gives; null when it has none. */
export function boundWords(facts: Facts, slot: WordsSlot): string | null {
  switch (slot.binding) {
    case "product.name":
      return facts.product?.name ?? "";
    case "product.line":
      return facts.product?.line ?? "";
    case "brand.sign-off.first":
      return facts.brand.signOff.first;
    case "brand.sign-off.second":
      return facts.brand.signOff.second;
    case "brand.call":
      return facts.brand.call;
    case undefined:
      return null;
  }
}

function mediaOf(document: Promotion, facts: Facts, template: Template, scene: SceneTemplate, slot: MediaSlot): PictureFacts | ClipFacts | null {
  const fill = document.fills[slotKey(scene, slot)];
  const chosen = fill?.kind === "media" ? visible(facts, fill.media) : null;
  if (chosen) return chosen;
  if (slot.from === "product") return visible(facts, facts.product?.picture ?? "");
  const source = findSlot(template, slot.from.slice("slot:".length));
  return source?.slot.kind === "media" && source.slot !== slot ? mediaOf(document, facts, template, source.scene, source.slot) : null;
}

function visible(facts: Facts, id: string): PictureFacts | ClipFacts | null {
  const found = facts.media[id];
  return found && found.kind !== "sound" ? found : null;
}
