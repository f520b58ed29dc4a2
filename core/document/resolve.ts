import { type ShotCut, shotsInOrder } from "./shots";
import { type PriceRow } from "../arrangement/layout";
import { type OfferLines } from "../offer/offerLines";
import { daysBetween } from "../offer/days";
import { type Rect } from "../geometry/rect";
import { NO_CAPTIONS, type ShownCaptions } from "./captionLook";
import { captionsIn } from "./captionsPart";
import { continuedClips } from "./continuedClips";
import { type Ending } from "./endings";
import { type Adjustment, FIELDS } from "./fields";
import { placementsOf } from "./placementsPart";
import { type Item, isLettered } from "./items";
import { type SoundingScene } from "../sound/clipSounds";
import { mixOf } from "../sound/mix";
import { type Finish } from "../sound/finish";
import { type SteppingBack } from "../sound/stepsBack";
import { type Mix } from "../sound/mixedPiece";
import { sceneSpans, totalLength, type SceneSpan } from "../time/timeline";
import { type Track } from "../time/tracks";
import { type Millis } from "../units";
import { type FormatName } from "../placement/formats";
import { formatsSet } from "./adjustments";
import { withChips } from "./chips";
import { type DesignedScene, designOf, sourceSlot, templateOf } from "./design";
import { type ClipFacts, type Facts, type PictureFacts } from "./facts";
import { type ShownItem, itemTrack } from "./itemsShown";
import { refsOf } from "./refs";
import { type Look } from "./look";
import { lookedAt } from "./lookedAt";
import { type Promotion } from "./promotion";
import { type MediaSlot, type ProductsSlot, type SceneTemplate, type WordsSlot, slotKey } from "./sceneTemplate";
import { type Template } from "./template";

/** A scene with every slot's value in hand: what the fills say, else the binding, else the fallback. */
export interface ResolvedScene {
  readonly id: string;
  readonly template: DesignedScene;
  readonly words: Readonly<Record<string, string>>;
  /** What is shown in each media slot, one after the other; nothing where nothing is. */
  readonly shots: Readonly<Record<string, readonly ResolvedShot[]>>;
  /** Pictures that are seen beside what is in a slot, by the slot. */
  readonly behind: Readonly<Record<string, PictureFacts | ClipFacts>>;
  readonly offer: OfferLines | null;
  readonly rows: readonly PriceRow[];
}

/** A piece of a picture or clip as it is shown. */
export interface ResolvedShot {
  readonly id: string;
  readonly media: PictureFacts | ClipFacts;
  readonly cut: ShotCut;
}

export interface ResolvedPromotion {
  /** Whose style and sound it has. */
  readonly base: Template;
  readonly facts: Facts;
  /** As they are where no format differs. */
  readonly scenes: readonly ResolvedScene[];
  readonly items: Track<ShownItem>;
  /** In the formats in which something was set. */
  readonly inFormat: Partial<Readonly<Record<FormatName, Pick<ResolvedPromotion, "scenes" | "items">>>>;
  readonly spans: readonly SceneSpan[];
  readonly length: Millis;
  /** What is said in words over it, in formats that differ in this and in all others. */
  readonly captions: ShownCaptions;
  readonly captionsInFormat: Partial<Readonly<Record<FormatName, ShownCaptions>>>;
  /** What captions keep clear of besides words: what chosen placements draw over a format, in shares of the frame. */
  readonly furniture: Partial<Readonly<Record<FormatName, readonly Rect[]>>>;
  /** How it is closed; null where it ends as its last scene does. */
  readonly ending: Ending | null;
  /** What is heard. */
  readonly mix: Mix;
}

/** Looks up everything a promotion shows. Throws when a template of it is not among the facts. */
export function resolvePromotion(document: Promotion, facts: Facts): ResolvedPromotion {
  const { base, scenes: designed } = designOf(document, facts.templates);
  const spans = sceneSpans(designed);
  const named = spans.map((span) => ({ ...span, id: designed[span.index]?.id ?? "" }));
  const inFormat = Object.fromEntries(
    formatsThatDiffer(document, facts).map((format) => [
      format,
      {
        scenes: continuedClips(
          resolvedScenes(document, facts, designOf(document, facts.templates, format).scenes),
          spans,
        ),
        items: readItems(itemTrack(document, named, format), facts),
      },
    ]),
  );
  const length = totalLength(spans);
  const scenes = continuedClips(resolvedScenes(document, facts, designed), spans);
  const sounding = { lanes: document.lanes, scenes: soundingScenes(scenes, spans) };
  return {
    base,
    facts,
    scenes,
    items: readItems(itemTrack(document, named, null), facts),
    inFormat,
    spans,
    length,
    captions: shownCaptions(document, base, null),
    captionsInFormat: Object.fromEntries(
      formatsSet(document.adjustments)
        .concat(formatsSet(base.adjustments))
        .map((format) => [format, shownCaptions(document, base, format)]),
    ),
    furniture: furnitureByFormat(document, facts),
    ending: endingOf(document, base, length),
    mix: mixOf(sounding, facts.media, {
      plan: base.sound,
      length,
      stepsBack: steppingBack(document, base),
      finish: finishOf(document, base),
    }),
  };
}

