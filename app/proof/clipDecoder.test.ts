import { jest } from "@jest/globals";
import { testClip } from "../../core/testing/promotions";
import { type ClipDecoder } from "./clipDecoder";

/** A proxy of 40 frames at 25 a second with groups of 8, decoded as the real one is: in order, from a group's start. */
const FRAMES = 40;
const RATE = { numerator: 25, denominator: 1 };
const GROUP = 8;

class TestFrame {
  static open = 0;
  isClosed = false;
  readonly displayWidth = 64;
  readonly displayHeight = 36;
  constructor(readonly index: number) {
    TestFrame.open++;
  }
  close(): void {
    if (!this.isClosed) TestFrame.open--;
    this.isClosed = true;
  }
}
/** How many frames came out of the decoder, and how often it was started. */
const did = { decoded: 0, starts: 0 };
/** How many frames the file really has. */
let inFile = FRAMES;

jest.unstable_mockModule("mediabunny", () => ({
  MP4: {},
  UrlSource: class {
    readonly kind = "url";
  },
  Input: class {
    getPrimaryVideoTrack = (): Promise<object> => Promise.resolve({});
    dispose = (): void => undefined;
  },
  VideoSampleSink: class {
    async *samples(start: number): AsyncGenerator<object> {
      did.starts++;
      const first = Math.floor(start * 25);
      did.decoded += first % GROUP;
      for (let index = first; index < inFile; index++) {
        await Promise.resolve();
        did.decoded++;
        yield { timestamp: index / 25, toVideoFrame: () => new TestFrame(index), close: () => undefined };
      }
    }
  },
}));
Object.assign(globalThis, { location: { origin: "http://app.test" } });
const { openClipDecoder } = await import("./clipDecoder");

const open = new Set<ClipDecoder>();
function decoder(): ClipDecoder {
  const opened = openClipDecoder(testClip({ frames: FRAMES, rate: RATE }));
  open.add(opened);
  return opened;
}
const numberOf = (one: ClipDecoder): number | null =>
  (one.image()?.image as unknown as TestFrame | undefined)?.index ?? null;

beforeEach(() => {
  Object.assign(did, { decoded: 0, starts: 0 });
  inFile = FRAMES;
});
afterEach(() => {
  for (const one of open) one.close();
  open.clear();
  // Whatever was done, no frame is left open: browsers run out of them.
  expect(TestFrame.open).toBe(0);
});

test("the frame that is asked for is the one that is shown, wherever one goes", async () => {
  const clip = decoder();
  expect(clip.image()).toBeNull();
  for (const frame of [0, 1, 2, 30, 29, 28, 31, 39, 0, 17, 16, 15, 14, 8, 7, 33]) {
    await clip.exact(frame);
    expect(numberOf(clip)).toBe(frame);
  }
});

test("played in order, each frame is decoded once, and few are kept open", async () => {
  const clip = decoder();
  for (let frame = 0; frame < FRAMES; frame++) {
    await clip.exact(frame);
    expect(numberOf(clip)).toBe(frame);
    expect(TestFrame.open).toBeLessThanOrEqual(16);
  }
  expect(did).toEqual({ decoded: FRAMES, starts: 1 });
});

test("played backwards, a group is decoded once for all of its frames", async () => {
  const clip = decoder();
  for (let frame = FRAMES - 1; frame >= 0; frame--) {
    await clip.exact(frame);
    expect(numberOf(clip)).toBe(frame);
  }
  expect(did.starts).toBeLessThanOrEqual(FRAMES / GROUP + 1);
});

test("while it plays nobody waits: until a frame is here, the one before it is shown, never a later one", async () => {
  const clip = decoder();
  await clip.exact(4);
  clip.want(20);
  expect(numberOf(clip)).toBeLessThanOrEqual(20);
  await clip.exact(20);
  expect(numberOf(clip)).toBe(20);
});

test("past the last frame the last is shown; of a file that ends early, its own last, and nobody waits for ever", async () => {
  const clip = decoder();
  await clip.exact(500);
  expect(numberOf(clip)).toBe(FRAMES - 1);
  inFile = 30;
  const short = decoder();
  await short.exact(28);
  await short.exact(35);
  expect(numberOf(short)).toBe(29);
});

test("who is overtaken by another wish still gets an answer when it is closed", async () => {
  const clip = decoder();
  const first = clip.exact(10);
  clip.close();
  await expect(first).resolves.toBeUndefined();
});

test("a decoder that is late while it plays is waited for, not begun anew; what is shown is known to be old", async () => {
  const clip = decoder();
  clip.want(0);
  for (const frame of [7, 14, 21]) clip.want(frame);
  expect(did.starts).toBeLessThanOrEqual(1);
  expect(clip.isNear(21)).toBe(false);
  while (!clip.isNear(21)) await new Promise((resolve) => setImmediate(resolve));
  expect(numberOf(clip)).toBeGreaterThanOrEqual(20);
  expect(did.starts).toBe(1);
  // A seek as far ahead begins where it is wanted.
  await clip.exact(39);
  expect(numberOf(clip)).toBe(39);
  expect(did.starts).toBe(2);
});
