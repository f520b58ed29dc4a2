import fc from "fast-check";
import { adjust, applyEdit, fillSlot } from "../document/edits";
import { mediaFill } from "../document/shots";
import { type Promotion } from "../document/promotion";
import { resolvePromotion } from "../document/resolve";
import { preparePromotion } from "../scene/preparePromotion";
import { sheetOf } from "../scene/proofSheet";
import { fontFilesWanted } from "../scene/wantedFiles";
import { openWanted, testBook } from "../testing/fonts";
import { CLIP_ID, PICTURE_ID, testClip, testDocument, testFacts } from "../testing/promotions";
import { freeLength, heldLength, holdLength, lengthOfAll, type Retimed, setSceneLength } from "./lengthEdits";
import { pacedScenes } from "./pacedScenes";

const book = testBook();
const facts = testFacts({ media: { ...testFacts().media, [CLIP_ID]: testClip({ frames: 90 }) } });
beforeAll(() => openWanted(book, () => fontFilesWanted(resolvePromotion(testDocument(), facts), book)));

/** How the scenes of a document are paced. */
function paced(document: Promotion, free = true) {
  const promotion = resolvePromotion(document, facts);
  const { scenes } = sheetOf(preparePromotion(promotion, "square", book));
  return pacedScenes(document, facts, { scenes: promotion.scenes, sheet: scenes, free });
}
const lengthOf = (document: Promotion): number => resolvePromotion(document, facts).length;
function changed(document: Promotion, retimed: Retimed): Promotion {
  if (!("edit" in retimed)) throw new Error(`The scenes last ${retimed.outOfReach.least} ms at least.`);
  return applyEdit(document, retimed.edit);
}

test("a scene is held up by the words that take longest, else by its joins; it is told how long it would be for them", () => {
  const document = testDocument();
  const [first, ...others] = paced(document);
  expect(lengthOfAll(paced(document))).toBe(lengthOf(document));
  expect(others.length).toBeGreaterThan(1);
  const words = "A headline of sixty-four letters that takes four and a half secs";
  expect(words).toHaveLength(64);
  const after = others[0]?.overlap ?? 0;
  const long = applyEdit(document, fillSlot("hook.headline", { kind: "words", text: words }));
  // Half a second to notice, 64 characters at 16 a second, and what it shares with the next.
  expect(paced(long)[0]).toMatchObject({ least: 4500 + after, heldUpBy: { kind: "words", text: words } });
  expect(paced(long)[0]?.forWords).toBe(Math.ceil((4500 / 0.9 + after) / 100) * 100);
  const silent = applyEdit(document, fillSlot("hook.headline", { kind: "words", text: "" }));
  expect(paced(silent)[0]).toMatchObject({ need: 0, forWords: null, heldUpBy: { kind: "joins" }, least: 2 * after });
  expect(first?.forClips).toBeNull();
});

test("a scene can be as long as what is used of its clip, at the speed it has", () => {
  const shot = { order: "a0", media: CLIP_ID, from: 30, speed: 0.5 };
  const document = applyEdit(testDocument(), fillSlot("hook.picture", { kind: "media", shots: { one: shot } }));
  // 60 frames of 30 a second at half the speed.
  expect(paced(document)[0]?.forClips).toBe(4000);
  const still = applyEdit(document, fillSlot("hook.picture", mediaFill(PICTURE_ID)));
  expect(paced(still)[0]?.forClips).toBeNull();
});

test("held to any length that can be, the promotion lasts exactly so, and every scene can still be read", () => {
  fc.assert(
    fc.property(fc.integer({ min: 4000, max: 90_000 }), (target) => {
      const document = testDocument();
      const held = holdLength(paced(document), target);
      if (!("edit" in held)) {
        expect(target).toBeLessThan(held.outOfReach.least);
        return;
      }
      const after = applyEdit(document, held.edit);
      expect([lengthOf(after), heldLength(after)]).toEqual([target, target]);
      for (const { length, least } of paced(after)) expect(length).toBeGreaterThanOrEqual(least);
    }),
    { numRuns: 40 },
  );
});

test("a length that can't be says the least that can, and what holds it up; that one can be", () => {
  const document = testDocument();
  const refused = holdLength(paced(document), 1000);
  if ("edit" in refused) throw new Error("Nothing can be read in a second.");
  const { least, heldUp } = refused.outOfReach;
  expect(heldUp.map(({ least: one }) => one)).toEqual(
    heldUp.map(({ least: one }) => one).sort((one, other) => other - one),
  );
  expect(heldUp[0]?.by.kind).toBe("words");
  expect(lengthOf(changed(document, holdLength(paced(document), least)))).toBe(least);
  expect(holdLength(paced(document), least - 1)).toHaveProperty("outOfReach");
});

test("held, a scene that is set takes from the others; free, it takes from nobody", () => {
  const document = changed(testDocument(), holdLength(paced(testDocument()), 15_000));
  const [first, second] = paced(document);
  const scene = second?.id ?? "";
  const longer = (first?.length ?? 0) + 1000;
  const set = { scene: first?.id ?? "", length: longer };
  const held = changed(document, setSceneLength(paced(document), { ...set, held: heldLength(document) }));
  expect([lengthOf(held), paced(held)[0]?.length]).toEqual([15_000, longer]);
  const free = applyEdit(document, freeLength());
  expect(heldLength(free)).toBeUndefined();
  const alone = changed(free, setSceneLength(paced(free), { ...set, held: undefined }));
  expect(lengthOf(alone)).toBe(16_000);
  expect(paced(alone).find(({ id }) => id === scene)?.length).toBe(second?.length);
  // More than the others can give is refused, and says so.
  expect(setSceneLength(paced(document), { ...set, length: 14_000, held: 15_000 })).toHaveProperty("outOfReach");
  // A scene is never so short that its joins would shrink: the sum would not hold.
  const least = changed(document, setSceneLength(paced(document), { ...set, length: 10, held: 15_000 }));
  expect([lengthOf(least), paced(least)[0]?.length]).toEqual([15_000, paced(least)[0]?.shortest]);
});

test("a scene that gives nothing way keeps its length; one that the template locks does so for whoever may not change it", () => {
  const document = testDocument();
  const [first] = paced(document);
  const still = applyEdit(document, adjust("gives", 0, { target: { scene: first?.id ?? "" } }));
  const shorter = changed(still, holdLength(paced(still), lengthOf(still) - 1000));
  expect(paced(shorter)[0]?.length).toBe(first?.length);
  expect(lengthOf(shorter)).toBe(lengthOf(still) - 1000);
});
