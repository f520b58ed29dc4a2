import { join } from "node:path";
import { type Page, expect } from "@playwright/test";
import { ffmpeg } from "./files";

/**
 * A sound of one tone, an eighth of full scale, as ffmpeg makes it. The very same tone as another story’s is the same file,
 * and keeps the name it was brought in by first.
 */
export async function toneFile(folder: string, name: string, hertz: number, seconds: number): Promise<string> {
  const path = join(folder, `${name}.wav`);
  await ffmpeg("-f", "lavfi", "-i", `sine=frequency=${hertz}:duration=${seconds}:sample_rate=48000`, path);
  return path;
}

/** On the Pace desk, brings a file in for a lane, and waits until it lies there. @param name without its ending */
export async function bringIn(
  page: Page,
  lane: "music" | "voice" | "effects",
  path: string,
  name: string,
): Promise<void> {
  await page.getByLabel(`Bring in a file for ${lane}`).setInputFiles(path);
  await expect(page.getByRole("listitem", { name, exact: true })).toBeVisible({ timeout: 90_000 });
}

/** From any desk on, opens the sounds of the Pace desk. */
export async function openSound(page: Page): Promise<void> {
  await page.getByRole("link", { name: "Pace", exact: true }).click();
  await page.getByRole("button", { name: "Sound", exact: true }).click();
}
