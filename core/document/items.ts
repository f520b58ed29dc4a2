import { number, object, string } from "yup";
import { type ColorRole } from "../color/palette";
import { type Point } from "../geometry/rect";
import { type MotionKind } from "../motion/wordMotion";
import { type RecordPart } from "./documentShape";
import { oneOfKinds } from "./oneOfKinds";
import { MEMBER_ID, memberIdJsonSchema } from "./memberId";
import { orderJsonSchema, orderKey } from "./orderKey";
import { type Ordered } from "./ordered";
import { STICKERS, type Sticker } from "./stickers";
import { WORDS_ROLES, type WordsRole } from "./wordsRole";
import { DAY, isDay } from "../offer/days";
import { type Json, objectJsonSchema } from "./valueJsonSchemas";

export const ITEM_SHAPES = ["rectangle", "card", "ellipse", "star"] as const;
export type ItemShape = (typeof ITEM_SHAPES)[number];

/** What words of one's own can be set as: anything that is made of letters. */
export const ITEM_ROLES = WORDS_ROLES.filter((role): role is ItemRole => role !== "link" && role !== "stars");
export type ItemRole = Exclude<WordsRole, "link" | "stars">;

/** From the start of one scene to the end of another; the two may be one, and stand in whatever order. */
interface ItemBase extends Ordered {
  readonly from: string;
  readonly to: string;
}

/** A number that is counted before one's eyes, in words that say of what. */
interface Counter {
  readonly kind: "counter";
  readonly role: ItemRole;
  /** With `COUNT` where the number stands. */
  readonly text: string;
  readonly start: number;
  readonly goal: number;
  /** A day, as `2026-12-24`, to which the days are counted; then it is them that it counts to. Null for the goal itself. */
  readonly day: string | null;
}
/** What stands for the number in a counter's words. */
export const COUNT = "#";

/** Something of one's own that lies over scenes. Where and how it is shown are fields of the registry. */
export type Item =
  | (ItemBase & { readonly kind: "words"; readonly role: ItemRole; readonly text: string })
  | (ItemBase & Counter)
  | (ItemBase & { readonly kind: "sticker"; readonly sticker: Sticker })
  | (ItemBase & { readonly kind: "shape"; readonly shape: ItemShape })
  | (ItemBase & { readonly kind: "line" })
  /** A border round what lies in it; its thickness is a share of the short side. */
  | (ItemBase & { readonly kind: "frame"; readonly thickness: number })
  | (ItemBase & { readonly kind: "progress" })
  /** A line of bars that moves with what is heard. */
  | (ItemBase & { readonly kind: "wave" });
export type ItemKind = Item["kind"];
/** Items that are made of letters. */
export type LetteredItem = Extract<Item, { readonly role: ItemRole }>;
export const LETTERED: readonly ItemKind[] = ["words", "counter"] satisfies LetteredItem["kind"][];
export const isLettered = (item: Item): item is LetteredItem => LETTERED.includes(item.kind);
export type Items = Readonly<Record<string, Item>>;

/** How an item of a kind looks and where it stands until something else is set. */
export interface ItemLook {
  /** What the kind is called. */
  readonly title: string;
  /** Its middle, as shares of the frame's width and height. */
  readonly at: Point;
  /** Its width as a share of the frame's short side; of the frame's width for what runs along it. */
  readonly size: number;
  /** Its height as a share of its width; of the short side for what runs along the frame. */
  readonly tall: number;
  readonly ink: ColorRole;
  /** Whether its height can be set besides its width. */
  readonly hasHeight: boolean;
  /** Whether it can be turned. */
  readonly turns: boolean;
  /** How it comes in: as the template's words do, or in a way of its own. */
  readonly comes: MotionKind | "as words do";
}
export const FIRST_LOOKS: Readonly<Record<ItemKind, ItemLook>> = {
  words: {
    title: "Words",
    ...{ at: { x: 0.5, y: 0.2 }, size: 0.7, tall: 0.5, ink: "ink" },
    ...{ hasHeight: false, turns: true, comes: "as words do" },
  },
  counter: {
    title: "Counter",
    ...{ at: { x: 0.5, y: 0.3 }, size: 0.5, tall: 0.5, ink: "ink" },
    ...{ hasHeight: false, turns: true, comes: "as words do" },
  },
  sticker: {
    title: "Sticker",
    ...{ at: { x: 0.78, y: 0.22 }, size: 0.26, tall: 1, ink: "accent" },
    ...{ hasHeight: false, turns: true, comes: "pop" },
  },
  shape: {
    title: "Shape",
    ...{ at: { x: 0.5, y: 0.5 }, size: 0.3, tall: 1, ink: "accent" },
    ...{ hasHeight: true, turns: true, comes: "pop" },
  },
  line: {
    title: "Line",
    ...{ at: { x: 0.5, y: 0.5 }, size: 0.4, tall: 0.02, ink: "primary" },
    ...{ hasHeight: true, turns: true, comes: "fade" },
  },
  frame: {
    title: "Frame",
    ...{ at: { x: 0.5, y: 0.5 }, size: 0.9, tall: 1, ink: "primary" },
    ...{ hasHeight: true, turns: true, comes: "fade" },
  },
  progress: {
    title: "Progress bar",
    ...{ at: { x: 0.5, y: 0.992 }, size: 1, tall: 0.016, ink: "accent" },
    ...{ hasHeight: true, turns: false, comes: "still" },
  },
  wave: {
    title: "Sound wave",
    ...{ at: { x: 0.5, y: 0.9 }, size: 0.7, tall: 0.08, ink: "accent" },
    ...{ hasHeight: true, turns: false, comes: "still" },
  },
};
/** An item without when it is there and over what it lies. */
export type BareItem<Of extends Item = Item> = Of extends Item ? Omit<Of, "order" | "from" | "to"> : never;
/** What an item of a kind is when it is put in, until something else is chosen. */
export const FIRST_ITEMS: { readonly [Kind in ItemKind]: BareItem<Extract<Item, { readonly kind: Kind }>> } = {
  words: { kind: "words", role: "name", text: "Your words" },
  counter: { kind: "counter", role: "figure", text: COUNT, start: 0, goal: 100, day: null },
  sticker: { kind: "sticker", sticker: "burst" },
  shape: { kind: "shape", shape: "card" },
  line: { kind: "line" },
  frame: { kind: "frame", thickness: 0.012 },
  progress: { kind: "progress" },
  wave: { kind: "wave" },
};
export const ITEM_KINDS = Object.keys(FIRST_LOOKS) as ItemKind[];
/** The kinds of items of which something is so. */
export const kindsThat = (is: (look: ItemLook) => boolean): ItemKind[] =>
  ITEM_KINDS.filter((kind) => is(FIRST_LOOKS[kind]));

