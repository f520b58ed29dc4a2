import { dayAfter } from "../offer/days";
import { type Adjustment } from "./fields";
import { type BareItem, COUNT, FIRST_ITEMS, FIRST_LOOKS, ITEM_KINDS, type ItemKind, type ItemShape } from "./items";
import { type Sticker } from "./stickers";

/** Something that can be put over a scene: what it is, and what is set of it beforehand. */
export interface ItemPreset {
  readonly title: string;
  readonly item: BareItem;
  readonly set: Adjustment;
}

const words = (title: string, text: string, set: Adjustment): ItemPreset => ({
  title,
  item: { kind: "words", role: "name", text },
  set,
});

type Counter = Extract<BareItem, { readonly kind: "counter" }>;

/** Words of one's own, plain and on plates. */
export const WORDS_PRESETS: readonly ItemPreset[] = [
  words("Text", "Your words", { plate: "nothing", ink: "ink" }),
  words("Label", "Good to know", { plate: "card", ink: "ink", size: 0.5 }),
  words("Badge", "New", {
    plate: "accent",
    plateShape: "badge",
    ink: "card",
    size: 0.24,
    at: { x: 0.8, y: 0.2 },
    angle: -8,
  }),
  words("Ribbon", "This week", {
    plate: "accent",
    plateShape: "ribbon",
    ink: "card",
    size: 0.5,
    at: { x: 0.5, y: 0.14 },
  }),
  words("Price tag", "9.50", {
    plate: "sale",
    plateShape: "price tag",
    ink: "card",
    size: 0.3,
    at: { x: 0.76, y: 0.7 },
  }),
  words("Round label", "@yourname", {
    plate: "primary",
    plateShape: "round",
    ink: "card",
    size: 0.44,
    at: { x: 0.5, y: 0.88 },
  }),
];

const shape = (title: string, kind: ItemShape): ItemPreset => ({
  title,
  item: { kind: "shape", shape: kind },
  set: {},
});

/** Kinds of which there are several to choose from; of the others there is one. */
const SEVERAL: ReadonlySet<ItemKind> = new Set<ItemKind>(["words", "counter", "sticker", "shape", "line"]);

const counter = (title: string, item: Partial<Counter>): ItemPreset => ({
  title,
  item: { ...FIRST_ITEMS.counter, ...item },
  set: { plate: "nothing" },
});

/** Numbers that are counted. @param today the day that days are counted from; null where none is known */
export const counterPresets = (today: string | null): readonly ItemPreset[] => [
  counter("To a number", { text: `${COUNT} pots sold`, goal: 500 }),
  counter("To a date", {
    text: `${COUNT} days to go`,
    start: 60,
    goal: 7,
    day: today === null ? null : dayAfter(today, 7),
  }),
];

/** What is drawn, besides stickers. */
export const DRAWN_PRESETS: readonly ItemPreset[] = [
  { title: "Divider", item: { kind: "line" }, set: { size: 0.8, tall: 0.006 } },
  { title: "Underline", item: { kind: "line" }, set: { size: 0.36, tall: 0.03, ink: "accent" } },
  shape("Rectangle", "rectangle"),
  shape("Card", "card"),
  shape("Ellipse", "ellipse"),
  shape("Star", "star"),
  ...ITEM_KINDS.filter((kind) => !SEVERAL.has(kind)).map((kind) => ({
    title: FIRST_LOOKS[kind].title,
    item: FIRST_ITEMS[kind],
    set: {},
  })),
];

export const stickerPreset = (sticker: Sticker, title: string): ItemPreset => ({
  title,
  item: { kind: "sticker", sticker },
  set: {},
});
