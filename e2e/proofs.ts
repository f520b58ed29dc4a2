import { execFile } from "node:child_process";
import { readFile } from "node:fs/promises";
import { promisify } from "node:util";
import { type Page, expect } from "@playwright/test";
import sharp from "sharp";

const run = promisify(execFile);

/** Paints frames of a promotion on the server, in all formats, into a folder: `format-frame.png`. */
export async function paintOnServer(slug: string, folder: string, frames: readonly number[]): Promise<void> {
  await run(process.execPath, ["--import", "tsx", "e2e/serverFrames.ts", slug, folder, frames.join(",")], { maxBuffer: 1 << 24 });
}

/** The proof on screen in a format at full size, saved as a person would. */
export async function savedProof(page: Page, format: string): Promise<Buffer> {
  const [download] = await Promise.all([page.waitForEvent("download"), page.getByRole("button", { name: `Save this ${format} frame as PNG` }).click()]);
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

export async function pixels(png: Buffer): Promise<{ data: Uint8ClampedArray; width: number; height: number }> {
  const { data, info } = await sharp(png).ensureAlpha().raw().toBuffer({ resolveWithObject: true });
  return { data: new Uint8ClampedArray(data), width: info.width, height: info.height };
}

export function greatestDifference(one: Uint8ClampedArray, other: Uint8ClampedArray): number {
  let greatest = 0;
  for (let index = 0; index < one.length; index++) greatest = Math.max(greatest, Math.abs((one[index] ?? 0) - (other[index] ?? 0)));
  return greatest;
}
