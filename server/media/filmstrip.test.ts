import { mkdtemp, rm } from "node:fs/promises";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { execa } from "execa";
import sharp from "sharp";
import { STRIP_FRAMES, stripFrame } from "../../core/picture/filmstrip";
import { proxyKey } from "../storage/keys";
import { store } from "../storage/store";
import { stripPath } from "./filmstrip";

test("a filmstrip's frames stand for even stretches of a clip, of a short one some twice", () => {
  const of = (frames: number): number[] =>
    Array.from({ length: STRIP_FRAMES }, (_, index) => stripFrame(index, frames));
  expect(of(120)).toEqual([5, 15, 25, 35, 45, 55, 65, 75, 85, 95, 105, 115]);
  expect(of(3)).toEqual([0, 0, 0, 0, 1, 1, 1, 1, 2, 2, 2, 2]);
  expect(of(1)).toEqual(Array.from({ length: STRIP_FRAMES }, () => 0));
});

test.each([
  [60, "640x360"],
  [4, "360x640"],
])("a strip of a clip of %i frames at %s shows what the clip shows there, a square a frame", async (frames, size) => {
  const folder = await mkdtemp(join(tmpdir(), "stencilcraft-test-"));
  try {
    const sha256 = frames.toString(16).padStart(64, "f");
    const clip = join(folder, "clip.mp4");
    // Red for the first half, blue for the second.
    const half = frames / 60;
    await execa("ffmpeg", [
      ...["-v", "error", "-f", "lavfi", "-i", `color=c=red:s=${size}:r=30:d=${half}`],
      ...["-f", "lavfi", "-i", `color=c=blue:s=${size}:r=30:d=${half}`],
      ...["-filter_complex", "concat=n=2", "-pix_fmt", "yuv420p", "-c:v", "libx264", clip],
    ]);
    await store().keep(proxyKey(sha256), clip);
    const { data, info } = await sharp(await stripPath({ frames }, sha256))
      .removeAlpha()
      .raw()
      .toBuffer({ resolveWithObject: true });
    expect(info.width / info.height).toBe(STRIP_FRAMES);
    const isRed = Array.from({ length: STRIP_FRAMES }, (_, index) => {
      const at = (Math.floor(info.height / 2) * info.width + Math.floor((index + 0.5) * info.height)) * 3;
      return (data[at] ?? 0) > (data[at + 2] ?? 0);
    });
    expect(isRed).toEqual(Array.from({ length: STRIP_FRAMES }, (_, index) => index < STRIP_FRAMES / 2));
  } finally {
    await rm(folder, { recursive: true });
  }
});
