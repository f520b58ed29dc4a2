import fc from "fast-check";
import { defined } from "../testing/defined";
import { testDocument } from "../testing/promotions";
import { millis } from "../units";
import {
  addCaption,
  changeCaption,
  joinCaption,
  replaceCaptions,
  shiftCaptions,
  showCaptions,
  splitCaption,
} from "./captionEdits";
import { captionsIn, languagesOf } from "./captionsPart";
import { applyEdit, inverseOf } from "./edits";
import { type Promotion, readPromotion } from "./promotion";
import { resolvePromotion } from "./resolve";
import { testFacts } from "../testing/promotions";

const cues = (document: Promotion, language = "en") =>
  captionsIn(document.captions, language).map(({ from, to, text }) => [from, to, text]);
const TWO = [
  { from: millis(1000), to: millis(3000), text: "Come and choose yours this week" },
  { from: millis(3100), to: millis(5000), text: "Tea is free" },
];
const withTwo = applyEdit(testDocument(), replaceCaptions(testDocument(), "en", TWO, "From a script"));

test("a caption is put in where none is, ends before the next, and is shown from the first on", () => {
  const first = defined(addCaption(testDocument(), { language: "en", at: 500, until: 14_000, text: "Hello" }));
  const one = applyEdit(testDocument(), first.edit);
  expect(cues(one)).toEqual([[500, 2500, "Hello"]]);
  expect(one.adjustments["@all"]).toEqual({ captionsIn: "en" });
  expect(addCaption(one, { language: "en", at: 700, until: 14_000, text: "Over it" })).toBeNull();
  // In another language it may be shown at the same time, and what is shown stays as it was chosen.
  const german = applyEdit(
    one,
    defined(addCaption(one, { language: "de", at: 700, until: 14_000, text: "Hallo" })).edit,
  );
  expect(languagesOf(german.captions)).toEqual(["de", "en"]);
  expect(german.adjustments["@all"]).toEqual({ captionsIn: "en" });
  const before = applyEdit(
    german,
    defined(addCaption(german, { language: "en", at: 100, until: 14_000, text: "Oh" })).edit,
  );
  expect(cues(before)[0]).toEqual([100, 500, "Oh"]);
  expect(addCaption(testDocument(), { language: "en", at: 13_900, until: 14_000, text: "Too late" })).toBeNull();
});

test("split at a time its words go to both sides; joined again it says what it said, and undo brings all back", () => {
  const [{ id } = { id: "" }] = captionsIn(withTwo.captions, "en");
  const edit = defined(splitCaption(withTwo, id, 2000));
  const split = applyEdit(withTwo, edit);
  expect(cues(split)).toEqual([
    [1000, 2000, "Come and choose"],
    [2000, 3000, "yours this week"],
    [3100, 5000, "Tea is free"],
  ]);
  expect(applyEdit(split, inverseOf(withTwo, edit))).toEqual(withTwo);
  expect(cues(applyEdit(split, defined(joinCaption(split, id))))[0]).toEqual([
    1000,
    3000,
    "Come and choose yours this week",
  ]);
  expect(splitCaption(withTwo, id, 1100)).toBeNull();
  expect(splitCaption(withTwo, id, 9000)).toBeNull();
  expect(joinCaption(withTwo, defined(captionsIn(withTwo.captions, "en")[1]).id)).toBeNull();
});

test("however its ends are pulled, a caption begins before it ends, not before the start, and says something", () => {
  const [{ id } = { id: "" }] = captionsIn(withTwo.captions, "en");
  const time = fc.integer({ min: -10_000, max: 20_000 }).map(millis);
  fc.assert(
    fc.property(fc.option(time, { nil: undefined }), fc.option(time, { nil: undefined }), (from, to) => {
      const edit = changeCaption(withTwo, id, {
        ...(from === undefined ? {} : { from }),
        ...(to === undefined ? {} : { to }),
      });
      const [first] = captionsIn(applyEdit(withTwo, defined(edit)).captions, "en").filter((one) => one.id === id);
      expect(defined(first).from).toBeGreaterThanOrEqual(0);
      expect(defined(first).to - defined(first).from).toBeGreaterThanOrEqual(200);
    }),
  );
  expect(changeCaption(withTwo, id, { text: "  " })).toBeNull();
  expect(changeCaption(withTwo, "gone", { text: "x" })).toBeNull();
});

test("what is brought in replaces that language alone; all are shifted together and none before the start", () => {
  const both = applyEdit(withTwo, replaceCaptions(withTwo, "de", TWO.slice(0, 1), "Captions"));
  const again = applyEdit(
    both,
    replaceCaptions(both, "en", [{ from: millis(0), to: millis(900), text: "New" }], "Captions"),
  );
  expect([cues(again), cues(again, "de")]).toEqual([[[0, 900, "New"]], cues(both, "de")]);
  expect(cues(applyEdit(both, shiftCaptions(both, "en", 500))).map(([from]) => from)).toEqual([1500, 3600]);
  expect(cues(applyEdit(both, shiftCaptions(both, "en", -5000))).map(([from]) => from)).toEqual([0, 2100]);
  expect(cues(applyEdit(both, replaceCaptions(both, "en", [], "Captions")))).toEqual([]);
});

test.each([
  [{ language: "English", from: 0, to: 900, text: "x" }, "A language is written as a tag"],
  [{ language: "en", from: 900, to: 900, text: "x" }, "A caption ends after it begins."],
  [{ language: "en", from: 0, to: 900, text: " " }, "A caption says something."],
  [{ language: "en", from: 0, to: 900, text: "x".repeat(241) }, "at most 240 characters"],
  [{ language: "en", from: 0.5, to: 900, text: "x" }, "whole milliseconds"],
])("a caption that is none is refused, and told why: %j", (caption, why) => {
  expect(() => readPromotion({ ...testDocument(), captions: { "cue-1": caption } })).toThrow(why);
});

test("which captions are shown, and where, may differ by format", () => {
  const shown = [
    showCaptions("none"),
    { label: "", patch: [{ op: "add", path: "/adjustments/@vertical/captionsIn", value: "en" }] },
    { label: "", patch: [{ op: "add", path: "/adjustments/@vertical/captionsAt", value: "high" }] },
  ] as const;
  const { captions, captionsInFormat } = resolvePromotion(shown.reduce(applyEdit, withTwo), testFacts());
  expect(captions).toMatchObject({ cues: [], at: "low" });
  expect(captionsInFormat.vertical).toMatchObject({ at: "high", cues: [{ from: 1000 }, { from: 3100 }] });
});
