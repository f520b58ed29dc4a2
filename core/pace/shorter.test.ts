import fc from "fast-check";
import { adjust, applyEdit } from "../document/edits";
import { takeOver } from "../document/longer";
import { type Promotion } from "../document/promotion";
import { resolvePromotion } from "../document/resolve";
import { preparePromotion } from "../scene/preparePromotion";
import { fontFilesWanted } from "../scene/wantedFiles";
import { defined } from "../testing/defined";
import { openWanted, testBook } from "../testing/fonts";
import { testDocument, testFacts } from "../testing/promotions";
import { millis } from "../units";
import { lengthOfAll } from "./lengthEdits";
import { type PacedScene, pacedScenes } from "./pacedScenes";
import { shorterVersion } from "./shorter";

const book = testBook();
beforeAll(() => {
  const promotion = resolvePromotion(testDocument(), testFacts());
  return openWanted(book, () => fontFilesWanted(promotion, book));
});
function pace(document: Promotion): PacedScene[] {
  const promotion = resolvePromotion(document, testFacts());
  const { scenes } = preparePromotion(promotion, "square", book);
  return pacedScenes(document, testFacts(), {
    scenes: promotion.scenes,
    sheet: scenes.map(({ slots }) => ({ slots: slots.map((slot) => ({ ...slot, fitted: null })) })),
    free: true,
  });
}
const dropping = (...scenes: readonly string[]): Promotion =>
  scenes.reduce((before, scene) => applyEdit(before, adjust("droppable", true, { target: { scene } })), testDocument());
const made = (document: Promotion, target: number) => {
  const shorter = shorterVersion(document, { target, pace });
  return "document" in shorter ? shorter : null;
};
const lengthOf = (document: Promotion): number => resolvePromotion(document, testFacts()).length;

test("a little shorter, all scenes stay and share the time; much shorter, those that may be left out go, the last first", () => {
  const document = dropping("product", "offer");
  expect(lengthOf(document)).toBe(15_000);
  const little = defined(made(document, 12_000));
  expect([little.leftOut, lengthOf(little.document)]).toEqual([[], 12_000]);
  const less = defined(made(document, 9000));
  expect([less.leftOut, lengthOf(less.document)]).toEqual([["offer"], 9000]);
  const least = defined(made(document, 6000));
  expect([least.leftOut, lengthOf(least.document)]).toEqual([["product", "offer"], 6000]);
  expect(least.document.adjustments["@all"]?.held).toBe(6000);
  expect(least.document.scenes).toEqual(document.scenes);
});

test("where even that is too long, it is told how long it must be and what holds it up", () => {
  const refused = shorterVersion(dropping("offer"), { target: 2000, pace });
  expect("outOfReach" in refused && refused.outOfReach.least).toBeGreaterThan(2000);
  expect("outOfReach" in refused && refused.outOfReach.heldUp.map(({ scene }) => scene)).not.toContain("offer");
});

test("whatever is asked, what is made lasts so long to the frame, every scene can be read, and only what may goes", () => {
  fc.assert(
    fc.property(
      fc.integer({ min: 3000, max: 14_900 }),
      fc.subarray(["hook", "product", "offer", "sign-off"]),
      (target, ids) => {
        const shorter = shorterVersion(dropping(...ids), { target, pace });
        if (!("document" in shorter)) {
          expect(shorter.outOfReach.least).toBeGreaterThan(target);
          return;
        }
        const scenes = pace(shorter.document);
        expect(lengthOfAll(scenes)).toBe(target);
        for (const { length, least } of scenes) expect(length).toBeGreaterThanOrEqual(Math.floor(least));
        for (const id of shorter.leftOut) expect(ids).toContain(id);
      },
    ),
    { numRuns: 40 },
  );
});

describe("a shorter version and the longer one", () => {
  const longer = { promotion: "00000000-0000-4000-8000-000000000099", revision: 3 };
  const base = dropping("offer");
  const shorter = (): Promotion => ({
    ...defined(made(base, 9000)).document,
    name: "Shorter",
    longer: { ...longer, revision: 1 },
  });
  const set = (document: Promotion, text: string): Promotion => ({
    ...document,
    fills: { ...document.fills, "hook.headline": { kind: "words", text } },
  });

  test("what was changed there comes in; what differs here stays: its lengths, what is left out, its name", () => {
    const own = shorter();
    const now = applyEdit(set(base, "New words"), adjust("length", millis(9000), { target: { scene: "hook" } }));
    const after = applyEdit(own, defined(takeOver(own, { base, now: { ...now, name: "Other" }, longer })));
    expect(after.fills["hook.headline"]).toEqual({ kind: "words", text: "New words" });
    expect(after.name).toBe("Shorter");
    expect(after.longer).toEqual(longer);
    expect(after.adjustments).toEqual(own.adjustments);
  });

  test("words that were changed in both stay as they are here; where nothing changed, nothing is done", () => {
    const own = shorter();
    const mine = set(own, "Mine");
    const edit = takeOver(mine, { base, now: set(base, "Theirs"), longer });
    expect(applyEdit(mine, defined(edit)).fills["hook.headline"]).toEqual({ kind: "words", text: "Mine" });
    expect(takeOver({ ...own, longer }, { base, now: base, longer })).toBeNull();
  });
});
