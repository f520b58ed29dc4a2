import isEqual from "fast-deep-equal/es6/index.js";
import { type ResolvedPromotion } from "../document/resolve";
import { USUAL_FORM } from "../brand/forms";
import { type InkedEnding } from "../document/endings";
import { type InkedJoin, inkedJoin, joinInk } from "../document/joins";
import { type Size, rect, wholeOf } from "../geometry/rect";
import { formatOf, type FormatName, type Shape } from "../placement/formats";
import { type Ticks, msOf, ticks, ticksOf } from "../time/ticks";
import { type SceneSpan, sceneTrack } from "../time/timeline";
import { type Span, type Track, spansAt } from "../time/tracks";
import { heardLevels } from "../sound/heardLevels";
import { type FontBook } from "../type/fontBook";
import { brandStyle } from "./brandStyle";
import { type DisplayList, type DisplayNode } from "./displayList";
import { endingAt } from "./endingAt";
import { joinAt } from "./joinAt";
import { asOneShot } from "./oneShot";
import { type PreparedItem, type PreparedScene, type ScenePart } from "./prepared";
import {
  type Obstacle,
  type SetCaption,
  captionKey,
  captionPlace,
  cuesShown,
  obstaclesNear,
  prepareCaption,
  setCaption,
} from "./prepareCaption";
import { prepareItem } from "./prepareItem";
import { prepareScene } from "./prepareScene";
import { type Typesetter } from "./wordsBlock";
import { sceneAt } from "./sceneAt";

/** A promotion in one shape, ready to give the display list of any time. */
export interface PreparedShape {
  readonly scenes: readonly PreparedScene[];
  readonly spans: readonly SceneSpan[];
  /** When each scene is on screen, by its index. */
  readonly track: Track<number>;
  /** What lies over the scenes. */
  readonly items: Track<PreparedItem>;
  readonly length: number;
  /** How each scene comes in. */
  readonly joins: readonly InkedJoin[];
  readonly size: Size;
  /** How it is closed, if it is: at the end of all that is shown. */
  readonly ending: Track<InkedEnding>;
  /** What says, over everything and all the time, what kind of file it is. */
  readonly mark?: DisplayNode;
}

export interface PreparedPromotion extends PreparedShape {
  readonly format: FormatName;
}

/**
 * Sets a promotion in a format. Scenes whose inputs did not change since `before` are taken over as they are, so that
 * typing in one scene costs that scene only. Every font file it needs must be open in the book.
 */
export function preparePromotion(
  promotion: ResolvedPromotion,
  format: FormatName,
  book: FontBook,
  before?: PreparationMemory,
): PreparedPromotion {
  return { format, ...prepareIn(promotion, formatOf(format), format, book, before) };
}

/** As `preparePromotion`, in any shape. @param format null where no places are set by hand */
export function prepareIn(
  promotion: ResolvedPromotion,
  shape: Shape,
  format: FormatName | null,
  book: FontBook,
  before?: PreparationMemory,
): PreparedShape {
  const { brand } = promotion.facts;
  const style = brandStyle(brand, book);
  const { scenes: shown, items } = (format && promotion.inFormat[format]) ?? promotion;
  const last = shown.length - 1;
  const each = shown.map((scene, index) => {
    const turn = { isFirst: index === 0, isLast: index === last };
    const { style: design, movement, behindWords } = scene.template;
    const setter = { style, design, movement, behindWords, book, shape, format };
    return remembered(before?.scenes, `${shape.width}×${shape.height}/${scene.id}`, { turn, brand, scene }, () =>
      prepareScene(scene, brand, setter, turn),
    );
  });
  const goesOn = shown.map(({ template }) => template.goesOn);
  const joins = shown.map(({ template }) => inkedJoin(template.join, brand));
  const { spans, length, ending } = promotion;
  const scenes = asOneShot(each, spans, goesOn);
  const setter = { style, design: promotion.base.style, book, shape, format };
  const heard = (): readonly number[] => levelsOf(promotion);
  const setItems = items.map(({ from, to, what }): Span<PreparedItem> => {
    const lasts = { length: msOf(ticks(to - from)), leaves: to < ticksOf(length) };
    // What is heard, and when, counts for what shows it only.
    const sound = what.item.kind === "wave" ? { from, heard: heard() } : null;
    const set = remembered(
      before?.items,
      `${shape.width}×${shape.height}/${what.id}`,
      { lasts, sound, brand, style: promotion.base.style, what },
      () => prepareItem(what, setter, { ...lasts, from: msOf(from), heard }),
    );
    return { from, to, what: set };
  });
  const captions = preparedCaptions(promotion, { scenes, spans, items: setItems }, { setter, format, before });
  const closing: Track<InkedEnding> = ending
    ? [
        {
          from: ticksOf(length - ending.lasts),
          to: ticksOf(length),
          what: { ...ending, color: joinInk(ending.color, brand.palette), form: brand.form ?? USUAL_FORM },
        },
      ]
    : [];
  return {
    scenes,
    spans,
    track: sceneTrack(spans),
    items: [...setItems, ...captions],
    length,
    joins,
    size: shape,
    ending: closing,
  };
}

