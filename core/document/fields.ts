import { WORD_EASES } from "../motion/easing";
import { PIECES } from "../motion/movement";
import { EXITS, MOTIONS } from "../motion/wordMotion";
import { COLOR_ROLES } from "../color/palette";
import { type Point, type Rect } from "../geometry/rect";
import { millis } from "../units";
import { CAPTION_PLACES, shownLanguageJsonSchema, shownLanguageSchema } from "./captionLook";
import { ENDINGS } from "./endings";
import { JOINS, JOIN_COLORS, JOIN_EASES } from "./joins";
import { PICTURE_ENTRANCES, PICTURE_EXITS, WITH_SCENE } from "../motion/pictureMotion";
import { WHILES } from "../motion/whileShown";
import { PLATES } from "./plates";
import { FIRST_LOOKS, ITEM_KINDS, type Item, type ItemKind, LETTERED, kindsThat } from "./items";
import { WAYS } from "../geometry/framedPicture";
import { type Bend } from "../geometry/subjectPath";
import { type Look, lookJsonSchema, lookSchema } from "./look";
import { bendsJsonSchema, bendsSchema } from "./bendsSchema";
import { type Behind, behindJsonSchema, behindSchema } from "./behind";
import { pointJsonSchema, pointSchema } from "./pointSchema";
import { windowJsonSchema, windowSchema } from "./windowSchema";
import { type FormatName } from "../placement/formats";
import { type Arrangement } from "./arrangements";
import { arrangementSchema } from "./arrangementSchema";
import { arrangementJsonSchema, placeJsonSchema } from "./valueJsonSchemas";
import {
  type FieldValue,
  type Field,
  type ShapedField,
  choice,
  fieldSchema,
  flag,
  shaped,
  time,
  within,
} from "./field";
import { placeSchema } from "./placeSchema";
import {
  type SceneAllows,
  type SceneTemplate,
  type Slot,
  type SlotAllows,
  type SlotKind,
  type TemplateStyle,
} from "./sceneTemplate";
import { scriptJsonSchema, scriptSchema } from "./script";
import { ASKED_FOR, USUAL_CEILING } from "../sound/finish";

/**
 * Where a value can be set, nearest first: for one scene (or a slot of it) in one format, for it in every format, for
 * every scene in one format, for the whole promotion.
 */
export const LAYERS = ["scene@format", "scene", "@format", "@all"] as const;
export type Layer = (typeof LAYERS)[number];

/** What the template has, for a field of a scene or slot to come from. */
export interface FieldOrigin {
  readonly scene: SceneTemplate;
  readonly style: TemplateStyle;
  readonly slot?: Slot | undefined;
  /** Null where no format in particular is meant. */
  readonly format: FormatName | null;
}

interface Adjustable<Of extends Field | ShapedField> {
  /** How it is named in sentences: “The colour of …”. */
  readonly named: string;
  readonly field: Of;
  readonly layers: readonly Layer[];
}
interface OfTemplate<Of extends Field | ShapedField> extends Adjustable<Of> {
  /** What the template has; undefined where it leaves it to the arrangement's rule. */
  readonly from: (origin: FieldOrigin) => FieldValue<Of> | undefined;
}
/** A value of a scene that can be set. */
interface SceneField<Of extends Field | ShapedField> extends OfTemplate<Of> {
  readonly of: "scene";
  /** The permission of the template without which only designers and owners may set it; null where all who fill may. */
  readonly lock: keyof SceneAllows | null;
}
/** A value of a slot that can be set. */
interface SlotField<Of extends Field | ShapedField> extends OfTemplate<Of> {
  readonly of: "slot";
  readonly kinds: readonly SlotKind[];
  readonly lock: keyof SlotAllows;
}

/** A value of an item that can be set. Items are people's own, so no template locks them. */
interface ItemField<Of extends Field | ShapedField> extends Adjustable<Of> {
  readonly of: "item";
  readonly kinds: readonly ItemKind[];
  readonly lock: null;
  /** What items of a kind have until it is set. */
  readonly from: (item: Item) => FieldValue<Of>;
}

