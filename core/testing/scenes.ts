import fc from "fast-check";
import {
  ARRANGEMENTS,
  type Arrangement,
  type ArrangementName,
  newArrangement,
  parametersOf,
} from "../document/arrangements";
import { type Field, type FieldValue } from "../document/field";
import { type SceneTemplate, type Slot } from "../document/sceneTemplate";
import { customShape, formatOf, NAMED_FORMATS, type Shape } from "../placement/formats";
import { offer, picture, products, scene, words } from "../templates/build";

/** The five named shapes' worth of formats, and any other from 1:3 to 3:1. */
export const anyShape: fc.Arbitrary<Shape> = fc.oneof(
  fc.constantFrom<Shape>(...NAMED_FORMATS.map((name) => formatOf(name))),
  fc.double({ min: -1, max: 1, noNaN: true }).map((power) => customShape(3 ** power, 1)),
);

function anyValue(field: Field): fc.Arbitrary<FieldValue<Field>> {
  switch (field.kind) {
    case "choice":
      return fc.constantFrom(...field.choices);
    case "flag":
      return fc.boolean();
    case "number":
      return fc.double({ min: field.least, max: field.most, noNaN: true });
  }
}

/** An arrangement with any parameters its workshop offers. */
export const anyArrangement = (name: ArrangementName): fc.Arbitrary<Arrangement> =>
  fc
    .record(Object.fromEntries(Object.entries(parametersOf(name)).map(([key, field]) => [key, anyValue(field)])))
    .map((parameters): Arrangement => ({ ...newArrangement(name), ...parameters }));

/** The slots that go with an arrangement in the shipped templates, all of them at once. */
export function slotsFor(name: ArrangementName, pictures: number = ARRANGEMENTS[name].pictures[1]): Slot[] {
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
  scene("scene", "Scene", { length: 4000, arrangement, slots, overlap: 0, logo });
