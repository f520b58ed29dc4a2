import { type Anchor } from "../geometry/column";

/** What is put between words and the picture behind them; `auto` measures and takes the least that is enough. */
export const BACKINGS = ["auto", "plain", "scrim", "panel", "blur"] as const;
export const BAR_FILLS = ["ground", "gradient", "blur"] as const;
export const STACK_WAYS = ["auto", "column", "row"] as const;
export const WIPE_WAYS = ["across", "down"] as const;
export const ALIGNS = ["start", "centre"] as const;

export type Backing = (typeof BACKINGS)[number];

/** An arrangement as a document names it: the rule and its parameters. Lengths are design units, shares 0 to 1. */
export type Arrangement =
  | { readonly name: "full-picture"; readonly words: Anchor; readonly backing: Backing }
  | {
      readonly name: "split";
      /** The picture's part of the longer way. */
      readonly share: number;
      /** Whether the picture comes before the words: left of them, or above. */
      readonly pictureFirst: boolean;
      /** Whether picture and words stand side by side even in a square. */
      readonly besideInSquare: boolean;
    }
  | { readonly name: "top-and-tail"; readonly bars: (typeof BAR_FILLS)[number] }
  | { readonly name: "stack"; readonly way: (typeof STACK_WAYS)[number]; readonly gap: number }
  | { readonly name: "mosaic"; readonly gap: number }
  | { readonly name: "cut-out-card"; readonly pictureFirst: boolean }
  | { readonly name: "words-only"; readonly words: Anchor; readonly align: (typeof ALIGNS)[number] }
  | { readonly name: "before-after"; readonly way: (typeof WIPE_WAYS)[number] }
  | { readonly name: "quote"; readonly align: (typeof ALIGNS)[number] }
  | { readonly name: "steps"; readonly numbered: boolean }
  | { readonly name: "price-list"; readonly leaders: boolean }
  | { readonly name: "sign-off"; readonly code: boolean };

export type ArrangementName = Arrangement["name"];
export type ArrangementOf<Name extends ArrangementName> = Extract<Arrangement, { readonly name: Name }>;

/** Each arrangement as it is when first chosen. */
export const NEW_ARRANGEMENTS: { readonly [Name in ArrangementName]: ArrangementOf<Name> } = {
  "full-picture": { name: "full-picture", words: "bottom", backing: "auto" },
  split: { name: "split", share: 0.56, pictureFirst: true, besideInSquare: false },
  "top-and-tail": { name: "top-and-tail", bars: "ground" },
  stack: { name: "stack", way: "auto", gap: 12 },
  mosaic: { name: "mosaic", gap: 12 },
  "cut-out-card": { name: "cut-out-card", pictureFirst: true },
  "words-only": { name: "words-only", words: "middle", align: "start" },
  "before-after": { name: "before-after", way: "across" },
  quote: { name: "quote", align: "start" },
  steps: { name: "steps", numbered: true },
  "price-list": { name: "price-list", leaders: true },
  "sign-off": { name: "sign-off", code: false },
};

export const ARRANGEMENT_NAMES = Object.keys(NEW_ARRANGEMENTS) as ArrangementName[];

/** An arrangement in words, with how many pictures it takes. */
export interface ArrangementAbout {
  readonly title: string;
  readonly about: string;
  /** Fewest and most pictures that find a place in it. */
  readonly pictures: readonly [fewest: number, most: number];
}

export const ABOUT_ARRANGEMENTS: Readonly<Record<ArrangementName, ArrangementAbout>> = {
  "full-picture": { title: "Full picture", about: "One picture to the edges, words over it.", pictures: [1, 1] },
  split: { title: "Split", about: "A picture beside or above its words.", pictures: [1, 1] },
  "top-and-tail": {
    title: "Top and tail",
    about: "A heading band that stays, the picture at its true shape, a line below that changes.",
    pictures: [1, 1],
  },
  stack: { title: "Stack", about: "Two to four strips of equal shape that fill the frame.", pictures: [2, 4] },
  mosaic: { title: "Mosaic", about: "Three to six pictures that arrive one after another.", pictures: [3, 6] },
  "cut-out-card": {
    title: "Cut-out card",
    about: "The product on the brand's ground, with a shadow and a price badge.",
    pictures: [1, 1],
  },
  "words-only": { title: "Words only", about: "Large words on a plain ground.", pictures: [0, 0] },
  "before-after": {
    title: "Before and after",
    about: "Two pictures; the second wipes over the first.",
    pictures: [2, 2],
  },
  quote: { title: "Quote", about: "What somebody said, who it was, and their stars.", pictures: [0, 1] },
  steps: { title: "Steps", about: "Numbered steps, one below or beside the other.", pictures: [0, 1] },
  "price-list": {
    title: "Price list",
    about: "Up to six rows of names and prices from the catalogue.",
    pictures: [0, 1],
  },
  "sign-off": {
    title: "Sign-off",
    about: "Logo, call to action, contacts and the link as a code, over a quiet picture.",
    pictures: [0, 1],
  },
};
