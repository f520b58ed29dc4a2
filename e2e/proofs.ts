import { execFile } from "node:child_process";
import { mkdtemp, readFile, rm } from "node:fs/promises";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { promisify } from "node:util";
import { type Page, expect } from "@playwright/test";
import sharp from "sharp";

const run = promisify(execFile);

export const FORMATS = ["square", "vertical", "widescreen"] as const;
type Format = (typeof FORMATS)[number];

export interface Pixels {
  readonly data: Uint8ClampedArray;
  readonly width: number;
  readonly height: number;
}

/** One moment of a promotion in one format, from either side: as it was saved from the screen and as the server painted it. */
export interface BothSides {
  readonly format: Format;
  readonly frame: number;
  readonly proof: Pixels;
  readonly render: Pixels;
}

/** Saves proofs of the promotion on screen while the server paints the same frames; then gives one pair after another. */
export async function* bothSides(page: Page, slug: string, frames: readonly number[]): AsyncGenerator<BothSides> {
  const folder = await mkdtemp(join(tmpdir(), "stencilcraft-frames-"));
  try {
    const painting = run(process.execPath, ["--import", "tsx", "e2e/serverPixels.ts", slug, folder, frames.join(",")], {
      maxBuffer: 1 << 24,
    });
    const proofs: { format: Format; frame: number; png: Buffer }[] = [];
    for (const frame of frames) {
      await goToFrame(page, frame);
      for (const format of FORMATS) proofs.push({ format, frame, png: await savedProof(page, format) });
    }
    await painting;
    for (const { format, frame, png } of proofs) {
      const proof = await pixels(png);
      const data = new Uint8ClampedArray(await readFile(join(folder, `${format}-${frame}.rgba`)));
      expect(data.length).toBe(proof.data.length);
      yield { format, frame, proof, render: { ...proof, data } };
    }
  } finally {
    await rm(folder, { recursive: true });
  }
}

/** Where a proof and its render differ, in words; null when they are equal. */
export function difference({ format, frame, proof, render }: BothSides): string | null {
  const greatest = greatestDifference(proof.data, render.data);
  return greatest > 0 ? `${format} frame ${frame}: greatest difference ${greatest}` : null;
}

/** The proof on screen in a format at full size, saved as a person would. */
export async function savedProof(page: Page, format: Format): Promise<Buffer> {
  const [download] = await Promise.all([
    page.waitForEvent("download"),
    page.getByRole("button", { name: `Save this ${format} frame as PNG` }).click(),
  ]);
  return readFile(await download.path());
}

/** Goes to a frame (30 a second) by the keys of the transport strip. */
export async function goToFrame(page: Page, frame: number): Promise<void> {
  const slider = page.getByRole("slider", { name: "Place in time" });
  await slider.focus();
  await page.keyboard.press("Home");
  for (let second = 0; second < Math.floor(frame / 30); second++) await page.keyboard.press("Shift+ArrowRight");
  for (let step = 0; step < frame % 30; step++) await page.keyboard.press("ArrowRight");
  await expect(slider).toHaveAttribute("aria-valuenow", String(Math.round((frame * 1000) / 30)));
}

export async function pixels(png: Buffer): Promise<Pixels> {
  const { data, info } = await sharp(png).ensureAlpha().raw().toBuffer({ resolveWithObject: true });
  return { data: new Uint8ClampedArray(data), width: info.width, height: info.height };
}

function greatestDifference(one: Uint8ClampedArray, other: Uint8ClampedArray): number {
  let greatest = 0;
  for (let index = 0; index < one.length; index++)
    greatest = Math.max(greatest, Math.abs((one[index] ?? 0) - (other[index] ?? 0)));
  return greatest;
}
