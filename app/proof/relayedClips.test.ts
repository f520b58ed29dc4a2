import { testClip } from "../../core/testing/promotions";
import { openRelayedClips } from "./relayedClips";

class TestBitmap {
  isClosed = false;
  constructor(readonly width = 64) {}
  readonly height = 36;
  close(): void {
    this.isClosed = true;
  }
}
const bitmap = (): ImageBitmap & TestBitmap => new TestBitmap();

test("frames are asked of the page once, and whoever waits for one goes on when it comes", async () => {
  const asked: [string, string, number][] = [];
  const relayed = openRelayedClips((...ask) => asked.push(ask));
  const clip = testClip({ frames: 90 });
  const one = relayed.open(clip, "hook.picture");
  expect(one.image()).toBeNull();
  const exact = one.exact(12);
  one.want(12);
  expect(asked).toEqual([["hook.picture", clip.id, 12]]);
  const [early, wanted] = [bitmap(), bitmap()];
  relayed.take("hook.picture", 11, early);
  expect(one.image()?.image).toBe(early);
  relayed.take("hook.picture", 12, wanted);
  await exact;
  expect(one.image()?.image).toBe(wanted);
  expect([early.isClosed, wanted.isClosed]).toEqual([true, false]);
  // It is here already, so nobody is asked again.
  await one.exact(12);
  expect(asked).toHaveLength(1);
  one.want(400);
  expect(asked.at(-1)?.[2]).toBe(89);
  one.close();
  expect(wanted.isClosed).toBe(true);
});

test("a frame that comes when nobody shows the clip any more is freed", () => {
  const relayed = openRelayedClips(() => undefined);
  const late = bitmap();
  relayed.take("gone", 3, late);
  expect(late.isClosed).toBe(true);
});
