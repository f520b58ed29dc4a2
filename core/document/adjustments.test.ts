import fc from "fast-check";
import { USUAL_FORMATS, type FormatName } from "../placement/formats";
import { ONE_OFFER } from "../templates/priceDrops";
import { SHIPPED_BY_REF } from "../templates/shipped";
import { testDocument } from "../testing/promotions";
import { type Adjustments } from "./adjustments";
import { designOf, sourced } from "./design";
import { type TemplateStyle } from "./sceneTemplate";

const MOTIONS = ["slide", "pop", "fade", "still"] as const satisfies readonly TemplateStyle["motion"][];
const FORMATS: readonly (FormatName | null)[] = [...USUAL_FORMATS, "5x7", null];

/** The movement of a scene set in any of its layers, for this and for other scenes and formats. */
const anyAdjustments: fc.Arbitrary<Adjustments> = fc
  .dictionary(
    fc.constantFrom(
      "hook@square",
      "hook@5x7",
      "hook",
      "product",
      "product@square",
      "@square",
      "@vertical",
      "@5x7",
      "@all",
    ),
    fc.constantFrom(...MOTIONS),
    { noNullPrototype: true },
  )
  .map((set) => Object.fromEntries(Object.entries(set).map(([key, motion]) => [key, { motion }])));

test("of what was set, the nearest holds; where nothing was, the template's", () => {
  fc.assert(
    fc.property(anyAdjustments, fc.constantFrom(...FORMATS), (adjustments, format) => {
      const document = testDocument({ adjustments });
      // Written out, nearest first.
      const [own, every] = format === null ? [undefined, undefined] : [`hook@${format}`, `@${format}`];
      const found = [own, "hook", every, "@all"].find((key) => key !== undefined && key in adjustments);
      const [hook] = designOf(document, SHIPPED_BY_REF, format).scenes;
      expect(hook?.style.motion).toBe(found === undefined ? ONE_OFFER.style.motion : adjustments[found]?.motion);
    }),
    { numRuns: 500 },
  );
});

test("it is known where a value comes from", () => {
  const [scene] = ONE_OFFER.scenes;
  if (!scene) throw new Error("The template has scenes.");
  const at = {
    origin: scene,
    style: ONE_OFFER.style,
    preset: {},
    target: { scene: "hook" },
    format: "square",
  } as const;
  const document = testDocument({ adjustments: { "@all": { zoom: false }, "hook@square": { ground: "ink" } } });
  expect(sourced(document, "zoom", at)).toEqual({ value: false, layer: "@all", key: "@all" });
  expect(sourced(document, "ground", at)).toEqual({ value: "ink", layer: "scene@format", key: "hook@square" });
  expect(sourced(document, "ground", { ...at, format: "vertical" })).toEqual({
    value: scene.ground,
    layer: "template",
  });
});
