import { applyTable } from "../grading/lookupTable";
import { measureTones } from "../picture/tones";
import { resolvePromotion } from "./resolve";
import { applyEdit, inverseOf } from "./edits";
import { readPromotion } from "./promotion";
import { defined } from "../testing/defined";
import { testDocument, testFacts, testPicture } from "../testing/promotions";
import { type Look, lookSchema, overlaysOf, tableOf } from "./look";
import { setLook, setLookForAll, switched, withGradeValue, withStep, withStepMoved, withoutStep } from "./lookEdits";
import { lookedAt } from "./lookedAt";

const LOOK: Look = [
  { kind: "look", look: "terracotta", strength: 0.5 },
  { kind: "grade", grade: { exposure: 0.4 } },
  { kind: "overlay", overlay: "vignette", strength: 0.7 },
];
const shown = (look: Look | undefined, color: readonly number[]): number[] => {
  const pixels = Uint8ClampedArray.from([...color, 255]);
  const table = tableOf(look);
  if (table) applyTable(pixels, table);
  return [...pixels.subarray(0, 3)];
};

test("steps are done in their order, one that is off is not done, and what changes no colour has no table", () => {
  const [first, second] = [LOOK[0], LOOK[1]].map(defined) as [Look[number], Look[number]];
  const grey: Look[number] = { kind: "grade", grade: { saturation: -1 } };
  const warm: Look[number] = { kind: "grade", grade: { warmth: 1 } };
  const [red, , blue] = shown([grey, warm], [90, 140, 60]);
  expect(defined(red)).toBeGreaterThan(defined(blue) + 20);
  expect(new Set(shown([warm, grey], [90, 140, 60])).size).toBe(1);
  expect(shown([first, second], [90, 140, 60])).not.toEqual(shown([first], [90, 140, 60]));
  expect(shown([first, switched(second, false)], [90, 140, 60])).toEqual(shown([first], [90, 140, 60]));
  expect(
    tableOf([
      { kind: "grade", grade: { hue: 0 } },
      { kind: "look", look: "ink", strength: 0 },
    ]),
  ).toBeNull();
  expect(tableOf([LOOK[2]].map(defined))).toBeNull();
  expect(tableOf(LOOK)).toBe(tableOf([...LOOK]));
});

test.each([
  [[{ kind: "look", look: "sepia", strength: 1 }], "look must be one of"],
  [[{ kind: "look", look: "ink", strength: 1.2 }], "At most 1."],
  [[{ kind: "grade", grade: { exposure: 3 } }], "Exposure is at most 2."],
  [[{ kind: "grade", grade: { sharpness: 1 } }], "sharpness"],
  [[{ kind: "sticker" }], "A step of a look is"],
  [Array.from({ length: 9 }, () => LOOK[0]), "At most 8 steps."],
])("a look that is none is refused, and told why: %j", (look, why) => {
  expect(() => lookSchema().validateSync(look, { strict: true })).toThrow(why);
  expect(() => readPromotion({ ...testDocument(), adjustments: { "hook.picture": { look } } })).toThrow();
});

test("steps are added up to as many as there can be, moved within the list and taken out", () => {
  expect(withStepMoved(LOOK, 0, -1)).toBeNull();
  expect(withStepMoved(LOOK, 2, 1)).toBeNull();
  expect(withStepMoved(LOOK, 0, 1)?.map(({ kind }) => kind)).toEqual(["grade", "look", "overlay"]);
  expect(withStepMoved(LOOK, 2, -1)?.map(({ kind }) => kind)).toEqual(["look", "overlay", "grade"]);
  expect(withoutStep(LOOK, 1).map(({ kind }) => kind)).toEqual(["look", "overlay"]);
  const full = Array.from({ length: 8 }, () => defined(LOOK[0]));
  expect(withStep(full, defined(LOOK[0]))).toBeNull();
  expect(withGradeValue({ hue: 5, exposure: 1 }, "hue", 0)).toEqual({ exposure: 1 });
  expect(switched(switched(defined(LOOK[0]), false), true)).toEqual(LOOK[0]);
});

test("a look of one slot wins over that of all, an empty one too; setting it for all takes their own away, and undo brings it back", () => {
  const facts = testFacts();
  const lookOf = (document: ReturnType<typeof testDocument>) =>
    resolvePromotion(document, facts).scenes[0]?.template.looks["picture"];
  const all = applyEdit(testDocument(), setLookForAll(testDocument(), LOOK));
  expect(lookOf(all)).toEqual(LOOK);
  const own = applyEdit(all, setLook("hook.picture", []));
  expect(lookOf(own)).toEqual([]);
  const edit = setLookForAll(own, LOOK.slice(0, 1));
  const again = applyEdit(own, edit);
  expect(lookOf(again)).toEqual(LOOK.slice(0, 1));
  expect(applyEdit(again, inverseOf(own, edit))).toEqual(own);
});

test("what was measured of a picture goes through the same table, and words are judged with and without what is laid over", () => {
  const size = { width: 200, height: 200 };
  const pixels = new Uint8ClampedArray(size.width * size.height * 4).fill(200);
  const media = { ...testPicture(), tones: [measureTones(pixels, size)] };
  const seen = lookedAt(media, LOOK);
  expect(seen.shownLook).toBe(LOOK);
  expect(seen.tones).toHaveLength(2);
  const [plain, dark] = defined(seen.tones).map((tones) => Number.parseInt(tones.slice(0, 2), 16));
  expect(plain).toBe(shown(LOOK, [200, 200, 200])[0]);
  expect(defined(dark)).toBeLessThan(defined(plain) * 0.6);
  // Asked again, it is the very same, so that what was prepared of it is kept.
  expect(lookedAt(media, LOOK).tones).toBe(seen.tones);
  expect(lookedAt(media, [])).toBe(media);
  expect(overlaysOf([{ kind: "overlay", overlay: "grain", strength: 0.5, off: true }])).toEqual([]);
});
