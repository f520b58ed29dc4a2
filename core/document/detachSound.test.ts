import { defined } from "../testing/defined";
import { CLIP_ID, testClip, testDocument, testFacts, testPicture } from "../testing/promotions";
import { levelAt } from "../sound/mixedPiece";
import { msOf, ticksOf } from "../time/ticks";
import { detachSound, heardSlots } from "./detachSound";
import { type Edit } from "./edit";
import { adjust, applyEdit, fillSlot } from "./edits";
import { heardMedia } from "./heardMedia";
import { MOST_SOUND_PIECES } from "./lanes";
import { type Promotion } from "./promotion";
import { resolvePromotion } from "./resolve";
import { mediaFill } from "./shots";

const facts = () => {
  const known = testFacts();
  return { ...known, media: { ...known.media, [CLIP_ID]: testClip({ id: CLIP_ID, frames: 180, hasSound: true }) } };
};
const PICTURE = { scene: "hook", slot: "picture" };
const shown = (...edits: readonly Edit[]): Promotion =>
  [fillSlot("hook.picture", mediaFill(CLIP_ID)), ...edits].reduce(applyEdit, { ...testDocument(), lanes: {} });
const resolved = (document: Promotion) => resolvePromotion(document, facts());

test("a clip’s sound becomes a piece where it was, from where it was cut and as loud; the clip is silent", () => {
  const before = shown(adjust("clipLevel", 0.5, { target: PICTURE }));
  const [heard, ...others] = heardSlots(resolved(before));
  expect(others).toEqual([]);
  const [was] = defined(heard).spans;
  const after = applyEdit(before, defined(detachSound(before, resolved(before), defined(heard))));
  expect(heardSlots(resolved(after))).toEqual([]);
  const { track } = resolved(after).mix;
  expect(track).toHaveLength(1);
  const [is] = track;
  expect([msOf(defined(is).from), msOf(defined(is).to)]).toEqual([msOf(defined(was).from), msOf(defined(was).to)]);
  expect(is?.what).toMatchObject({ piece: "detached", sound: CLIP_ID, position: was?.what.position });
  // In its middle: at its ends a clip fades with its scene.
  expect(levelAt(defined(is), ticksOf(1000))).toBeCloseTo(levelAt(defined(was), ticksOf(1000)), 2);
  expect(after.lanes["detached"]).toMatchObject({ lane: "effects", gain: -6.02 });
});

test("what is slowed stays with its picture, and so does what there is no room for", () => {
  const slowed = shown();
  const fill = mediaFill(CLIP_ID);
  const shots = Object.fromEntries(Object.entries(fill.shots).map(([id, shot]) => [id, { ...shot, speed: 0.5 }]));
  const slow = applyEdit(slowed, fillSlot("hook.picture", { ...fill, shots }));
  expect(detachSound(slow, resolved(slow), defined(heardSlots(resolved(slow))[0]))).toBeNull();

  const full = {
    ...slowed,
    lanes: Object.fromEntries(
      Array.from({ length: MOST_SOUND_PIECES }, (_, at) => [
        `piece-${at}`,
        { order: `a${at}`, lane: "effects" as const, media: CLIP_ID, muted: true as const },
      ]),
    ),
  };
  expect(detachSound(full, resolved(full), defined(heardSlots(resolved(full))[0]))).toBeNull();
});

test("a sound and a clip with sound can be heard, a picture and a silent clip can’t", () => {
  expect(heardMedia(testPicture())).toBeNull();
  expect(heardMedia(undefined)).toBeNull();
  expect(heardMedia(testClip({ hasSound: false }))).toBeNull();
  expect(heardMedia(testClip({ id: "c", frames: 90, hasSound: true }))).toMatchObject({ id: "c", length: 3000 });
});
