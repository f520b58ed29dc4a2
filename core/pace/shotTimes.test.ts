import { type CutSlot } from "../document/cutEdits";
import { applyEdit, fillSlot } from "../document/edits";
import { type Promotion } from "../document/promotion";
import { resolvePromotion } from "../document/resolve";
import { type ShotCut } from "../document/shots";
import { CLIP_ID, testClip, testDocument, testFacts } from "../testing/promotions";
import { defined } from "../testing/defined";
import { FPS_30 } from "../time/frames";
import { millis } from "../units";
import { type Keeps, type ShotTiming, type Speeds, type TimedShot, withLength, withSpeeds } from "./shotTimes";

const SLOT = "hook.picture";
const facts = testFacts({ media: { ...testFacts().media, [CLIP_ID]: testClip({ frames: 90, rate: FPS_30 }) } });
const slotWith = (...cuts: readonly ShotCut[]): Promotion =>
  applyEdit(
    testDocument(),
    fillSlot(SLOT, {
      kind: "media",
      shots: Object.fromEntries(cuts.map((cut, at) => [`s-${at}`, { order: `a${at}`, media: CLIP_ID, ...cut }])),
    }),
  );
function timed(document: Promotion, at: number, onScreen: number): TimedShot {
  const shots = defined(resolvePromotion(document, facts).scenes[0]).shots["picture"] ?? [];
  const of: CutSlot = { slot: SLOT, shots, fill: document.fills[SLOT] };
  return { of, shot: defined(shots[at]), onScreen, sceneLength: 4000 };
}
const cutAfter = (document: Promotion, { cut }: ShotTiming, id: string): unknown => {
  const fill = applyEdit(document, cut).fills[SLOT];
  return fill?.kind === "media" ? fill.shots[id] : null;
};
const both = (speed: number): Speeds => ({ first: speed, last: speed });

test("the last shot of a slot: its length stays and less of the clip is seen, or all of it is and the scene is longer", () => {
  const document = slotWith({ from: 10, to: 70 });
  const change = (speeds: Speeds, keeps: Keeps) => withSpeeds(timed(document, 0, 2000), speeds, keeps);
  const stays = change(both(0.5), "length");
  expect(stays.sceneLength).toBeNull();
  expect(cutAfter(document, stays, "s-0")).toEqual({ order: "a0", media: CLIP_ID, from: 10, to: 70, speed: 0.5 });
  // At a speed that changes half of it passes, from slow to fast, in the time there is.
  const ramp = change({ first: 0.25, last: 0.75 }, "length");
  expect(cutAfter(document, ramp, "s-0")).toMatchObject({ from: 10, to: 40, speed: 0.25, endSpeed: 0.75 });
  // Faster, more of it is needed.
  expect(cutAfter(document, change(both(1.2), "length"), "s-0")).toMatchObject({ from: 10, to: 82 });
  const follows = change(both(0.5), "used");
  expect(follows.sceneLength).toBe(6000);
  expect(cutAfter(document, follows, "s-0")).toEqual({ order: "a0", media: CLIP_ID, from: 10, to: 70, speed: 0.5 });
  // Faster than the clip is long: all there is of it.
  expect(cutAfter(document, change(both(4), "length"), "s-0")).toMatchObject({ from: 10, speed: 4 });
  // Back at its own speed it says nothing of it.
  expect(cutAfter(document, change(both(1), "used"), "s-0")).toEqual({ order: "a0", media: CLIP_ID, from: 10, to: 70 });
});

test("one before others: its own length stays or follows, the scene's does not change", () => {
  const document = slotWith({ to: 60 }, {});
  const stays = withSpeeds(timed(document, 0, 2000), both(0.75), "length");
  expect([stays.sceneLength, cutAfter(document, stays, "s-0")]).toEqual([
    null,
    { order: "a0", media: CLIP_ID, to: 60, speed: 0.75, length: 2000 },
  ]);
  const held = slotWith({ to: 60, length: millis(2000) }, {});
  const follows = withSpeeds(timed(held, 0, 2000), both(0.5), "used");
  expect([follows.sceneLength, cutAfter(held, follows, "s-0")]).toEqual([
    null,
    { order: "a0", media: CLIP_ID, to: 60, speed: 0.5 },
  ]);
});

test("from slow to fast in the same time as much is used as passes; backwards from its end", () => {
  const document = slotWith({ from: 30, reversed: true });
  const made = withSpeeds(timed(document, 0, 1000), { first: 0.5, last: 1.5 }, "length");
  expect(cutAfter(document, made, "s-0")).toEqual({
    order: "a0",
    media: CLIP_ID,
    from: 60,
    reversed: true,
    speed: 0.5,
    endSpeed: 1.5,
  });
});

test("a length is typed: of the last it is its scene's, of others their own, between the least and a minute", () => {
  const document = slotWith({ to: 30 }, { to: 60 });
  expect(withLength(timed(document, 1, 3000), 2500).sceneLength).toBe(3500);
  const first = withLength(timed(document, 0, 1000), 10);
  expect([first.sceneLength, cutAfter(document, first, "s-0")]).toEqual([
    null,
    { order: "a0", media: CLIP_ID, to: 30, length: 40 },
  ]);
});
