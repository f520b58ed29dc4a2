import { createHash } from "node:crypto";
import { svgProblem } from "../server/media/svgSafety";
import { CLIPS, clipPainter } from "./art/clips";
import { quillfernLogo } from "./art/logo";
import { PICTURES, drawPicture } from "./art/pictures";
import { seeded } from "./art/random";
import { TUNES, playTune } from "./tunes/tunes";
import { wavFile } from "./tunes/synth";
import { FILE_NAMES } from "./makeFile";

const hash = (bytes: Uint8Array): string => createHash("sha256").update(bytes).digest("hex");

test("the same seed draws the same picture, another seed another", () => {
  const [picture] = PICTURES;
  if (!picture) throw new Error("There are no pictures.");
  const draw = (seed: number): string => hash(drawPicture(picture, seed).data());
  expect(draw(1)).toBe(draw(1));
  expect(draw(2)).not.toBe(draw(1));
});

test.each(CLIPS.map((clip) => [clip.name, clip] as const))("%s really moves, all the way through", (_name, clip) => {
  const paint = clipPainter(clip, 5);
  const frames = [0, 45, 90, 134].map((frame) => hash(paint(frame).data()));
  expect(new Set(frames).size).toBe(4);
});

test.each(TUNES.map((tune) => [tune.name, tune] as const))("%s is the same every time, outlasts a promotion, and is neither silent nor clipped", (_name, tune) => {
  const samples = playTune(tune, 3);
  const file = wavFile(samples);
  expect(hash(wavFile(playTune(tune, 3)))).toBe(hash(file));
  expect(samples.left.length / 48_000).toBeGreaterThan(30);
  const values = Array.from({ length: (file.length - 44) / 2 }, (_unused, index) => Math.abs(file.readInt16LE(44 + index * 2)));
  const peak = values.reduce((most, value) => Math.max(most, value), 0);
  expect(peak).toBeGreaterThan(20_000);
  expect(peak).toBeLessThan(32_000);
});

test("the logo is an SVG that our own door lets in", () => expect(svgProblem(quillfernLogo())).toBeNull());

test("every file has a name of its own", () => expect(new Set(FILE_NAMES).size).toBe(FILE_NAMES.length));

test("random numbers lie where they are asked to", () => {
  const random = seeded(9);
  const values = Array.from({ length: 1000 }, () => random.between(-2, 3));
  expect(Math.min(...values)).toBeGreaterThanOrEqual(-2);
  expect(Math.max(...values)).toBeLessThan(3);
  expect(Math.abs(values.reduce((sum, value) => sum + value, 0) / 1000 - 0.5)).toBeLessThan(0.2);
});
