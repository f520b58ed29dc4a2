import { ARRANGEMENTS, ARRANGEMENT_NAMES, type ArrangementName, newArrangement } from "../document/arrangements";
import { type SceneTemplate, type Slot } from "../document/sceneTemplate";
import { type WordsRole } from "../document/wordsRole";
import { offer, picture, products, scene, template, words } from "./build";

const EVERYTHING = { content: true, color: true, position: true, remove: true } as const;

/** Words that nobody has to fill. */
const free = (id: string, role: WordsRole, label?: string): Slot =>
  words(id, role, { required: false, allows: EVERYTHING, ...(label === undefined ? {} : { label }) });

const pictures = (count: number): Slot[] =>
  Array.from({ length: count }, (_, index) => ({
    ...picture(`picture-${index + 1}`, {
      label: count === 1 ? "Picture" : `Picture ${index + 1}`,
      required: false,
      from: "nothing",
      leastPixels: 0,
    }),
    allows: EVERYTHING,
  }));

/** The words that an arrangement has places for. */
const WORDS: Readonly<Record<ArrangementName, readonly Slot[]>> = {
  "full-picture": [free("headline", "headline"), free("line", "line")],
  split: [free("headline", "headline"), free("line", "line"), free("small", "small")],
  "top-and-tail": [free("headline", "headline"), free("line", "line")],
  stack: [],
  mosaic: [free("headline", "headline")],
  "cut-out-card": [free("name", "name"), free("line", "line")],
  "words-only": [free("headline", "headline"), free("line", "line"), free("small", "small")],
  "before-after": [
    free("headline", "name"),
    free("before", "label", "First label"),
    free("after", "label", "Second label"),
  ],
  quote: [free("quote", "quote"), free("name", "name", "Who said it"), free("stars", "stars")],
  steps: [free("headline", "headline"), ...[1, 2, 3].map((number) => free(`step-${number}`, "step", `Step ${number}`))],
  "price-list": [free("headline", "headline")],
  "sign-off": [
    free("call", "call"),
    free("website", "contact", "First line"),
    free("handle", "contact", "Second line"),
  ],
};

const slotsOf = (name: ArrangementName): Slot[] => [
  ...WORDS[name],
  ...pictures(ARRANGEMENTS[name].pictures[1]),
  ...(name === "cut-out-card" ? [{ ...offer(), required: false, allows: EVERYTHING }] : []),
  ...(name === "price-list" ? [{ ...products(6), required: false, allows: EVERYTHING }] : []),
];

/**
 * A scene with nothing in it for every arrangement, to put into any promotion. It is drawn on as a template is, but is
 * none that a promotion begins with.
 */
export const EMPTY_SCENES = template({
  slug: "empty-scenes",
  name: "Empty scenes",
  purpose: "other",
  about: "A scene with nothing in it, in the arrangement you want. Fill what you need of it and leave the rest.",
  scenes: ARRANGEMENT_NAMES.map((name): SceneTemplate =>
    scene(name, ARRANGEMENTS[name].title, {
      length: 3000,
      arrangement: newArrangement(name),
      slots: slotsOf(name),
      ground: "card",
    }),
  ),
});
