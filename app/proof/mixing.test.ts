import { jest } from "@jest/globals";
import { type Mix } from "../../core/sound/mixedPiece";
import { ticksOf } from "../../core/time/ticks";
import { openMixing } from "./mixing";
import { AS_MIXED } from "../../core/sound/finish";

/** Two seconds of a sound: the first at half of full scale, the second at a quarter. */
const SECOND = 48_000;
const kept = new Uint8Array(new Int16Array(4 * SECOND).fill(16_384).fill(8192, 2 * SECOND).buffer);
const ranges: string[] = [];
let isBroken = false;
Object.assign(globalThis, {
  fetch: jest.fn((address: string, { headers }: { headers: { range: string } }) => {
    ranges.push(`${address} ${headers.range}`);
    const [, from, to] = /^bytes=(\d+)-(\d*)$/.exec(headers.range) ?? [];
    if (isBroken) return Promise.reject(new TypeError("Failed to fetch"));
    if (address.includes("refused")) return Promise.resolve(new Response("No.", { status: 404 }));
    return Promise.resolve(new Response(kept.slice(Number(from), to ? Number(to) + 1 : undefined), { status: 206 }));
  }),
});
beforeEach(() => {
  ranges.length = 0;
  isBroken = false;
});

/** A sound from a second of it on, in seconds. */
const mix = (sound: string, position: number, lasts: number, length = 2): Mix => ({
  track: [
    {
      from: ticksOf(0),
      to: ticksOf(lasts * 1000),
      what: {
        sound,
        position: position * SECOND,
        speed: 1,
        used: { from: 0, to: null },
        isLooped: false,
        levels: [
          { at: 0, level: 1 },
          { at: lasts * SECOND, level: 1 },
        ],
      },
    },
  ],
  length: length * 1000,
  finish: AS_MIXED,
});
const mixing = () => openMixing(({ sound }) => `/${sound}`);

test("all of a promotion is mixed, of which no more is fetched than is heard, and once", async () => {
  const sound = mixing();
  const {
    whole: { left, right },
    ended,
  } = await sound.mixed(mix("tune", 0.5, 1));
  expect(ended).toBe(1);
  expect(left).toHaveLength(2 * SECOND);
  expect([left[0], left[SECOND / 2 - 1], left[SECOND / 2], left[SECOND - 1], left[SECOND]]).toEqual([
    0.5, 0.5, 0.25, 0.25, 0,
  ]);
  expect(right).toEqual(left);
  expect(ranges).toEqual([`/tune bytes=${2 * SECOND}-${6 * SECOND + 3}`]);
  // Part of what is there already.
  await sound.mixed(mix("tune", 0.7, 0.5));
  expect(ranges).toHaveLength(1);
  await sound.mixed(mix("tune", 0, 2));
  expect(ranges).toHaveLength(2);
});

test("a sound that can't be fetched is silent, and asked for again the next time", async () => {
  const sound = mixing();
  expect(Math.max(...(await sound.mixed(mix("refused", 0, 1))).whole.left)).toBe(0);
  isBroken = true;
  expect(Math.max(...(await sound.mixed(mix("tune", 0, 1))).whole.left)).toBe(0);
  isBroken = false;
  expect((await sound.mixed(mix("tune", 0, 1))).whole.left[0]).toBe(0.5);
});