/** Captions, set anew only where they or what they keep clear of changed. */
function preparedCaptions(
  promotion: ResolvedPromotion,
  { scenes, spans, items }: Pick<PreparedShape, "scenes" | "spans" | "items">,
  {
    setter,
    format,
    before,
  }: {
    readonly setter: Typesetter;
    readonly format: FormatName | null;
    readonly before: PreparationMemory | undefined;
  },
): Track<PreparedItem> {
  const shown = (format && promotion.captionsInFormat[format]) ?? promotion.captions;
  if (shown.cues.length === 0) return [];
  const { width, height } = setter.shape;
  const { length } = promotion;
  const furniture = (format && promotion.furniture[format]) ?? [];
  const obstacles: Obstacle[] = [
    ...spans.flatMap(({ start, end }, index) =>
      (scenes[index]?.slots ?? [])
        .filter(({ kind, place }) => kind !== "picture" && place.width > 0)
        .map(({ place }) => ({ from: start, to: end, place })),
    ),
    ...items.map(({ from, to, what: { place } }) => ({ from: msOf(from), to: msOf(to), place })),
    ...furniture.map((share) => ({
      from: 0,
      to: length,
      place: rect(share.x * width, share.y * height, share.width * width, share.height * height),
    })),
  ];
  const { at, on, size } = shown;
  const look = { brand: promotion.facts.brand, style: setter.design };
  return cuesShown(shown.cues, length).map((cue): Span<PreparedItem> => {
    const key = `${width}×${height}/${captionKey(cue.id)}`;
    const set = remembered(before?.captions, key, { text: cue.text, size, ...look }, () =>
      setCaption(cue.text, size, setter),
    );
    // Words that grow beside it leave it mostly where it is.
    const place = captionPlace(set, { at, near: obstaclesNear(cue, obstacles), shape: setter.shape });
    const what = remembered(before?.items, key, { cue, set, place, on, ...look }, () =>
      prepareCaption(cue, { set, place, on }, setter),
    );
    return { from: ticksOf(cue.from), to: ticksOf(cue.to), what };
  });
}

/** How loud a promotion is, found once for all the formats, if anything shows it. */
const levels = new WeakMap<ResolvedPromotion["mix"], readonly number[]>();
function levelsOf({ mix, facts }: ResolvedPromotion): readonly number[] {
  const own = levels.get(mix) ?? heardLevels(mix, facts.media);
  levels.set(mix, own);
  return own;
}

/** What was prepared last, by format and scene, with what it was prepared from. */
export interface PreparationMemory {
  readonly scenes: Remembered<PreparedScene>;
  /** Captions with their words set. */
  readonly captions: Remembered<SetCaption>;
  /** Items, and captions in their places. */
  readonly items: Remembered<PreparedItem>;
}
type Remembered<Set> = Map<string, { readonly from: unknown; readonly set: Set }>;

/** Nothing prepared yet. */
export const newMemory = (): PreparationMemory => ({ scenes: new Map(), captions: new Map(), items: new Map() });

/** @param from all that it is prepared from: what is large in it, as facts of media, is mostly the very same as before */
function remembered<Set>(memory: Remembered<Set> | undefined, key: string, from: unknown, prepare: () => Set): Set {
  const known = memory?.get(key);
  if (known && isEqual(known.from, from)) return known.set;
  const set = prepare();
  memory?.set(key, { from, set });
  return set;
}

/** The frame of a prepared promotion at a time. Times outside are taken as the first or last moment. */
export function displayListAt(promotion: PreparedShape, time: Ticks): DisplayList {
  const list = unmarkedAt(promotion, time);
  return promotion.mark ? [...list, promotion.mark] : list;
}

function unmarkedAt(promotion: PreparedShape, time: Ticks): DisplayList {
  const at = ticks(Math.min(Math.max(0, time), ticksOf(promotion.length)));
  const shown = spansAt(promotion.track, at);
  const [first, ...coming] = shown.length > 0 ? shown : promotion.track.slice(-1);
  if (!first) throw new RangeError("A promotion needs at least one scene.");
  // What stays over the next join is drawn above it.
  const own = sceneOf(promotion, first, at, coming.length > 0 ? ({ staysOn }) => !staysOn : undefined);
  const scenes = coming.reduce((list, span) => joined(promotion, { list, span, at }), own);
  const items = spansAt(promotion.items, at).flatMap(({ what, from }) => sceneAt(what, ticks(at - from)));
  const [closing] = spansAt(promotion.ending, at);
  if (!closing) return [...scenes, ...items];
  return endingAt(
    promotion.size,
    closing.what,
    [...scenes, ...items],
    (at - closing.from) / (closing.to - closing.from),
  );
}

function sceneOf(
  promotion: PreparedShape,
  { what, from }: Span<number>,
  at: Ticks,
  isSeen?: (part: ScenePart) => boolean,
): DisplayList {
  return sceneAt(preparedScene(promotion, what), ticks(at - from), isSeen);
}

/** What is on screen with one more scene coming in over it. */
function joined(
  promotion: PreparedShape,
  { list, span, at }: { readonly list: DisplayList; readonly span: Span<number>; readonly at: Ticks },
): DisplayList {
  const entered = promotion.spans[span.what]?.entered ?? 0;
  const time = (at - span.from) / (ticksOf(entered) - span.from);
  const join = promotion.joins[span.what];
  const coming = sceneOf(promotion, span, at, ({ wasThere }) => !wasThere);
  const both = join ? joinAt(wholeOf(promotion.size), join, { list, coming, time }) : coming;
  return [...both, ...sceneOf(promotion, span, at, ({ wasThere }) => wasThere === true)];
}

function preparedScene(promotion: PreparedShape, index: number): PreparedScene {
  const scene = promotion.scenes[index];
  if (!scene) throw new RangeError(`There is no scene ${index + 1}.`);
  return scene;
}

/** The moment at which a scene stands with everything in place, a little past its middle, in milliseconds. */
export function settledTime(span: SceneSpan): number {
  return Math.round(span.start + (span.end - span.start) * 0.6);
}
