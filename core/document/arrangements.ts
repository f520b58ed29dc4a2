import { ANCHORS } from "../geometry/column";
import { type Field, type FieldValue, choice, flag, within } from "./field";

/** What is put between words and the picture behind them; `auto` measures and takes the least that is enough. */
const BACKINGS = ["auto", "plain", "scrim", "panel", "blur"] as const;
const ALIGNS = ["start", "centre"] as const;

export type Backing = (typeof BACKINGS)[number];

/** What an arrangement is, in words and in numbers. */
interface AboutArrangement {
  readonly title: string;
  readonly about: string;
  /** Fewest and most pictures that find a place in it. */
  readonly pictures: readonly [fewest: number, most: number];
  /** What may be set of it. Lengths are design units, shares 0 to 1. */
  readonly parameters: Readonly<Record<string, Field>>;
}

const gap = within("Gap in units", { least: 0, most: 60, step: 1 }, 12);
const wordsAt = (initial: (typeof ANCHORS)[number]) => choice("Words stand at the", ANCHORS, initial);
/** Words stand wherever they cover least of the picture's subject and need least to be legible. */
export const CLEAREST = "clearest place";
const wordsOnPicture = choice("Words stand at the", [...ANCHORS, CLEAREST], "bottom");
const wordsAligned = choice("Words", ALIGNS, "start");
const pictureFirst = flag("Picture first", true);

/** All arrangements. Their types, schemas, first values and the workshop's controls follow from this. */
export const ARRANGEMENTS = {
  "full-picture": {
    title: "Full picture",
    about: "One picture to the edges, words over it.",
    pictures: [1, 1],
    parameters: { words: wordsOnPicture, backing: choice("Behind the words", BACKINGS, "auto") },
  },
  split: {
    title: "Split",
    about: "A picture beside or above its words.",
    pictures: [1, 1],
    parameters: {
      share: within("The picture's share", { least: 0.34, most: 0.72, step: 0.02 }, 0.56),
      pictureFirst,
      besideInSquare: flag("Side by side in a square too", false),
    },
  },
  "top-and-tail": {
    title: "Top and tail",
    about: "A heading band that stays, the picture at its true shape, a line below that changes.",
    pictures: [1, 1],
    parameters: { bars: choice("Bars", ["ground", "gradient", "blur"], "ground") },
  },
  stack: {
    title: "Stack",
    about: "Two to four strips of equal shape that fill the frame.",
    pictures: [2, 4],
    parameters: { way: choice("Way", ["auto", "column", "row"], "auto"), gap },
  },
  mosaic: {
    title: "Mosaic",
    about: "Three to six pictures that arrive one after another.",
    pictures: [3, 6],
    parameters: { gap },
  },
  "cut-out-card": {
    title: "Cut-out card",
    about: "The product on the brand's ground, with a shadow and a price badge.",
    pictures: [1, 1],
    parameters: { pictureFirst },
  },
  "words-only": {
    title: "Words only",
    about: "Large words on a plain ground.",
    pictures: [0, 0],
    parameters: { words: wordsAt("middle"), align: wordsAligned },
  },
  "before-after": {
    title: "Before and after",
    about: "Two pictures; the second wipes over the first.",
    pictures: [2, 2],
    parameters: { way: choice("Way", ["across", "down"], "across") },
  },
  quote: {
    title: "Quote",
    about: "What somebody said, who it was, and their stars.",
    pictures: [0, 1],
    parameters: { align: wordsAligned },
  },
  steps: {
    title: "Steps",
    about: "Numbered steps, one below or beside the other.",
    pictures: [0, 1],
    parameters: { numbered: flag("Numbers", true) },
  },
  "price-list": {
    title: "Price list",
    about: "Up to six rows of names and prices from the catalogue.",
    pictures: [0, 1],
    parameters: { leaders: flag("Dotted lines", true) },
  },
  "sign-off": {
    title: "Sign-off",
    about: "Logo, call to action, contacts and the link as a code, over a quiet picture.",
    pictures: [0, 1],
    parameters: { code: flag("The link as a code", false) },
  },
} as const satisfies Readonly<Record<string, AboutArrangement>>;

export type ArrangementName = keyof typeof ARRANGEMENTS;

type ParametersOf<Name extends ArrangementName> = (typeof ARRANGEMENTS)[Name]["parameters"];

/** An arrangement as a document names it: the rule and its parameters. */
export type ArrangementOf<Name extends ArrangementName> = Name extends ArrangementName
  ? { readonly name: Name } & {
      readonly [Key in keyof ParametersOf<Name>]: ParametersOf<Name>[Key] extends Field
        ? FieldValue<ParametersOf<Name>[Key]>
        : never;
    }
  : never;
export type Arrangement = ArrangementOf<ArrangementName>;

export const ARRANGEMENT_NAMES = Object.keys(ARRANGEMENTS) as ArrangementName[];

/** What may be set of an arrangement, by the name that documents use. */
export const parametersOf = (name: ArrangementName): Readonly<Record<string, Field>> => ARRANGEMENTS[name].parameters;

/** An arrangement as it is when first chosen. */
export function newArrangement<Name extends ArrangementName>(name: Name): ArrangementOf<Name> {
  const initial = Object.entries(parametersOf(name)).map(([key, field]) => [key, field.initial]);
  return { name, ...Object.fromEntries(initial) } as ArrangementOf<Name>;
}
