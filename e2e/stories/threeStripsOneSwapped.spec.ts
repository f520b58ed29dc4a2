import { createHash } from "node:crypto";
import { mkdtemp, readFile, rm } from "node:fs/promises";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { type Page, expect, test } from "@playwright/test";
import { ffmpeg, ffprobe } from "../files";
import { type Rgb, colorsIn, downloadRendition, dropOnSlot } from "../ownClips";
import { signInAs } from "../people";
import { stripsAlone } from "../strips";
import { renderDrafts } from "../startRender";

/** Three clips of 15 s stand over each other as strips of one height; then one is swapped, in a promotion of its own. */

const SECONDS = 15;
const ROWS = 854;

/** A clip of one colour, 15 s long, `strip-` and its colour by name. */
async function strip(folder: string, color: string): Promise<string> {
  const path = join(folder, `strip-${color}.mp4`);
  await ffmpeg("-f", "lavfi", "-i", `color=c=${color}:s=480x288:r=30:d=${SECONDS}`, "-pix_fmt", "yuv420p", path);
  return path;
}

const expectStrip = (page: Page, color: string): Promise<void> =>
  expect(page.getByText(`strip-${color} · clip 15.0 s`).first()).toBeVisible({ timeout: 60_000 });

/** Which of its channels a colour is made of; nothing where strips meet. */
function colorName({ r, g, b }: Rgb): "red" | "green" | "blue" | "yellow" | "between" {
  const [hasRed, hasGreen, hasBlue] = [r, g, b].map((channel) => channel > 90);
  if (hasRed && hasGreen && !hasBlue) return "yellow";
  if (hasRed && !hasGreen && !hasBlue) return "red";
  if (hasGreen && !hasRed && !hasBlue) return "green";
  return hasBlue && !hasRed && !hasGreen ? "blue" : "between";
}

/** The strips of a standing file from the top down, with the rows that each takes. */
async function stripsIn(path: string, seconds: number): Promise<(readonly [color: string, rows: number])[]> {
  const middle = Array.from({ length: ROWS }, (_, row) => [0.5, (row + 0.5) / ROWS] as const);
  const found: [string, number][] = [];
  for (const color of await colorsIn(path, middle, seconds)) {
    const name = colorName(color);
    const last = found.at(-1);
    if (last?.[0] === name) last[1]++;
    else found.push([name, 1]);
  }
  return found;
}

/** Strips of one height, as far from each other, that fill the shape from edge to edge. */
function expectStrips(found: readonly (readonly [color: string, rows: number])[], colors: readonly string[]): void {
  const strips = found.filter(([color]) => color !== "between");
  expect(strips.map(([color]) => color)).toEqual(colors);
  const heights = strips.map(([, rows]) => rows);
  expect(Math.max(...heights) - Math.min(...heights)).toBeLessThanOrEqual(1);
  const [first, last] = [found[0], found.at(-1)];
  expect([first?.[0], last?.[0]]).toEqual([colors[0], colors.at(-1)]);
  const gaps = found.filter(([color]) => color === "between").map(([, rows]) => rows);
  expect(gaps).toHaveLength(colors.length - 1);
  expect(Math.max(...gaps) - Math.min(...gaps)).toBeLessThanOrEqual(1);
  expect(Math.max(...gaps)).toBeLessThan(10);
}

const hashOf = async (path: string): Promise<string> =>
  createHash("sha256")
    .update(await readFile(path))
    .digest("hex");

test("three clips of 15 s are stacked exactly; a copy has one of them swapped, and the first stays as it was", async ({
  page,
}) => {
  const folder = await mkdtemp(join(tmpdir(), "stencilcraft-e2e-"));
  await signInAs(page, "Delphine Orrow");
  const slug = await stripsAlone(page, "Hand-thrown pot, 24 cm", SECONDS);
  const strips = [
    ["first strip", "red"],
    ["second strip", "lime"],
    ["third strip", "blue"],
  ] as const;
  for (const [slot, color] of strips) await dropOnSlot(page, `Choose ${slot}`, await strip(folder, color));
  for (const [, color] of strips) await expectStrip(page, color);
  await expect(page.getByText("saved", { exact: true })).toBeVisible();

  await page.getByRole("link", { name: "On to the proofs" }).click();
  await renderDrafts(page, 1);
  const first = await downloadRendition(page, "vertical", folder);
  const { video, seconds } = await ffprobe(first);
  expect(video).toMatchObject({ width: 480, height: 854, nb_read_frames: String(SECONDS * 30) });
  expect(seconds).toBeCloseTo(SECONDS, 1);
  // They come in one after another.
  for (const at of [4, 9, 14.5]) expectStrips(await stripsIn(first, at), ["red", "green", "blue"]);
  const hash = await hashOf(first);

  // A second promotion from the first.
  await page.goto("/promotions");
  await page
    .getByRole("button", { name: /^Make a copy of Hand-thrown pot, 24 cm: three strips$/ })
    .first()
    .click();
  await expect(page).toHaveURL(/copy/);
  await expect(page.getByTestId("meters").or(page.getByText("strip-lime · clip 15.0 s")).first()).toBeVisible();
  await dropOnSlot(page, "Choose second strip", await strip(folder, "yellow"));
  await expectStrip(page, "yellow");
  await expect(page.getByText("strip-lime")).toHaveCount(0);
  await expect(page.getByText("saved", { exact: true })).toBeVisible();
  await page.getByRole("link", { name: "On to the proofs" }).click();
  await renderDrafts(page, 1);
  const second = await downloadRendition(page, "vertical", folder);
  expectStrips(await stripsIn(second, 7), ["red", "yellow", "blue"]);

  await page.goto(`/promotions/${slug}`);
  await expect(page.getByText("strip-lime · clip 15.0 s").first()).toBeVisible();
  await page.goto(`/promotions/${slug}/send`);
  expect(await hashOf(await downloadRendition(page, "vertical", folder))).toBe(hash);
  await rm(folder, { recursive: true });
});
