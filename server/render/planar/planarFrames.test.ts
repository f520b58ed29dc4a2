import { mkdtemp, readFile, rm } from "node:fs/promises";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { execa } from "execa";
import { rect } from "../../../core/geometry/rect";
import { randomFrom } from "../../../core/testing/randomFrom";
import { NEIGHBOURS, openPlanarFrames, wholeFrame } from "./planarFrames";

/** A frame of what is hard: noise, flat colours with hard edges, and a slow gradient, with full alpha. */
function hardFrame(width: number, height: number): Uint8Array {
  const random = randomFrom(width * height);
  const rgba = new Uint8Array(width * height * 4);
  const flat = [255, 0, 0, 0, 255, 0, 0, 0, 255, 255, 255, 255, 0, 0, 0];
  for (let y = 0; y < height; y++)
    for (let x = 0; x < width; x++) {
      const at = (y * width + x) * 4;
      const part = Math.floor((y * 3) / height);
      const color = (Math.floor(x / 7) + Math.floor(y / 5)) % 5;
      for (let channel = 0; channel < 3; channel++)
        rgba[at + channel] = [
          Math.floor(random() * 256),
          flat[color * 3 + channel] ?? 0,
          (((x + y) * (channel + 1)) >> 2) & 255,
        ][part] as number;
      rgba[at + 3] = 255;
    }
  return rgba;
}

/** What ffmpeg's scaler makes of the same pixels. */
async function scaled(rgba: Uint8Array, width: number, height: number): Promise<Uint8Array> {
  const raw = ["-f", "rawvideo", "-pix_fmt", "rgba", "-video_size", `${width}x${height}`, "-i", "pipe:0"];
  const scale = "scale=out_color_matrix=bt709:out_range=tv:flags=bicubic+accurate_rnd+full_chroma_int,format=yuv420p";
  const { stdout } = await execa("ffmpeg", ["-v", "error", ...raw, "-vf", scale, "-f", "rawvideo", "pipe:1"], {
    input: rgba,
    encoding: "buffer",
  });
  return stdout;
}

async function planesOf(rgba: Uint8Array, width: number, height: number): Promise<Uint8Array> {
  const frames = await openPlanarFrames({ width, height });
  frames.change(wholeFrame(rgba, { width, height }));
  return frames.planes;
}

test.each([
  [64, 48],
  [1080, 54],
  [854, 30],
  [18, 20],
])("planes of %d × %d are those that ffmpeg's scaler makes, to one step of 255", async (width, height) => {
  const rgba = hardFrame(width, height);
  const ours = await planesOf(rgba, width, height);
  const theirs = await scaled(rgba, width, height);
  expect(ours).toHaveLength(width * height * 1.5);
  expect(theirs).toHaveLength(ours.length);
  let most = 0;
  ours.forEach((value, at) => (most = Math.max(most, Math.abs(value - (theirs[at] ?? 999)))));
  expect(most).toBeLessThanOrEqual(1);
});

/** ITU-R BT.709-6, 3.4: black is 16, white 235; without colour, 128. And red as the formulas of 3.2 and 3.3 give it. */
test.each([
  ["black", [0, 0, 0], [16, 128, 128]],
  ["white", [255, 255, 255], [235, 128, 128]],
  ["red", [255, 0, 0], [63, 102, 240]],
  ["blue", [0, 0, 255], [32, 240, 118]],
])("%s has the levels of the recommendation", async (_, color, levels) => {
  const rgba = Uint8Array.from({ length: 16 * 4 * 4 }, (_value, at) => [...color, 255][at % 4] ?? 0);
  const planes = await planesOf(rgba, 16, 4);
  expect([planes[0], planes[63], planes[64], planes[79], planes[80], planes[95]]).toEqual(
    levels.flatMap((level) => [level, level]),
  );
});

test.each([
  [0, 2],
  [1, 2],
  [7, 8],
  [10, 21],
  [20, 21],
  [59, 60],
])("rows %d to %d set anew leave the planes of the frame as it is then", async (from, to) => {
  const [width, height] = [64, 60];
  const before = hardFrame(width, height);
  const now = Uint8Array.from(before);
  for (let at = from * width * 4; at < to * width * 4; at++) if (at % 4 !== 3) now[at] = 255 - (now[at] ?? 0);
  const frames = await openPlanarFrames({ width, height });
  frames.change(wholeFrame(before, { width, height }));
  const [first, end] = [Math.max(0, from - NEIGHBOURS), Math.min(height, to + NEIGHBOURS)];
  frames.change({ ...wholeFrame(now, { width, height }), place: rect(0, first, width, end - first) });
  const whole = await planesOf(now, width, height);
  expect(Buffer.compare(frames.planes, whole)).toBe(0);
  expect(Buffer.compare(whole, await planesOf(before, width, height))).not.toBe(0);
});

test.each([
  [0, 1],
  [3, 20],
  [16, 32],
  [31, 33],
  [40, 66],
  [65, 66],
])("columns %d to %d set anew leave the planes of the frame as it is then", async (from, to) => {
  const [width, height] = [66, 60];
  const [top, last] = [21, 40];
  const before = hardFrame(width, height);
  const now = Uint8Array.from(before);
  for (let y = top; y < last; y++)
    for (let at = (y * width + from) * 4; at < (y * width + to) * 4; at++)
      if (at % 4 !== 3) now[at] = 255 - (now[at] ?? 0);
  const frames = await openPlanarFrames({ width, height });
  frames.change(wholeFrame(before, { width, height }));
  // As columns that are not set may be anything, so that nothing is taken from there.
  const elsewhere = Uint8Array.from(now, (value, at) => {
    const x = Math.floor(at / 4) % width;
    return x >= from - 16 && x < to + 16 ? value : 77;
  });
  const place = rect(from, top - NEIGHBOURS, to - from, last - top + 2 * NEIGHBOURS);
  frames.change({ ...wholeFrame(elsewhere, { width, height }), place });
  const whole = await planesOf(now, width, height);
  expect(Buffer.compare(frames.planes, whole)).toBe(0);
  expect(Buffer.compare(whole, await planesOf(before, width, height))).not.toBe(0);
});

test("sizes without a half are refused", async () => {
  await expect(openPlanarFrames({ width: 15, height: 2 })).rejects.toThrow("no planes of half the size");
});

test("the compiled module is what its source compiles to", async () => {
  const folder = await mkdtemp(join(tmpdir(), "stencilcraft-unit-"));
  try {
    const { scripts } = JSON.parse(await readFile("package.json", "utf8")) as { scripts: { wasm: string } };
    const made = join(folder, "planar.wasm");
    const [, source = "", ...options] = scripts.wasm.split(" ");
    await execa("node_modules/.bin/asc", [
      source,
      ...options.map((option) => (option.endsWith(".wasm") ? made : option)),
    ]);
    expect((await readFile(made)).equals(await readFile("server/render/planar/planar.wasm"))).toBe(true);
  } finally {
    await rm(folder, { recursive: true });
  }
});