/** What of captions is shown in a format, and how: as the promotion says, else its template. */
function shownCaptions(document: Promotion, base: Template, format: FormatName | null): ShownCaptions {
  const keys = format === null ? ["@all"] : ["@all", `@${format}`];
  const set: Adjustment = [base.adjustments, document.adjustments]
    .flatMap((from) => keys.map((key) => from[key] ?? {}))
    .reduce((all, one) => ({ ...all, ...one }), {});
  const language = set.captionsIn ?? NO_CAPTIONS;
  return {
    cues: language === NO_CAPTIONS ? [] : captionsIn(document.captions, language),
    at: set.captionsAt ?? FIELDS.captionsAt.field.initial,
    on: set.captionsOn ?? FIELDS.captionsOn.field.initial,
    size: set.captionsSize ?? FIELDS.captionsSize.field.initial,
  };
}

function furnitureByFormat(document: Promotion, facts: Facts): ResolvedPromotion["furniture"] {
  const byFormat: Partial<Record<FormatName, Rect[]>> = {};
  for (const { format, furniture } of placementsOf(document, facts))
    byFormat[format] = [...(byFormat[format] ?? []), ...furniture.map(({ place }) => place)];
  return byFormat;
}

/** How music steps back under a voice, as the promotion or its template says. Times in milliseconds. */
function steppingBack(document: Promotion, base: Template): SteppingBack {
  const set = { ...base.adjustments["@all"], ...document.adjustments["@all"] };
  return {
    depth: set.stepsBack ?? FIELDS.stepsBack.field.initial,
    attack: set.stepsBackIn ?? FIELDS.stepsBackIn.field.initial,
    release: set.comesForwardIn ?? FIELDS.comesForwardIn.field.initial,
  };
}

/** How loud the whole is made, as the promotion or its template says. */
function finishOf(document: Promotion, base: Template): Finish {
  const set = { ...base.adjustments["@all"], ...document.adjustments["@all"] };
  return { loudness: set.loudness ?? null, ceiling: set.ceiling ?? FIELDS.ceiling.field.initial };
}

/** How a promotion ends, as it or its template says. It takes no more than the whole of it. */
function endingOf(document: Promotion, base: Template, length: number): Ending | null {
  const set = { ...base.adjustments["@all"], ...document.adjustments["@all"] };
  const { closing = FIELDS.closing.field.initial, closingColor = FIELDS.closingColor.field.initial } = set;
  const lasts = Math.min(length, set.closingLasts ?? FIELDS.closingLasts.field.initial);
  return closing === "as it is" ? null : { kind: closing, color: closingColor, lasts };
}

/** What may be heard of scenes. */
const soundingScenes = (scenes: readonly ResolvedScene[], spans: readonly SceneSpan[]): SoundingScene[] =>
  spans.flatMap((span) => {
    const scene = scenes[span.index];
    if (!scene) return [];
    const slots = Object.entries(scene.shots).map(([slot, shots]) => ({
      shots,
      level: scene.template.clipLevels[slot],
    }));
    return [{ span, slots }];
  });

/** Items as they are read: with what the chips in their words stand for. */
const readItems = (items: Track<ShownItem>, facts: Facts): Track<ShownItem> =>
  items.map((span) => {
    const item = readItem(span.what.item, facts);
    return item === span.what.item ? span : { ...span, what: { ...span.what, item } };
  });

function readItem(item: Item, facts: Facts): Item {
  if (!isLettered(item)) return item;
  const text = withChips(item.text, facts);
  if (item.kind === "words") return { ...item, text };
  const { today } = facts.standing;
  const goal = item.day !== null && today !== null ? Math.max(0, daysBetween(today, item.day)) : item.goal;
  return { ...item, text, goal };
}

/** The formats in which something is set, by the promotion or by a template of it. */
const formatsThatDiffer = (document: Promotion, facts: Facts): FormatName[] => [
  ...new Set(
    [document.adjustments, ...refsOf(document).map((ref) => templateOf(facts.templates, ref).adjustments)].flatMap(
      formatsSet,
    ),
  ),
];

