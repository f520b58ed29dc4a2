import { object, string } from "yup";
import { type ColorRole } from "../color/palette";
import { type Point } from "../geometry/rect";
import { type RecordPart } from "./documentShape";
import { oneOfKinds } from "./oneOfKinds";
import { MEMBER_ID, memberIdJsonSchema } from "./memberId";
import { orderJsonSchema, orderKey } from "./orderKey";
import { type Ordered } from "./ordered";
import { WORDS_ROLES, type WordsRole } from "./template";
import { type Json, objectJsonSchema } from "./valueJsonSchemas";

export const ITEM_SHAPES = ["rectangle", "card", "ellipse", "star"] as const;
export type ItemShape = (typeof ITEM_SHAPES)[number];
export const STICKERS = ["burst", "arrow", "tick"] as const;
export type Sticker = (typeof STICKERS)[number];

/** What words of one's own can be set as: anything that is made of letters. */
export const ITEM_ROLES = WORDS_ROLES.filter((role): role is ItemRole => role !== "link" && role !== "stars");
export type ItemRole = Exclude<WordsRole, "link" | "stars">;

/** From the start of one scene to the end of another; the two may be one, and stand in whatever order. */
interface ItemBase extends Ordered {
  readonly from: string;
  readonly to: string;
}

/** Something of one's own that lies over scenes. Where and how it is shown are fields of the registry. */
export type Item =
  | (ItemBase & { readonly kind: "words"; readonly role: ItemRole; readonly text: string })
  | (ItemBase & { readonly kind: "sticker"; readonly sticker: Sticker })
  | (ItemBase & { readonly kind: "shape"; readonly shape: ItemShape })
  | (ItemBase & { readonly kind: "line" })
  | (ItemBase & { readonly kind: "progress" });
export type ItemKind = Item["kind"];
export type Items = Readonly<Record<string, Item>>;

/** How an item of a kind looks and where it stands until something else is set. */
export interface ItemLook {
  /** Its middle, as shares of the frame's width and height. */
  readonly at: Point;
  /** Its width as a share of the frame's short side; of the frame's width for what runs along it. */
  readonly size: number;
  /** Its height as a share of its width; of the short side for what runs along the frame. */
  readonly tall: number;
  readonly ink: ColorRole;
}
export const FIRST_LOOKS: Readonly<Record<ItemKind, ItemLook>> = {
  words: { at: { x: 0.5, y: 0.2 }, size: 0.7, tall: 0.5, ink: "ink" },
  sticker: { at: { x: 0.78, y: 0.22 }, size: 0.26, tall: 1, ink: "accent" },
  shape: { at: { x: 0.5, y: 0.5 }, size: 0.3, tall: 1, ink: "accent" },
  line: { at: { x: 0.5, y: 0.5 }, size: 0.4, tall: 0.02, ink: "primary" },
  progress: { at: { x: 0.5, y: 0.992 }, size: 1, tall: 0.016, ink: "accent" },
};
export const ITEM_KINDS = Object.keys(FIRST_LOOKS) as ItemKind[];

const MOST_ITEM_WORDS = 160;
export const MOST_ITEMS = 100;

const id = string().matches(MEMBER_ID, "An id is lower-case letters, digits and hyphens.").required();
const base = { order: orderKey, from: id, to: id };
const kindOf = (kind: ItemKind) => string().oneOf([kind]).required();
const SCHEMAS = {
  words: object({
    ...base,
    kind: kindOf("words"),
    role: string().oneOf(ITEM_ROLES).required(),
    text: string().defined().max(MOST_ITEM_WORDS, `Words have at most ${MOST_ITEM_WORDS} characters.`),
  }).noUnknown(),
  sticker: object({ ...base, kind: kindOf("sticker"), sticker: string().oneOf(STICKERS).required() }).noUnknown(),
  shape: object({ ...base, kind: kindOf("shape"), shape: string().oneOf(ITEM_SHAPES).required() }).noUnknown(),
  line: object({ ...base, kind: kindOf("line") }).noUnknown(),
  progress: object({ ...base, kind: kindOf("progress") }).noUnknown(),
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

const own: Readonly<Record<ItemKind, Json>> = {
  words: { role: { enum: ITEM_ROLES }, text: { type: "string", maxLength: MOST_ITEM_WORDS } },
  sticker: { sticker: { enum: STICKERS } },
  shape: { shape: { enum: ITEM_SHAPES } },
  line: {},
  progress: {},
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
