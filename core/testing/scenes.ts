import fc from "fast-check";
import { ANCHORS } from "../geometry/column";
import {
  ABOUT_ARRANGEMENTS,
  ALIGNS,
  type Arrangement,
  type ArrangementName,
  BACKINGS,
  BAR_FILLS,
  NEW_ARRANGEMENTS,
  STACK_WAYS,
  WIPE_WAYS,
} from "../document/arrangements";
import { type SceneTemplate, type Slot } from "../document/template";
import { customShape, FORMATS, FORMAT_NAMES, PORTRAIT, type Shape } from "../placement/formats";
import { offer, picture, products, scene, words } from "../templates/build";

/** The five named shapes' worth of formats, and any other from 1:3 to 3:1. */
export const anyShape: fc.Arbitrary<Shape> = fc.oneof(
  fc.constantFrom<Shape>(...FORMAT_NAMES.map((name) => FORMATS[name]), PORTRAIT),
  fc.double({ min: -1, max: 1, noNaN: true }).map((power) => customShape(3 ** power, 1)),
);

/** An arrangement with any parameters its workshop offers. */
export const anyArrangement = (name: ArrangementName): fc.Arbitrary<Arrangement> => {
  const one = <Value>(...values: readonly Value[]): fc.Arbitrary<Value> => fc.constantFrom(...values);
  const flag = fc.boolean();
  const parameters: { readonly [Name in ArrangementName]: fc.Arbitrary<Arrangement> } = {
    "full-picture": fc.record({ name: one("full-picture"), words: one(...ANCHORS), backing: one(...BACKINGS) }),
    split: fc.record({
      name: one("split"),
      share: fc.double({ min: 0.34, max: 0.72, noNaN: true }),
      pictureFirst: flag,
      besideInSquare: flag,
    }),
    "top-and-tail": fc.record({ name: one("top-and-tail"), bars: one(...BAR_FILLS) }),
    stack: fc.record({ name: one("stack"), way: one(...STACK_WAYS), gap: fc.integer({ min: 0, max: 60 }) }),
    mosaic: fc.record({ name: one("mosaic"), gap: fc.integer({ min: 0, max: 60 }) }),
    "cut-out-card": fc.record({ name: one("cut-out-card"), pictureFirst: flag }),
    "words-only": fc.record({ name: one("words-only"), words: one(...ANCHORS), align: one(...ALIGNS) }),
    "before-after": fc.record({ name: one("before-after"), way: one(...WIPE_WAYS) }),
    quote: fc.record({ name: one("quote"), align: one(...ALIGNS) }),
    steps: fc.record({ name: one("steps"), numbered: flag }),
    "price-list": fc.record({ name: one("price-list"), leaders: flag }),
    "sign-off": fc.record({ name: one("sign-off"), code: flag }),
  };
  return parameters[name];
};

/** The slots that go with an arrangement in the shipped templates, all of them at once. */
export function slotsFor(name: ArrangementName, pictures = ABOUT_ARRANGEMENTS[name].pictures[1]): Slot[] {
  const media = Array.from({ length: pictures }, (_, index) =>
    picture(`picture-${index + 1}`, index === 0 ? {} : { from: "slot:scene.picture-1" }),
  );
  switch (name) {
    case "steps":
      return [
        words("heading", "name"),
        ...[1, 2, 3, 4, 5].map((step) => words(`step-${step}`, "step", { required: false })),
        ...media,
      ];
    case "price-list":
      return [words("heading", "name"), products(6), ...media];
    case "quote":
      return [
        words("stars", "stars", { fallback: "4" }),
        words("quote", "quote"),
        words("who", "line", { required: false }),
        ...media,
      ];
    case "before-after":
      return [
        words("headline", "name", { required: false }),
        words("before", "label", { fallback: "Before" }),
        words("after", "label", { fallback: "After" }),
        ...media,
      ];
    case "sign-off":
      return [
        words("call", "call"),
        words("first", "contact", { required: false }),
        words("second", "contact", { required: false }),
        words("link", "link", { fallback: "quillfern.example.com" }),
        ...media,
      ];
    case "cut-out-card":
      return [words("name", "name"), offer(), words("small", "small", { required: false }), ...media];
    case "split":
      return [words("name", "name"), words("line", "line", { required: false }), offer(), ...media];
    case "words-only":
      return [
        words("figure", "figure", { fallback: "3" }),
        words("headline", "headline"),
        words("line", "line", { required: false }),
        ...media,
      ];
    default:
      return [words("headline", "headline"), words("line", "line", { required: false }), ...media];
  }
}

export const sceneOf = (arrangement: Arrangement, slots = slotsFor(arrangement.name), logo = true): SceneTemplate =>
  scene("scene", "Scene", 4000, arrangement, slots, { overlap: 0, logo });

export const newArrangement = (name: ArrangementName): Arrangement => NEW_ARRANGEMENTS[name];