const ofScene = <Of extends Field | ShapedField>(
  field: Of,
  rest: Omit<SceneField<Of>, "of" | "field">,
): SceneField<Of> => ({ of: "scene", field, ...rest });
const ofSlot = <Of extends Field | ShapedField>(
  field: Of,
  rest: Omit<SlotField<Of>, "of" | "field">,
): SlotField<Of> => ({
  of: "slot",
  field,
  ...rest,
});

/** How a picture or clip is framed: whoever may fill a slot may frame what is in it. */
const ofFraming = <Of extends Field | ShapedField>(
  field: Of,
  rest: Pick<SlotField<Of>, "named" | "layers">,
): SlotField<Of> => ({ of: "slot", field, kinds: ["media"], lock: "content", from: () => undefined, ...rest });

const ofItem = <Of extends Field | ShapedField>(
  field: Of,
  rest: Omit<ItemField<Of>, "of" | "field" | "lock" | "layers">,
): ItemField<Of> => ({ of: "item", field, lock: null, layers: HERE, ...rest });

const HERE: readonly Layer[] = ["scene@format", "scene"];
/** For what is measured in the units of a format. */
const IN_ONE_FORMAT: readonly Layer[] = ["scene@format", "@format"];
const EVERY_KIND: readonly SlotKind[] = ["words", "media", "offer", "products"];

/**
 * Everything that can be set besides what is filled in: one entry a field. Its type, its schemas, its lock, where it comes
 * from and how it is given back follow from the entry.
 */
