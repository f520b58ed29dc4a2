import { testClip } from "../../core/testing/promotions";
import { type RelayedFrame, openRelayedClips } from "./relayedClips";

class TestBitmap {
  isClosed = false;
  constructor(readonly width = 64) {}
  readonly height = 36;
  close(): void {
    this.isClosed = true;
  }
}
const bitmap = (): ImageBitmap & TestBitmap => new TestBitmap();

const USE = "hook.picture";
const clip = testClip({ frames: 90 });
const frame = (number: number, exact: boolean, media = clip.id): RelayedFrame => ({
  use: USE,
  media,
  frame: number,
  exact,
});

test("frames are asked of the page once, and whoever waits for one goes on when it comes", async () => {
  const asked: RelayedFrame[] = [];
  const relayed = openRelayedClips((wanted) => asked.push(wanted));
  const one = relayed.open(clip, USE);
  expect(one.image()).toBeNull();
  const exact = one.exact(12);
  one.want(12);
  expect(asked).toEqual([frame(12, true)]);
  const [early, wanted] = [bitmap(), bitmap()];
  relayed.take(frame(11, true), early);
  expect(one.image()?.image).toBe(early);
  relayed.take(frame(12, true), wanted);
  await exact;
  expect(one.image()?.image).toBe(wanted);
  expect([early.isClosed, wanted.isClosed]).toEqual([true, false]);
  // It is here already, so nobody is asked again.
  await one.exact(12);
  expect(asked).toHaveLength(1);
  one.want(400);
  expect(asked.at(-1)?.frame).toBe(89);
  one.close();
  expect(wanted.isClosed).toBe(true);
});

test("what a playing video showed for a frame is not taken for that frame when playing stops there", async () => {
  const asked: RelayedFrame[] = [];
  const relayed = openRelayedClips((wanted) => asked.push(wanted));
  const one = relayed.open(clip, USE);
  one.want(40);
  relayed.take(frame(40, false), bitmap());
  let isThere = false;
  const exact = one.exact(40).then(() => {
    isThere = true;
  });
  expect(asked).toEqual([frame(40, false), frame(40, true)]);
  // What was on its way from the time of playing does not end the wait.
  relayed.take(frame(40, false), bitmap());
  await Promise.resolve();
  expect(isThere).toBe(false);
  relayed.take(frame(40, true), bitmap());
  await exact;
  expect(isThere).toBe(true);
});

test("a use that shows another clip now takes that one's frames only, also when the one before is let go of after", async () => {
  const other = testClip({ id: "c0ffee00-0000-4000-8000-000000000001", frames: 90 });
  const relayed = openRelayedClips(() => undefined);
  const before = relayed.open(clip, USE);
  const now = relayed.open(other, USE);
  const exact = now.exact(5);
  before.close();
  const [late, right] = [bitmap(), bitmap()];
  relayed.take(frame(5, true), late);
  expect([late.isClosed, now.image()]).toEqual([true, null]);
  relayed.take(frame(5, true, other.id), right);
  await exact;
  expect(now.image()?.image).toBe(right);
});

test("a frame that comes when nobody shows the clip any more is freed", () => {
  const relayed = openRelayedClips(() => undefined);
  const late = bitmap();
  relayed.take(frame(3, true), late);
  expect(late.isClosed).toBe(true);
});
