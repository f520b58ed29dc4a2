import { execFileSync } from "node:child_process";
import { mkdtemp, rm } from "node:fs/promises";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { runProgram } from "../media/program";
import { type ClipReader, readClip } from "./clipReader";

/** Frames are told apart by their grey, each brighter than the one before; ffmpeg reading straight through tells which is which. */
const RATE = { numerator: 25, denominator: 1 };
const FRAMES = 60;
let folder: string;
let clip: string;
let greys: number[];
const open = new Set<ClipReader>();
beforeAll(async () => {
  folder = await mkdtemp(join(tmpdir(), "stencilcraft-unit-"));
  clip = join(folder, "clip.mp4");
  await runProgram(
    "ffmpeg",
    [
      "-v",
      "error",
      "-f",
      "lavfi",
      "-i",
      `color=black:s=64x48:r=25:d=${FRAMES / 25}`,
      "-vf",
      "format=gray,geq=lum='20+3*N',scale=out_range=tv:out_color_matrix=bt709,format=yuv420p",
      "-c:v",
      "libx264",
      "-crf",
      "8",
      "-g",
      "12",
      "-colorspace",
      "bt709",
      clip,
    ],
    { timeLimitMs: 60_000 },
  );
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

const frameNumber = (pixels: Uint8ClampedArray | null): number => greys.indexOf(pixels?.[0] ?? -1);

function read(first: number, width = 64, height = 48): ClipReader {
  const reader = readClip(clip, RATE, first, width, height);
  open.add(reader);
  return reader;
}

test("the frames of the clip can be told apart", () => expect(new Set(greys).size).toBe(FRAMES));

test.each([[0], [1], [11], [12], [13], [37], [59]])(
  "reading from frame %d begins with that very frame",
  async (first) => {
    const reader = read(first);
    expect(frameNumber(await reader.frame(first))).toBe(first);
  },
);

test("frames come in order, may be asked for twice, and may be skipped", async () => {
  const reader = read(5);
  const seen: number[] = [];
  for (const index of [5, 5, 6, 9, 9, 20, 40]) seen.push(frameNumber(await reader.frame(index)));
  expect(seen).toEqual([5, 5, 6, 9, 9, 20, 40]);
});

test("past the end the last frame is held", async () => {
  const reader = read(55);
  expect(frameNumber(await reader.frame(500))).toBe(FRAMES - 1);
  expect(frameNumber(await reader.frame(501))).toBe(FRAMES - 1);
});

test("frames are decoded at the size asked for", async () => {
  const reader = read(0, 32, 24);
  expect((await reader.frame(0))?.length).toBe(32 * 24 * 4);
});
