import { execa } from "execa";
import { LOOK_NAMES, lookChange } from "../../../core/grading/looks";
import { type Size } from "../../../core/geometry/rect";
import { applyTable, compileTable } from "../../../core/grading/lookupTable";
import { randomFrom } from "../../../core/testing/randomFrom";
import { openPixelFrames } from "./pixelFrames";

/** Planes of noise, of hard edges and of slow gradients, one below the other. @param spread how far from the middle they go */
function hardPlanes(width: number, height: number, spread: number): Uint8Array {
  const random = randomFrom(width * height);
  const plane = (columns: number, rows: number): number[] =>
    Array.from({ length: columns * rows }, (_, at) => {
      const [x, y] = [at % columns, Math.floor(at / columns)];
      const shares = [random(), (Math.floor(x / 5) + Math.floor(y / 3)) % 2, ((x + 2 * y) % 100) / 99];
      return Math.round(128 + spread * (2 * (shares[Math.floor((y * 3) / rows)] ?? 0) - 1));
    });
  const half = (): number[] => plane(width / 2, height / 2);
  return Uint8Array.from([...plane(width, height), ...half(), ...half()]);
}

/** What ffmpeg's scaler makes of the same planes. */
async function scaled(planes: Uint8Array, width: number, height: number): Promise<Uint8Array> {
  const raw = ["-f", "rawvideo", "-pix_fmt", "yuv420p", "-video_size", `${width}x${height}`, "-i", "pipe:0"];
  const scale = "scale=in_color_matrix=bt709:in_range=tv:out_range=pc:flags=bicubic+accurate_rnd+full_chroma_int";
  const out = ["-vf", scale, "-f", "rawvideo", "-pix_fmt", "rgba", "pipe:1"];
  const { stdout } = await execa("ffmpeg", ["-v", "error", ...raw, ...out], { input: planes, encoding: "buffer" });
  return stdout;
}

test.each([
  [64, 48],
  [1080, 54],
  [854, 30],
  [18, 20],
])("pixels of planes of %d × %d are those that ffmpeg's scaler makes, to one step of 255", async (width, height) => {
  // Within what its scaler does not clip on the way.
  const planes = hardPlanes(width, height, 60);
  const ours = (await openPixelFrames({ width, height })).pixelsOf(planes);
  const theirs = await scaled(planes, width, height);
  expect(ours).toHaveLength(width * height * 4);
  expect(theirs).toHaveLength(ours.length);
  // At a frame's edge its scaler gives what lies beyond another weight.
  const isInside = (pixel: number): boolean =>
    [
      pixel % width,
      width - 1 - (pixel % width),
      Math.floor(pixel / width),
      height - 1 - Math.floor(pixel / width),
    ].every((distance) => distance >= 4);
  let most = 0;
  ours.forEach((value, at) => {
    if (isInside(at >> 2)) most = Math.max(most, Math.abs(value - (theirs[at] ?? 999)));
  });
  expect(most).toBeLessThanOrEqual(1);
});

test("some rows are made as they are in the whole frame, and the others left", async () => {
  const [size, table] = [{ width: 48, height: 30 }, compileTable("tried", lookChange(LOOK_NAMES[0] ?? "ink", 1))];
  const planes = hardPlanes(size.width, size.height, 110);
  const whole = (await openPixelFrames(size, table)).pixelsOf(planes);
  const rows = (await openPixelFrames(size, table)).pixelsOf(planes, { from: 7, to: 20 });
  const [from, to] = [7 * 48 * 4, 20 * 48 * 4];
  expect(isSame(rows.subarray(from, to), whole.subarray(from, to))).toBe(true);
  expect(new Set([...rows.subarray(0, from), ...rows.subarray(to)])).toEqual(new Set([0]));
});

test("beyond its edges a frame goes on as it ends", async () => {
  const [width, height, more] = [48, 30, 8];
  const planes = hardPlanes(width, height, 110);
  const pixels = (await openPixelFrames({ width, height })).pixelsOf(planes);
  const larger = { width: width + 2 * more, height: height + 2 * more };
  const wider = (await openPixelFrames(larger)).pixelsOf(extended(planes, { width, height }, more));
  for (let y = 0; y < height; y++) {
    const from = ((y + more) * larger.width + more) * 4;
    expect(isSame(pixels.subarray(y * width * 4, (y + 1) * width * 4), wider.subarray(from, from + width * 4))).toBe(
      true,
    );
  }
});

/** Planes with so many pixels more on every side, each as the one at the edge. */
function extended(planes: Uint8Array, { width, height }: Size, more: number): Uint8Array {
  const within = (at: number, length: number): number => Math.max(0, Math.min(length - 1, at));
  const plane = (start: number, columns: number, rows: number, by: number): number[] =>
    Array.from({ length: (columns + 2 * by) * (rows + 2 * by) }, (_, at) => {
      const x = within((at % (columns + 2 * by)) - by, columns);
      const y = within(Math.floor(at / (columns + 2 * by)) - by, rows);
      return planes[start + y * columns + x] ?? 0;
    });
  const [all, part] = [width * height, (width * height) / 4];
  const half = (start: number): number[] => plane(start, width / 2, height / 2, more / 2);
  return Uint8Array.from([...plane(0, width, height, more), ...half(all), ...half(all + part)]);
}

/** ITU-R BT.709-6, 3.4: 16 is black, 235 white, 128 without colour; beyond that there is nothing. */
test.each([
  ["black", [16, 128, 128], [0, 0, 0]],
  ["white", [235, 128, 128], [255, 255, 255]],
  ["red", [63, 102, 240], [255, 1, 0]],
  ["blue", [32, 240, 118], [1, 0, 255]],
  ["blacker than black", [1, 128, 128], [0, 0, 0]],
  ["whiter than white", [254, 128, 128], [255, 255, 255]],
])("the levels of %s are those of the recommendation", async (_, [y = 0, u = 0, v = 0], color) => {
  const planes = Uint8Array.from({ length: 16 * 4 * 1.5 }, (_value, at) => (at < 64 ? y : at < 80 ? u : v));
  const pixels = (await openPixelFrames({ width: 16, height: 4 })).pixelsOf(planes);
  const [first, last] = [pixels.subarray(0, 4), pixels.subarray(-4)];
  expect(first).toEqual(last);
  color.forEach((channel, at) => expect(Math.abs((first[at] ?? 0) - channel)).toBeLessThanOrEqual(1));
  expect(first[3]).toBe(255);
});

const isSame = (one: Uint8ClampedArray, other: Uint8ClampedArray): boolean =>
  Buffer.from(one.buffer, one.byteOffset, one.length).equals(Buffer.from(other.buffer, other.byteOffset, other.length));

test.each([LOOK_NAMES[0], LOOK_NAMES.at(-1)])(
  "the table of “%s” gives the very bytes that proofs have",
  async (name) => {
    if (!name) throw new Error("There is no look.");
    const [size, table] = [{ width: 160, height: 120 }, compileTable(name, lookChange(name, 1))];
    const planes = hardPlanes(size.width, size.height, 110);
    const plain = (await openPixelFrames(size)).pixelsOf(planes);
    const expected = Uint8ClampedArray.from(plain);
    applyTable(expected, table);
    expect(isSame(expected, plain)).toBe(false);
    const tabled = (await openPixelFrames(size, table)).pixelsOf(planes);
    expect(isSame(tabled, expected)).toBe(true);
  },
);

test("sizes without a half are refused", async () => {
  await expect(openPixelFrames({ width: 16, height: 3 })).rejects.toThrow("no planes of half the size");
});
