import fc from "fast-check";
import { shotOn, shotTrack } from "../scene/shotTrack";
import { CLIP_ID, PICTURE_ID, testClip, testDocument, testFacts, testPicture } from "../testing/promotions";
import { FPS_30 } from "../time/frames";
import { frameStart, ticksOf } from "../time/ticks";
import { millis } from "../units";
import { type CutSlot, addShot, changeCut, moveShot, slip, splitShot, takeOutShot } from "./cutEdits";
import { type Edit } from "./edit";
import { applyEdit, fillSlot } from "./edits";
import { type Promotion } from "./promotion";
import { resolvePromotion } from "./resolve";
import { type Shot, type ShotCut, mediaFill } from "./shots";

const SLOT = "hook.picture";
const facts = testFacts({
  media: {
    ...testFacts().media,
    [CLIP_ID]: testClip({ frames: 90, rate: FPS_30 }),
    [PICTURE_ID]: testPicture({ id: PICTURE_ID }),
  },
});
const withShot = (cut: ShotCut = {}): Promotion =>
  applyEdit(testDocument(), fillSlot(SLOT, { kind: "media", shots: { one: { order: "a0", media: CLIP_ID, ...cut } } }));
const cutSlot = (document: Promotion): CutSlot => ({
  slot: SLOT,
  shots: resolvePromotion(document, facts).scenes[0]?.shots["picture"] ?? [],
  fill: document.fills[SLOT],
});
const shotsOf = (document: Promotion): readonly (Omit<Shot, "order"> & { id: string })[] =>
  cutSlot(document).shots.map(({ id, media, cut }) => ({ id, media: media.id, ...cut }));
function after(document: Promotion, edit: (of: CutSlot) => Edit | null): Promotion {
  const made = edit(cutSlot(document));
  if (!made) throw new Error("There is no such edit.");
  return applyEdit(document, made);
}

test("a shot is cut in another way; the whole of its clip is said by saying nothing, and nothing lies outside it", () => {
  const fast = after(withShot(), (of) => changeCut(of, "one", { speed: 2, from: 10, to: 500 }));
  expect(shotsOf(fast)).toEqual([{ id: "one", media: CLIP_ID, speed: 2, from: 10 }]);
  const back = after(fast, (of) => changeCut(of, "one", { speed: null, from: 0, reversed: true, held: 200 }));
  expect(shotsOf(back)).toEqual([{ id: "one", media: CLIP_ID, reversed: true, held: 89 }]);
});

test("what a slot has from elsewhere becomes its own when it is cut", () => {
  const document = applyEdit(testDocument(), fillSlot(SLOT, null));
  const [shot] = cutSlot(document).shots;
  if (!shot) throw new Error("The template shows the product here.");
  const own = after(document, (of) => changeCut(of, shot.id, { length: millis(800) }));
  expect(own.fills[SLOT]).toMatchObject({ kind: "media", shots: { [shot.id]: { media: shot.media.id, length: 800 } } });
});

test("slipping shows other frames in the same time, as far as the clip goes", () => {
  const document = withShot({ from: 20, to: 50 });
  expect(shotsOf(after(document, (of) => slip(of, "one", 15)))).toMatchObject([{ from: 35, to: 65 }]);
  expect(shotsOf(after(document, (of) => slip(of, "one", 1000)))).toEqual([{ id: "one", media: CLIP_ID, from: 60 }]);
  expect(shotsOf(after(document, (of) => slip(of, "one", -1000)))).toEqual([{ id: "one", media: CLIP_ID, to: 30 }]);
  expect(slip(cutSlot(withShot()), "one", 5)).toBeNull();
});

test("wherever a shot is split, the two show what it showed, frame by frame", () => {
  const cuts = fc.record(
    {
      from: fc.nat(30),
      to: fc.integer({ min: 50, max: 90 }),
      speed: fc.constantFrom(0.5, 1, 2),
      endSpeed: fc.constantFrom(0.5, 1, 3),
      reversed: fc.constant(true as const),
    },
    { requiredKeys: [] },
  );
  fc.assert(
    fc.property(cuts, fc.nat(120), (cut, frame) => {
      const document = withShot(cut);
      const edit = splitShot(cutSlot(document), "one", (frame * 1000) / 30);
      if (!edit) return;
      const split = applyEdit(document, edit);
      expect(shotsOf(split)).toHaveLength(2);
      const shown = (of: Promotion): number[] => {
        const track = shotTrack(cutSlot(of).shots, 6000);
        return Array.from({ length: 180 }, (_, at) => shotOn(track, frameStart(at, FPS_30))?.frame ?? -1);
      };
      const [whole, halves] = [shown(document), shown(split)];
      // Where the speed changes, the cut lies on a frame of the clip and not between two.
      if (cut.endSpeed === undefined) expect(halves).toEqual(whole);
      else whole.forEach((one, at) => expect(Math.abs(one - (halves[at] ?? -1))).toBeLessThanOrEqual(3));
    }),
    { numRuns: 60 },
  );
});

test("what comes in by a join does so once: its second half follows at once, at the speed the first has come to", () => {
  const document = withShot({ speed: 1, endSpeed: 3, comesBy: "wipe", comesOver: millis(300), blended: true });
  const [first, second] = shotsOf(after(document, (of) => splitShot(of, "one", 750)));
  // 90 frames at 1 to 3 times last 1.5 s; in the middle it is 2.
  expect(first).toMatchObject({ speed: 1, endSpeed: 2, comesBy: "wipe", comesOver: 300, blended: true });
  expect(second).toMatchObject({ speed: 2, endSpeed: 3, blended: true });
  expect(second).not.toHaveProperty("comesBy");
});

test("a still is split in time; a shot is not split where it begins", () => {
  const still = applyEdit(testDocument(), fillSlot(SLOT, mediaFill(PICTURE_ID)));
  const id = cutSlot(still).shots[0]?.id ?? "";
  const [first, second] = shotsOf(after(still, (of) => splitShot(of, id, 700)));
  expect([first?.length, second?.length, second?.media]).toEqual([700, undefined, PICTURE_ID]);
  expect(splitShot(cutSlot(withShot()), "one", 0)).toBeNull();
  expect(splitShot(cutSlot(withShot()), "one", 5000)).toBeNull();
});

test("shots are added behind one, moved and taken out; the last one stays", () => {
  const picture = facts.media[PICTURE_ID];
  if (!picture) throw new Error("There is a picture.");
  const two = after(withShot(), (of) => addShot(of, "one", picture));
  expect(shotsOf(two).map(({ media }) => media)).toEqual([CLIP_ID, PICTURE_ID]);
  const [, added] = shotsOf(two);
  const moved = after(two, (of) => moveShot(of, added?.id ?? "", -1));
  expect(shotsOf(moved).map(({ media }) => media)).toEqual([PICTURE_ID, CLIP_ID]);
  expect(moveShot(cutSlot(moved), added?.id ?? "", -1)).toBeNull();
  const one = after(moved, (of) => takeOutShot(of, added?.id ?? ""));
  expect(shotsOf(one)).toEqual([{ id: "one", media: CLIP_ID }]);
  expect(takeOutShot(cutSlot(one), "one")).toBeNull();
  expect(shotTrack(cutSlot(two).shots, 4000).map(({ to }) => to)).toEqual([ticksOf(3000), ticksOf(4000)]);
});