export const FIELDS = {
  arrangement: ofScene(shaped<Arrangement>("Arrangement", arrangementSchema, arrangementJsonSchema), {
    named: "The arrangement of",
    layers: HERE,
    lock: "arrangement",
    from: ({ scene }) => scene.arrangement,
  }),
  ground: ofScene(choice("Ground", COLOR_ROLES, "card"), {
    named: "The ground colour of",
    layers: HERE,
    lock: "color",
    from: ({ scene }) => scene.ground,
  }),
  logo: ofScene(flag("Logo shown", true), {
    named: "The logo of",
    layers: HERE,
    lock: "arrangement",
    from: ({ scene }) => scene.logo,
  }),
  logoPlace: ofScene(
    shaped<Rect>("Place of the logo", () => placeSchema, placeJsonSchema),
    {
      named: "The place of the logo in",
      layers: IN_ONE_FORMAT,
      lock: "arrangement",
      from: () => undefined,
    },
  ),
  watermarkPlace: ofScene(
    shaped<Rect>("Place of the watermark", () => placeSchema, placeJsonSchema),
    {
      named: "The place of the watermark in",
      layers: IN_ONE_FORMAT,
      lock: "arrangement",
      from: () => undefined,
    },
  ),
  skipped: ofScene(flag("Skipped", false), {
    named: "The skipping of",
    layers: ["scene"],
    lock: "remove",
    from: () => false,
  }),
  length: ofScene(time("Length", { least: 500, most: 60_000 }, 3000), {
    named: "The length of",
    layers: ["scene"],
    lock: "timing",
    from: ({ scene }) => scene.length,
  }),
  gives: ofScene(within("Gives way", { least: 0, most: 4, step: 0.5 }, 1), {
    named: "How far the length changes of",
    layers: ["scene"],
    lock: "timing",
    from: () => 1,
  }),
  droppable: ofScene(flag("May be left out of shorter versions", false), {
    named: "Leaving out of shorter versions",
    layers: ["scene"],
    lock: "timing",
    from: () => false,
  }),
  held: ofScene(time("Length of the promotion", { least: 1000, most: 600_000 }, 15_000), {
    named: "The length of the promotion with",
    layers: ["@all"],
    lock: "timing",
    from: () => undefined,
  }),
  overlap: ofScene(time("Length of the transition", { least: 0, most: 3000 }, 500), {
    named: "The length of the transition into",
    layers: ["scene", "@all"],
    lock: "timing",
    from: ({ scene }) => scene.overlap,
  }),
  transition: ofScene(choice("Transition", JOINS, "crossfade"), {
    named: "The transition into",
    layers: ["scene", "@all"],
    lock: "timing",
    from: ({ style }) => style.transition,
  }),
  joinColor: ofScene(choice("Colour of the transition", JOIN_COLORS, "primary"), {
    named: "The colour of the transition into",
    layers: ["scene", "@all"],
    lock: "timing",
    from: () => undefined,
  }),
  joinAngle: ofScene(within("Direction of the transition", { least: -180, most: 180, step: 1 }, 0), {
    named: "The direction of the transition into",
    layers: ["scene", "@all"],
    lock: "timing",
    from: () => undefined,
  }),
  joinEase: ofScene(choice("How the transition goes", JOIN_EASES, "gentle"), {
    named: "The easing of the transition into",
    layers: ["scene", "@all"],
    lock: "timing",
    from: () => undefined,
  }),
  goesOn: ofScene(flag("One shot with the scene before", false), {
    named: "Being one shot with the scene before of",
    layers: ["scene"],
    lock: "timing",
    from: () => false,
  }),
  closing: ofScene(choice("How it ends", ENDINGS, "as it is"), {
    named: "The ending of the promotion with",
    layers: ["@all"],
    lock: "timing",
    from: () => undefined,
  }),
  closingLasts: ofScene(time("Length of the ending", { least: 100, most: 3000 }, 600), {
    named: "The length of the ending of the promotion with",
    layers: ["@all"],
    lock: "timing",
    from: () => undefined,
  }),
  closingColor: ofScene(choice("Colour of the ending", JOIN_COLORS, "primary"), {
    named: "The colour of the ending of the promotion with",
    layers: ["@all"],
    lock: "timing",
    from: () => undefined,
  }),
  captionsIn: ofScene(shaped<string>("Captions shown", shownLanguageSchema, shownLanguageJsonSchema), {
    named: "The captions shown with",
    layers: ["@format", "@all"],
    lock: "timing",
    from: () => undefined,
  }),
  captionsAt: ofScene(choice("Captions stand", CAPTION_PLACES, "low"), {
    named: "The place of captions with",
    layers: ["@format", "@all"],
    lock: "timing",
    from: () => undefined,
  }),
  captionsOn: ofScene(choice("Captions stand on", COLOR_ROLES, "ink"), {
    named: "The plate of captions with",
    layers: ["@format", "@all"],
    lock: "timing",
    from: () => undefined,
  }),
  captionsSize: ofScene(within("Size of captions", { least: 0.6, most: 1.8, step: 0.1 }, 1), {
    named: "The size of captions with",
    layers: ["@format", "@all"],
    lock: "timing",
    from: () => undefined,
  }),
  stepsBack: ofScene(within("Music steps back under voice, dB", { least: 0, most: 40, step: 1 }, 12), {
    named: "The stepping back of music with",
    layers: ["@all"],
    lock: "timing",
    from: () => undefined,
  }),
  stepsBackIn: ofScene(time("Music steps back within", { least: 0, most: 5000 }, 250), {
    named: "The stepping back of music with",
    layers: ["@all"],
    lock: "timing",
    from: () => undefined,
  }),
  comesForwardIn: ofScene(time("Music comes forward within", { least: 0, most: 5000 }, 600), {
    named: "The stepping back of music with",
    layers: ["@all"],
    lock: "timing",
    from: () => undefined,
  }),
  script: ofScene(shaped<string>("Script", scriptSchema, scriptJsonSchema), {
    named: "The script of",
    layers: ["scene"],
    lock: null,
    from: () => undefined,
  }),
  loudness: ofScene(within("Loudness of the whole, LUFS", { least: -31, most: -8, step: 0.5 }, ASKED_FOR[0]), {
    named: "The loudness of the whole with",
    layers: ["@all"],
    lock: "timing",
    from: () => undefined,
  }),
  ceiling: ofScene(within("Highest peak, dBTP", { least: -9, most: 0, step: 0.5 }, USUAL_CEILING), {
    named: "The highest peak with",
    layers: ["@all"],
    lock: "timing",
    from: () => undefined,
  }),
  motion: ofScene(choice("Words come in", MOTIONS, "rise"), {
    named: "The movement in",
    layers: LAYERS,
    lock: "arrangement",
    from: ({ style }) => style.motion,
  }),
  goes: ofScene(choice("Words go by", EXITS, "as it came"), {
    named: "How words go in",
    layers: LAYERS,
    lock: "arrangement",
    from: () => "as it came" as const,
  }),
  wordsMove: ofScene(choice("Words move", WHILES, "still"), {
    named: "The movement in",
    layers: LAYERS,
    lock: "arrangement",
    from: () => undefined,
  }),
  shade: ofScene(within("Shade behind words", { least: 0, most: 0.95, step: 0.05 }, 0.6), {
    named: "The shade behind the words of",
    layers: LAYERS,
    lock: "arrangement",
    from: () => undefined,
  }),
  blur: ofScene(within("Blur behind words", { least: 0, most: 80, step: 1 }, 28), {
    named: "The blur behind the words of",
    layers: LAYERS,
    lock: "arrangement",
    from: () => undefined,
  }),
  pieces: ofScene(choice("Words come", PIECES, "as one"), {
    named: "The movement in",
    layers: LAYERS,
    lock: "arrangement",
    from: () => undefined,
  }),
  strength: ofScene(within("How far words move", { least: 0, most: 2.5, step: 0.1 }, 1), {
    named: "The movement in",
    layers: LAYERS,
    lock: "arrangement",
    from: () => undefined,
  }),
  pause: ofScene(time("Words wait for", { least: 0, most: 10_000 }, 0), {
    named: "The movement in",
    layers: LAYERS,
    lock: "arrangement",
    from: () => undefined,
  }),
  ease: ofScene(choice("Words come in, how", WORD_EASES, "settling"), {
    named: "The movement in",
    layers: LAYERS,
    lock: "arrangement",
    from: () => undefined,
  }),
  zoom: ofScene(flag("Still pictures zoom slowly", true), {
    named: "The zoom in",
    layers: LAYERS,
    lock: "arrangement",
    from: ({ style }) => style.zoom,
  }),
  picturesCome: ofScene(choice("Pictures come in", PICTURE_ENTRANCES, WITH_SCENE), {
    named: "The movement in",
    layers: LAYERS,
    lock: "arrangement",
    from: () => undefined,
  }),
  picturesGo: ofScene(choice("Pictures go", PICTURE_EXITS, WITH_SCENE), {
    named: "The movement in",
    layers: LAYERS,
    lock: "arrangement",
    from: () => undefined,
  }),
  picturesMove: ofScene(choice("Pictures move", WHILES, "still"), {
    named: "The movement in",
    layers: LAYERS,
    lock: "arrangement",
    from: () => undefined,
  }),
  depth: ofScene(within("Depth of what stands free", { least: 0, most: 2, step: 0.1 }, 0), {
    named: "The depth in",
    layers: LAYERS,
    lock: "arrangement",
    from: () => undefined,
  }),
  color: ofSlot(choice("Colour", COLOR_ROLES, "ink"), {
    named: "The colour of",
    kinds: ["words"],
    layers: HERE,
    lock: "color",
    from: ({ slot }) => (slot?.kind === "words" ? slot.color : undefined),
  }),
  capitals: ofSlot(flag("Capitals", false), {
    named: "The capitals of",
    kinds: ["words"],
    layers: HERE,
    lock: "color",
    from: ({ slot }) => (slot?.kind === "words" ? (slot.capitals ?? false) : undefined),
  }),
  numbered: ofSlot(flag("Numbered", false), {
    named: "The numbering of",
    kinds: ["words"],
    layers: HERE,
    lock: "color",
    from: ({ slot }) => (slot?.kind === "words" ? (slot.numbered ?? false) : undefined),
  }),
  emphasis: ofSlot(choice("Colour of emphasis", COLOR_ROLES, "accent"), {
    named: "The emphasis of",
    kinds: ["words"],
    layers: HERE,
    lock: "color",
    from: ({ slot }) => (slot?.kind === "words" ? slot.emphasis : undefined),
  }),
  comesAt: ofSlot(time("Comes in after", { least: 0, most: 60_000 }, 0), {
    named: "The time of",
    kinds: ["words", "offer", "products"],
    layers: HERE,
    lock: "content",
    from: () => undefined,
  }),
  goesBefore: ofSlot(time("Goes before the end by", { least: 0, most: 60_000 }, 0), {
    named: "The time of",
    kinds: ["words", "offer", "products"],
    layers: HERE,
    lock: "content",
    from: () => undefined,
  }),
  hidden: ofSlot(flag("Skipped", false), {
    named: "Taking out",
    kinds: EVERY_KIND,
    layers: HERE,
    lock: "remove",
    from: () => false,
  }),
  place: ofSlot(
    shaped<Rect>("Place", () => placeSchema, placeJsonSchema),
    {
      named: "The place of",
      kinds: EVERY_KIND,
      layers: ["scene@format"],
      lock: "position",
      from: ({ scene, slot, format }) => (slot && format ? scene.places[format]?.[slot.id] : undefined),
    },
  ),
  way: ofFraming(choice("How it is framed", WAYS, "fill"), { named: "The framing of", layers: LAYERS }),
  point: ofFraming(
    shaped<Point>("What is kept in the middle", () => pointSchema, pointJsonSchema),
    { named: "The framing of", layers: HERE },
  ),
  enlarged: ofFraming(within("Enlarged", { least: 1, most: 8, step: 0.05 }, 1), {
    named: "The enlargement of",
    layers: LAYERS,
  }),
  turned: ofFraming(within("Turned", { least: -180, most: 180, step: 1 }, 0), {
    named: "The angle of",
    layers: HERE,
  }),
  mirrored: ofFraming(flag("Mirrored", false), { named: "The mirroring of", layers: HERE }),
  window: ofFraming(
    shaped<Rect>("What is used of it", () => windowSchema, windowJsonSchema),
    { named: "The crop of", layers: HERE },
  ),
  strip: ofFraming(within("Width of the strip", { least: 0.1, most: 1, step: 0.01 }, 0.5), {
    named: "The strip of",
    layers: LAYERS,
  }),
  behind: ofFraming(shaped<Behind>("Behind it", behindSchema, behindJsonSchema), {
    named: "What is behind",
    layers: LAYERS,
  }),
  follows: ofFraming(flag("Follows its subject", true), { named: "The following of", layers: LAYERS }),
  bends: ofFraming(
    shaped<readonly Bend[]>("Where its subject is", () => bendsSchema, bendsJsonSchema),
    { named: "The path of", layers: ["scene"] },
  ),
  look: ofSlot(shaped<Look>("Look", lookSchema, lookJsonSchema), {
    named: "The look of",
    kinds: ["media"],
    layers: LAYERS,
    lock: "content",
    from: () => undefined,
  }),
  clipLevel: ofSlot(within("Sound of the clip", { least: 0, most: 2, step: 0.05 }, 1), {
    named: "The sound of",
    kinds: ["media"],
    // What is heard is the same in every format.
    layers: ["scene", "@all"],
    lock: "content",
    from: () => undefined,
  }),
  at: ofItem(
    shaped<Point>("Where it stands", () => pointSchema, pointJsonSchema),
    {
      named: "The place of",
      kinds: ITEM_KINDS,
      from: ({ kind }) => FIRST_LOOKS[kind].at,
    },
  ),
  size: ofItem(within("Size", { least: 0.02, most: 2, step: 0.01 }, 0.3), {
    named: "The size of",
    kinds: ITEM_KINDS,
    from: ({ kind }) => FIRST_LOOKS[kind].size,
  }),
  tall: ofItem(within("Height by width", { least: 0.005, most: 4, step: 0.01 }, 1), {
    named: "The height of",
    kinds: kindsThat(({ hasHeight }) => hasHeight),
    from: ({ kind }) => FIRST_LOOKS[kind].tall,
  }),
  angle: ofItem(within("Angle", { least: -180, most: 180, step: 1 }, 0), {
    named: "The angle of",
    kinds: kindsThat(({ turns }) => turns),
    from: () => 0,
  }),
  ink: ofItem(choice("Colour", COLOR_ROLES, "accent"), {
    named: "The colour of",
    kinds: ITEM_KINDS,
    from: ({ kind }) => FIRST_LOOKS[kind].ink,
  }),
  capital: ofItem(flag("In capitals", false), {
    named: "The capitals of",
    kinds: LETTERED,
    from: () => false,
  }),
  numbering: ofItem(flag("Numbered", false), {
    named: "The numbering of",
    kinds: ["words"],
    from: () => false,
  }),
  emphasisInk: ofItem(choice("Emphasis", COLOR_ROLES, "accent"), {
    named: "The emphasis of",
    kinds: LETTERED,
    from: () => "accent" as const,
  }),
  plate: ofItem(choice("Stands on", ["nothing", ...COLOR_ROLES], "card"), {
    named: "The plate of",
    kinds: LETTERED,
    from: () => "card" as const,
  }),
  plateShape: ofItem(choice("Shape of it", PLATES, "card"), {
    named: "The shape of the plate of",
    kinds: LETTERED,
    from: () => "card" as const,
  }),
  counts: ofItem(time("Counts for", { least: 0, most: 10_000 }, 1500), {
    named: "The counting of",
    kinds: ["counter"],
    from: () => millis(1500),
  }),
  comes: ofItem(choice("Comes in", ["as usual", ...MOTIONS], "as usual"), {
    named: "The entrance of",
    kinds: kindsThat(({ turns }) => turns),
    from: () => "as usual" as const,
  }),
  lettersCome: ofItem(choice("Its words come", PIECES, "as one"), {
    named: "The entrance of",
    kinds: ["words"],
    from: () => "as one" as const,
  }),
  departs: ofItem(choice("Goes by", EXITS, "as it came"), {
    named: "The exit of",
    kinds: kindsThat(({ turns }) => turns),
    from: () => "as it came" as const,
  }),
  moves: ofItem(choice("While it is there", WHILES, "still"), {
    named: "The movement of",
    kinds: kindsThat(({ turns }) => turns),
    from: () => "still" as const,
  }),
  opacity: ofItem(within("Opacity", { least: 0.05, most: 1, step: 0.05 }, 1), {
    named: "The opacity of",
    kinds: ITEM_KINDS,
    from: () => 1,
  }),
  starts: ofItem(time("Starts later by", { least: 0, most: 60_000 }, 0), {
    named: "The start of",
    kinds: ITEM_KINDS,
    from: () => millis(0),
  }),
  ends: ofItem(time("Ends earlier by", { least: 0, most: 60_000 }, 0), {
    named: "The end of",
    kinds: ITEM_KINDS,
    from: () => millis(0),
  }),
} as const;

export type FieldId = keyof typeof FIELDS;
/** The fields of items, and those of scenes and slots. */
export type ItemFieldId = { [Id in FieldId]: (typeof FIELDS)[Id]["of"] extends "item" ? Id : never }[FieldId];
export type DesignFieldId = Exclude<FieldId, ItemFieldId>;
export const FIELD_IDS = Object.keys(FIELDS) as FieldId[];
export const DESIGN_FIELD_IDS = FIELD_IDS.filter((id): id is DesignFieldId => FIELDS[id].of !== "item");
export const ITEM_FIELD_IDS = FIELD_IDS.filter((id): id is ItemFieldId => FIELDS[id].of === "item");
export const isFieldId = (name: string): name is FieldId => Object.hasOwn(FIELDS, name);

/** What a field's value is. */
export type ValueOf<Id extends FieldId> = FieldValue<(typeof FIELDS)[Id]["field"]>;

/** Whether a field may have a value. */
export const isValueOf = <Id extends FieldId>(id: Id, value: unknown): value is ValueOf<Id> =>
  fieldSchema(FIELDS[id].field, value).isValidSync(value, { strict: true });

/** Some fields set at one place, in one layer. */
export type Adjustment = { readonly [Id in FieldId]?: ValueOf<Id> };
