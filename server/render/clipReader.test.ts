import { execFileSync } from "node:child_process";
import { mkdtemp, rm } from "node:fs/promises";
import { tmpdir } from "node:os";
import { join } from "node:path";
import sharp from "sharp";
import { writeFrame } from "../media/clipFrame";
import { runProgram } from "../media/program";
import { type ClipReader, readClip } from "./clipReader";

/** Frames are told apart by their grey, each brighter than the one before; ffmpeg reading straight through tells which is which. */
const RATE = { numerator: 25, denominator: 1 };
const FRAMES = 60;
let folder: string;
let clip: string;
let greys: number[];
const open = new Set<ClipReader>();

/** Makes a clip of such frames, with sound where a source of it is given. */
async function made(name: string, rate: string, ...sound: readonly string[]): Promise<string> {
  const path = join(folder, name);
  const [numerator = 25, denominator = 1] = rate.split("/").map(Number);
  const frames = `color=black:s=64x48:r=${rate}:d=${(FRAMES * denominator) / numerator}`;
  const brighter = "format=gray,geq=lum='10+4*N',scale=out_range=tv:out_color_matrix=bt709,format=yuv420p";
  const settings = ["-c:v", "libx264", "-crf", "8", "-g", "12", "-colorspace", "bt709"];
  await runProgram(
    "ffmpeg",
    ["-v", "error", "-f", "lavfi", "-i", frames, ...sound, "-vf", brighter, ...settings, path],
    { timeLimitMs: 60_000 },
  );
  return path;
}

beforeAll(async () => {
  folder = await mkdtemp(join(tmpdir(), "stencilcraft-unit-"));
  clip = await made("clip.mp4", "25");
  const raw = execFileSync(
    "ffmpeg",
    [
      "-v",
      "error",
      "-i",
      clip,
      "-vf",
      "scale=in_color_matrix=bt709:in_range=tv:out_range=pc:flags=bicubic+accurate_rnd+full_chroma_int",
      "-f",
      "rawvideo",
      "-pix_fmt",
      "rgba",
      "-",
    ],
    { maxBuffer: 1 << 26 },
  );
  greys = Array.from({ length: FRAMES }, (_unused, index) => raw[index * 64 * 48 * 4] ?? 0);
});
afterEach(() => {
  open.forEach((reader) => reader.stop());
  open.clear();
});
afterAll(() => rm(folder, { recursive: true }));

/** Greys are three steps apart or more: one step is what two ways to convert a colour may differ by. */
const frameNumber = (pixels: Uint8ClampedArray | null): number =>
  greys.findIndex((grey) => Math.abs(grey - (pixels?.[0] ?? -9)) <= 1);

function read(width = 64, height = 48): ClipReader {
  const reader = readClip({ path: clip, rate: RATE, frames: FRAMES, width, height });
  open.add(reader);
  return reader;
}

test("the frames of the clip can be told apart", () => {
  const steps = greys.slice(1).map((grey, at) => grey - (greys[at] ?? 0));
  expect(Math.min(...steps)).toBeGreaterThanOrEqual(3);
});

test.each([[0], [1], [11], [12], [13], [37], [59]])(
  "reading from frame %d begins with that very frame",
  async (first) => {
    const reader = read();
    expect(frameNumber(await reader.frame(first))).toBe(first);
  },
);

test("it does so too where a second has no whole number of frames, and beside sound; and a picture is of the frame", async () => {
  const rate = { numerator: 24_000, denominator: 1001 };
  const path = await made("film.mp4", "24000/1001", "-f", "lavfi", "-i", "sine=d=2");
  for (const first of [1, 11, 12, 13, 23, 24, 36, 47, 48, 59]) {
    const reader = readClip({ path, rate, frames: FRAMES, width: 64, height: 48 });
    open.add(reader);
    expect(frameNumber(await reader.frame(first))).toBe(first);
    const picture = join(folder, "frame.png");
    await writeFrame({ path, rate }, first, "scale=in_color_matrix=bt709:in_range=tv", picture);
    expect(frameNumber(Uint8ClampedArray.from(await sharp(picture).removeAlpha().raw().toBuffer()))).toBe(first);
  }
});

test("frames come in order, may be asked for twice, and may be skipped", async () => {
  const reader = read();
  const seen: number[] = [];
  for (const index of [5, 5, 6, 9, 9, 20, 40]) seen.push(frameNumber(await reader.frame(index)));
  expect(seen).toEqual([5, 5, 6, 9, 9, 20, 40]);
});

test("frames go back and forth: backwards through the whole clip, and in random order", async () => {
  const reader = read();
  for (let index = FRAMES - 1; index >= 0; index--) expect(frameNumber(await reader.frame(index))).toBe(index);
  const other = read();
  for (const index of [30, 29, 31, 2, 59, 58, 0, 57, 13, 12, 11, 12, 40]) {
    const pixels = await other.frame(index);
    expect(frameNumber(pixels)).toBe(index);
  }
});

test("after its end a clip can be gone back in", async () => {
  const reader = read();
  for (const index of [58, 500, 20, 59, 500, 3]) {
    const pixels = await reader.frame(index);
    expect(frameNumber(pixels)).toBe(Math.min(index, FRAMES - 1));
  }
});

test("of a clip that has fewer frames than is said of it the last is given", async () => {
  const reader = readClip({ path: clip, rate: RATE, frames: FRAMES + 20, width: 64, height: 48 });
  open.add(reader);
  expect(frameNumber(await reader.frame(50))).toBe(50);
  expect(frameNumber(await reader.frame(FRAMES + 10))).toBe(FRAMES - 1);
});

test("past the end the last frame is held", async () => {
  const reader = read();
  expect(frameNumber(await reader.frame(55))).toBe(55);
  expect(frameNumber(await reader.frame(500))).toBe(FRAMES - 1);
  expect(frameNumber(await reader.frame(501))).toBe(FRAMES - 1);
});

test("frames are decoded at the size asked for", async () => {
  const reader = read(32, 24);
  expect((await reader.frame(0))?.length).toBe(32 * 24 * 4);
});

test("of one frame other rows may be asked for afterwards", async () => {
  const reader = read();
  const whole = Uint8ClampedArray.from((await read().frame(20)) ?? []);
  const [upper, lower] = [
    { from: 4, to: 24 },
    { from: 20, to: 40 },
  ];
  const rowsOf = (pixels: Uint8ClampedArray | null, { from, to }: typeof upper): number[] =>
    [...(pixels ?? [])].slice(from * 64 * 4, to * 64 * 4);
  expect(rowsOf(await reader.frame(20, upper), upper)).toEqual(rowsOf(whole, upper));
  expect(rowsOf(await reader.frame(20, lower), lower)).toEqual(rowsOf(whole, lower));
  expect(frameNumber(await reader.frame(21))).toBe(21);
});