function resolvedScenes(document: Promotion, facts: Facts, designed: readonly DesignedScene[]): ResolvedScene[] {
  return designed.map((scene): ResolvedScene => {
    const words: Record<string, string> = {};
    const shots: Record<string, readonly ResolvedShot[]> = {};
    let rows: readonly PriceRow[] = [];
    for (const slot of scene.slots) {
      if (slot.kind === "words") words[slot.id] = wordsOf(document, facts, scene, slot);
      if (slot.kind === "media") shots[slot.id] = looked(shotsOf(document, facts, scene, slot), scene.looks[slot.id]);
      if (slot.kind === "products") rows = rowsOf(document, facts, scene, slot);
    }
    const hasOffer = scene.slots.some((slot) => slot.kind === "offer");
    return {
      id: scene.id,
      template: scene,
      words,
      shots,
      behind: picturesBehind(facts, scene),
      offer: hasOffer ? facts.offer : null,
      rows,
    };
  });
}

/** Shots as they look. */
const looked = (shots: readonly ResolvedShot[], look: Look | undefined): readonly ResolvedShot[] =>
  look ? shots.map((shot) => ({ ...shot, media: lookedAt(shot.media, look) })) : shots;

/** The pictures that are seen beside what is framed so that it leaves its place free. */
const picturesBehind = (facts: Facts, { framings }: DesignedScene): ResolvedScene["behind"] =>
  Object.fromEntries(
    Object.entries(framings).flatMap(([slot, { behind }]) => {
      const found = behind?.kind === "picture" ? visible(facts, behind.media) : null;
      return found ? [[slot, found] as const] : [];
    }),
  );

/** The words a slot shows, whoever chose them. */
export function wordsOf(document: Promotion, facts: Facts, scene: SceneTemplate, slot: WordsSlot): string {
  const fill = document.fills[slotKey(scene, slot)];
  if (fill?.kind === "words") return withChips(fill.text, facts);
  return boundWords(facts, slot) || withChips(slot.fallback ?? "", facts);
}

/** What a slot's binding gives; null when it has none. */
export function boundWords({ product, offer, brand }: Facts, slot: WordsSlot): string | null {
  switch (slot.binding) {
    case "product.name":
      return product?.name ?? "";
    case "product.line":
      return product?.line ?? "";
    case "product.price":
      return product?.price ?? "";
    case "offer.badge":
      return offer?.badge ?? "";
    case "offer.now":
      return offer?.now ?? "";
    case "offer.was":
      return offer?.was ?? "";
    case "offer.saving":
      return offer?.saving ?? "";
    case "offer.until":
      return offer?.until ?? "";
    case "offer.short":
      return offer?.short ?? "";
    case "offer.long":
      return offer?.long ?? "";
    case "brand.name":
      return brand.name;
    case "brand.call":
      return brand.call;
    case "brand.website":
      return brand.website;
    case "brand.sign-off.first":
      return brand.signOff.first;
    case "brand.sign-off.second":
      return brand.signOff.second;
    case undefined:
      return null;
  }
}

function shotsOf(
  document: Promotion,
  facts: Facts,
  scene: Pick<SceneTemplate, "id">,
  slot: MediaSlot,
  asked: readonly MediaSlot[] = [],
): readonly ResolvedShot[] {
  const fill = document.fills[slotKey(scene, slot)];
  const chosen = fill?.kind === "media" ? shotsInOrder(fill.shots).flatMap((shot) => cutFrom(facts, shot)) : [];
  if (chosen.length > 0) return chosen;
  const usual = whole(facts, slot.media);
  if (usual.length > 0) return usual;
  if (slot.from === "product") return whole(facts, facts.product?.picture ?? undefined);
  const source = sourceSlot(document, facts.templates, scene, slot);
  // Slots that take their picture from each other have none.
  return source?.slot.kind === "media" && !asked.includes(source.slot)
    ? shotsOf(document, facts, source.scene, source.slot, [...asked, slot])
    : [];
}

/** A shot of a medium that is there. */
function cutFrom(facts: Facts, { id, media, ...cut }: ReturnType<typeof shotsInOrder>[number]): ResolvedShot[] {
  const found = visible(facts, media);
  return found ? [{ id, media: found, cut }] : [];
}

const whole = (facts: Facts, media: string | undefined): ResolvedShot[] =>
  media === undefined ? [] : cutFrom(facts, { id: "shot-1", media });

function visible(facts: Facts, id: string): PictureFacts | ClipFacts | null {
  const found = facts.media[id];
  return found && found.kind !== "sound" ? found : null;
}

function rowsOf(document: Promotion, facts: Facts, scene: SceneTemplate, slot: ProductsSlot): PriceRow[] {
  const key = slotKey(scene, slot);
  const fill = document.fills[key];
  const ids = fill?.kind === "products" ? fill.products : facts.listed;
  return ids.slice(0, slot.most).flatMap((id) => {
    const product = facts.products[id];
    return product ? [{ key, name: product.name, price: product.price }] : [];
  });
}
