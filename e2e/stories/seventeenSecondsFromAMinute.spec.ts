import { mkdtemp, rm } from "node:fs/promises";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { expect, test } from "@playwright/test";
import sharp from "sharp";
import { CARD, widest } from "../colorRuns";
import { ffmpeg, ffprobe } from "../files";
import { addItem, setItem } from "../itemsOver";
import { onlyIn, openShortPromotion } from "../newPromotion";
import { type Rgb, colorsIn, dropOn } from "../ownClips";
import { renderedSquare } from "../startRender";
import { frameAt } from "../videoFrames";
import { openSceneTools } from "../sceneTools";

/** Square, 17 s from a minute of footage: three cuts, one at 2.28 times, words at 1, 7 and 13 s, a call to action over blur and shade. */

const COLORS = ["red", "lime", "blue", "yellow", "magenta", "aqua"] as const;

/** A minute of which every ten seconds have a colour of their own. */
async function minute(folder: string): Promise<string> {
  const path = join(folder, "minute.mp4");
  const tens = COLORS.flatMap((color) => ["-f", "lavfi", "-i", `color=c=${color}:s=720x720:r=30:d=10`]);
  await ffmpeg(...tens, "-filter_complex", `concat=n=${COLORS.length}`, "-pix_fmt", "yuv420p", path);
  return path;
}
const nameOf = ({ r, g, b }: Rgb): string =>
  [r > 140 ? "r" : "", g > 140 ? "g" : "", b > 140 ? "b" : ""].join("") || "dark";

test("17 s to the frame; each cut shows what it should, the fast one in its time; words come and go; the call stands on 60 % shade", async ({
  page,
}) => {
  test.setTimeout(240_000);
  const folder = await mkdtemp(join(tmpdir(), "stencilcraft-e2e-"));
  await openShortPromotion(page, "seventeen-seconds");
  await onlyIn(page, "square");
  const choose = (scene: string) =>
    page.getByRole("region", { name: scene }).getByRole("button", { name: "Choose picture" });
  await dropOn(choose("Scene 1, Headline"), await minute(folder));
  await expect(page.getByText("minute · clip 60.0 s")).toBeVisible({ timeout: 120_000 });
  const grey = join(folder, "all-grey.png");
  await sharp({ create: { width: 1400, height: 1400, channels: 3, background: "#b0b0b0" } }).toFile(grey);
  await dropOn(choose("Scene 2, Offer"), grey);
  await expect(page.getByText("all-grey", { exact: true })).toBeVisible({ timeout: 90_000 });
  for (const [scene, seconds] of [
    [1, "13.5"],
    [2, "4"],
  ] as const) {
    await openSceneTools(page, scene);
    await page.getByLabel("Length in seconds").fill(seconds);
    if (scene === 2) {
      await page.getByLabel("Arrangement", { exact: true }).selectOption({ label: "Full picture" });
      await page.getByLabel("Behind the words").selectOption("blur");
    }
    await page.keyboard.press("Escape");
  }
  // Each comes, moves and goes in a way of its own, and is there for three seconds.
  for (const [words, down, starts, ends, comes, moves, goes] of [
    ["Pots", "34", "1", "9.5", "spring", "sway", "shrink"],
    ["Herbs", "48", "7", "3.5", "drop", "pulse", "fly up"],
  ] as const) {
    await addItem(page, "Headline", "Label", words);
    await setItem(page, words, async (panel) => {
      await panel.getByLabel("Down, %").fill(down);
      await panel.getByLabel("Starts later by, s").fill(starts);
      await panel.getByLabel("Ends earlier by, s").fill(ends);
      await panel.getByLabel(/^Comes in/).selectOption(comes);
      await panel.getByLabel(/^While it is there/).selectOption(moves);
      await panel.getByLabel(/^Goes by/).selectOption(goes);
    });
  }

  await page.getByRole("link", { name: "Pace", exact: true }).click();
  await expect(page.getByText("2 scenes · 17.00 s")).toBeVisible();
  const shots = page.getByRole("listitem", { name: /^Shot \d/ });
  for (const count of [2, 3]) {
    await page.getByRole("button", { name: /^Add a shot to picture/ }).click();
    const picker = page.getByRole("dialog", { name: /^Another shot in/ });
    await picker.getByLabel("Search media by name or tag").fill("minute");
    await picker
      .getByRole("button", { name: /minute/ })
      .first()
      .click();
    await expect(shots).toHaveCount(count);
  }
  const cut = async (at: number, from: string, to: string, speed: string): Promise<void> => {
    const shot = shots.nth(at);
    await shot.getByLabel("up to").fill(to);
    await shot.getByLabel("From frame").fill(from);
    if (speed !== "1") await shot.getByLabel("Speed, times").fill(speed);
  };
  await cut(0, "0", "150", "1");
  await cut(1, "750", "1024", "2.28");
  await cut(2, "1550", "1790", "1");
  await expect(shots.nth(1)).toContainText("4.01 s on screen");
  await page.getByRole("button", { name: "Scene 2, Offer" }).first().click();
  await page.getByLabel("Shade behind words, %").fill("60");
  await expect(page.getByText("At least so much shade")).toBeVisible();

  const file = await renderedSquare(page, folder);
  expect((await ffprobe(file)).video).toMatchObject({ nb_read_frames: "510", width: 480, height: 480 });
  const at = async (seconds: number, y = 0.3): Promise<Rgb> =>
    (await colorsIn(file, [[0.95, y]], seconds))[0] ?? { r: 0, g: 0, b: 0 };
  // The fast one goes from blue to yellow after 150 of its frames: 2.19 s.
  const seen = await Promise.all(
    [0.5, 4.9, 5.1, 7.1, 7.3, 8.9, 9.1, 12.9].map(async (seconds) => nameOf(await at(seconds))),
  );
  expect(seen).toEqual(["r", "r", "b", "b", "rg", "rg", "gb", "gb"]);
  const plates = await Promise.all(
    [0.8, 2.5, 5.5, 8.5, 11].map(async (seconds) => {
      const frame = await frameAt(file, seconds);
      return widest(frame, CARD, 0.25, 0.6).width / frame.width > 0.1;
    }),
  );
  expect(plates).toEqual([false, true, false, true, false]);
  // Grey under 60 % of the brand's ink: 0.4 · 176 + 0.6 · (31, 42, 36). Words need no more of it to be read.
  const shaded = await at(15.5, 0.97);
  for (const [channel, wanted] of [
    ["r", 89],
    ["g", 95.6],
    ["b", 92],
  ] as const)
    expect(Math.abs(shaded[channel] - wanted)).toBeLessThan(8);
  await rm(folder, { recursive: true });
});
