import { mkdtemp, rm } from "node:fs/promises";
import { tmpdir } from "node:os";
import { join } from "node:path";
import sharp, { type Sharp } from "sharp";
import { levelKey } from "../storage/keys";
import { sha256Of } from "../storage/sha256";
import { store } from "../storage/store";
import { ingestPicture } from "./pictureIngest";

const SIZE = { width: 640, height: 400 };
let folder = "";
beforeAll(async () => {
  folder = await mkdtemp(join(tmpdir(), "stencilcraft-unit-"));
});
afterAll(() => rm(folder, { recursive: true, force: true }));

/** Rings of red on green, as thin as letters: edges between colours are what half their resolution mixes. */
const RINGS = [30, 60, 90, 120, 150, 180]
  .map((radius) => `<circle cx="320" cy="200" r="${radius}" fill="none" stroke="#c02020" stroke-width="3"/>`)
  .join("");
const drawn = (): Sharp =>
  sharp(
    Buffer.from(
      `<svg xmlns="http://www.w3.org/2000/svg" width="640" height="400"><rect width="640" height="400" fill="#0a6030"/>${RINGS}</svg>`,
    ),
  ).removeAlpha();
const pixelsOf = (file: string | Buffer): Promise<Buffer> => sharp(file).raw().toBuffer();

/** How far two pictures of the same size are from each other, in 255ths, on average. */
function apart(one: Buffer, other: Buffer): number {
  expect(other).toHaveLength(one.length);
  return one.reduce((sum, value, at) => sum + Math.abs(value - (other[at] ?? 0)), 0) / one.length;
}

/** How far the largest working copy of a file is from what the file shows. */
async function distanceOf(name: string, picture: Sharp, mime: string): Promise<number> {
  const path = join(folder, name);
  await picture.toFile(path);
  const sha256 = await sha256Of(path);
  const type = { kind: "picture", mime, demuxer: "" } as const;
  expect(await ingestPicture({ name, sha256, path, type, folder })).toMatchObject(SIZE);
  return apart(await pixelsOf(path), await pixelsOf(await store().local(levelKey(sha256, 0))));
}

test("a picture with all of its colours keeps them closer than plain 4:2:0 does", async () => {
  const plain = await drawn().webp({ quality: 92, effort: 2 }).toBuffer();
  const plainly = apart(await pixelsOf(await drawn().png().toBuffer()), await pixelsOf(plain));
  expect(await distanceOf("rings.png", drawn().png(), "image/png")).toBeLessThan(plainly * 0.97);
});

test("a photograph, whose colours come at half the resolution, is kept as it comes", async () => {
  const photograph = drawn().blur(3).jpeg({ quality: 92, chromaSubsampling: "4:2:0" });
  expect(await distanceOf("rings.jpg", photograph, "image/jpeg")).toBeLessThan(2);
});