const MOST_ITEM_WORDS = 160;
export const MOST_COUNT = 9_999_999;
const THICKNESS = { least: 0.002, most: 0.2 } as const;
export const MOST_ITEMS = 100;

const id = string().matches(MEMBER_ID, "An id is lower-case letters, digits and hyphens.").required();
const base = { order: orderKey, from: id, to: id };
const kindOf = (kind: ItemKind) => string().oneOf([kind]).required();
const text = string().defined().max(MOST_ITEM_WORDS, `Words have at most ${MOST_ITEM_WORDS} characters.`);
const role = string().oneOf(ITEM_ROLES).required();
const count = number().integer("Whole numbers are counted.").min(0).max(MOST_COUNT).required();
const SCHEMAS = {
  words: object({ ...base, kind: kindOf("words"), role, text }).noUnknown(),
  counter: object({
    ...base,
    kind: kindOf("counter"),
    role,
    text,
    start: count,
    goal: count,
    day: string()
      .nullable()
      .defined()
      .test("day", "A day is written as 2026-12-24.", (day) => day === null || isDay(day)),
  }).noUnknown(),
  sticker: object({ ...base, kind: kindOf("sticker"), sticker: string().oneOf(STICKERS).required() }).noUnknown(),
  shape: object({ ...base, kind: kindOf("shape"), shape: string().oneOf(ITEM_SHAPES).required() }).noUnknown(),
  line: object({ ...base, kind: kindOf("line") }).noUnknown(),
  frame: object({
    ...base,
    kind: kindOf("frame"),
    thickness: number().min(THICKNESS.least).max(THICKNESS.most).required(),
  }).noUnknown(),
  progress: object({ ...base, kind: kindOf("progress") }).noUnknown(),
  wave: object({ ...base, kind: kindOf("wave") }).noUnknown(),
} as const;
const schemaOf = oneOfKinds(
  "kind",
  ITEM_KINDS,
  (kind) => SCHEMAS[kind],
  `An item is one of: ${ITEM_KINDS.join(", ")}.`,
);

/** The items of a promotion. */
export const ITEMS_PART: RecordPart = {
  least: 0,
  most: MOST_ITEMS,
  named: "item",
  read: (key, value) => {
    id.validateSync(key, { strict: true });
    return schemaOf(value).validateSync(value, { strict: true });
  },
};

const ownWords: Json = { role: { enum: ITEM_ROLES }, text: { type: "string", maxLength: MOST_ITEM_WORDS } };
const counted: Json = { type: "integer", minimum: 0, maximum: MOST_COUNT };
const own: Readonly<Record<ItemKind, Json>> = {
  words: ownWords,
  counter: {
    ...ownWords,
    start: counted,
    goal: counted,
    day: { anyOf: [{ type: "null" }, { type: "string", pattern: DAY.source }] },
  },
  sticker: { sticker: { enum: STICKERS } },
  shape: { shape: { enum: ITEM_SHAPES } },
  line: {},
  frame: { thickness: { type: "number", minimum: THICKNESS.least, maximum: THICKNESS.most } },
  progress: {},
  wave: {},
};
export const itemJsonSchema: Json = {
  oneOf: ITEM_KINDS.map((kind) =>
    objectJsonSchema({
      order: orderJsonSchema,
      from: memberIdJsonSchema,
      to: memberIdJsonSchema,
      kind: { const: kind },
      ...own[kind],
    }),
  ),
};
