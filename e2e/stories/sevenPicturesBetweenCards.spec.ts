import { mkdtemp, rm, writeFile } from "node:fs/promises";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { type Page, expect, test } from "@playwright/test";
import sharp from "sharp";
import { INK, widest } from "../colorRuns";
import { newPromotion, onlyIn } from "../newPromotion";
import { type Rgb, colorsIn } from "../ownClips";
import { signInAs } from "../people";
import { renderedSquare } from "../startRender";
import { frameAt } from "../videoFrames";

/** A quick slideshow: seven pictures in one scene, each with words of its own, between title cards of exactly five seconds. */

const COLORS = ["red", "lime", "blue", "yellow", "magenta", "aqua", "white"] as const;
/** How long each picture is shown, and when the scene with them begins. */
const [EACH, STARTS] = [0.8, 4.4];

async function bringIn(page: Page, folder: string): Promise<void> {
  const files = COLORS.map((color) => join(folder, `slide-${color}.png`));
  for (const [at, path] of files.entries())
    await sharp({ create: { width: 1400, height: 1400, channels: 3, background: COLORS[at] ?? "red" } })
      .png()
      .toFile(path);
  await page.goto("/media");
  await page.getByTestId("file-picker").setInputFiles(files);
  for (const color of COLORS)
    await expect(page.locator(`[data-name="slide-${color}.png"]`)).toHaveAttribute("data-state", "ready", {
      timeout: 90_000,
    });
}

/** Captions for each picture, as a file. */
const captions = (): string =>
  COLORS.map((color, at) => {
    const stamp = (seconds: number): string => `00:00:${seconds.toFixed(3).padStart(6, "0").replace(".", ",")}`;
    const from = STARTS + at * EACH + 0.15;
    return `${at + 1}\n${stamp(from)} --> ${stamp(from + 0.6)}\nNow in ${color}\n`;
  }).join("\n");

const nameOf = ({ r, g, b }: Rgb): string =>
  [r > 140 ? "r" : "", g > 140 ? "g" : "", b > 140 ? "b" : ""].join("") || "dark";
const EXPECTED = ["r", "g", "b", "rg", "rb", "gb", "rgb"];

test("seven pictures follow each other, each with its words, between two cards of five seconds, by a blur and a crossfade", async ({
  page,
}) => {
  test.setTimeout(240_000);
  const folder = await mkdtemp(join(tmpdir(), "stencilcraft-e2e-"));
  await signInAs(page, "Tamsin Kell");
  await bringIn(page, folder);
  await newPromotion(page, "one-offer", "Hand-thrown pot, 24 cm");
  await onlyIn(page, "square");
  await page.getByRole("link", { name: "Pace", exact: true }).click();
  // The title card, then the pictures.
  const length = page.getByRole("textbox", { name: "Length", exact: true });
  const typeLength = async (scene: string, seconds: string): Promise<void> => {
    await page.getByRole("button", { name: scene }).first().click();
    await length.fill(seconds);
    await length.press("Enter");
  };
  await typeLength("Scene 1, Headline", "5");
  await typeLength("Scene 4, Sign-off", "5");
  await typeLength("Scene 2, Product", (EACH * COLORS.length).toFixed(1));
  await page.getByLabel("Comes in by").selectOption({ label: "blur into" });
  await page.getByLabel("over (0 is a cut)").fill("0.6");
  await page.getByLabel("over (0 is a cut)").press("Enter");
  for (const color of COLORS) {
    await page.getByRole("button", { name: /^Add a shot to picture/ }).click();
    const picker = page.getByRole("dialog", { name: /^Another shot in/ });
    await picker.getByLabel("Search media by name or tag").fill(`slide-${color}`);
    await picker
      .getByRole("button", { name: new RegExp(`slide-${color}`) })
      .first()
      .click();
  }
  const shots = page.getByRole("listitem", { name: /^Shot \d/ });
  await expect(shots).toHaveCount(COLORS.length + 1);
  // What the product's own picture was is not wanted here.
  await page.getByRole("button", { name: "Take shot 1 out" }).click();
  await expect(shots).toHaveCount(COLORS.length);
  for (let at = 1; at < COLORS.length; at++) {
    await page.getByLabel(`Length of shot ${at}`, { exact: true }).fill(String(EACH));
    await page.keyboard.press("Enter");
  }
  await page.getByRole("button", { name: "Captions", exact: true }).click();
  const file = join(folder, "words.srt");
  await writeFile(file, captions());
  await page.getByLabel("Caption file").setInputFiles(file);
  await expect(page.getByRole("list", { name: "Captions in en" }).getByRole("listitem")).toHaveCount(COLORS.length);
  for (const card of ["Scene 1, Headline", "Scene 4, Sign-off"])
    await expect(page.getByRole("group", { name: "Scenes" }).getByRole("button", { name: card })).toContainText(
      "5.00 s",
    );

  const rendered = await renderedSquare(page, folder);
  const middles = COLORS.map((_, at) => STARTS + at * EACH + 0.6);
  const seen = await Promise.all(middles.slice(1).map((seconds) => colorsIn(rendered, [[0.9, 0.12]], seconds)));
  expect(seen.map(([color]) => color && nameOf(color))).toEqual(EXPECTED.slice(1));
  // The first stands alone once it has come in, and its words stand with it.
  expect(nameOf((await colorsIn(rendered, [[0.9, 0.12]], STARTS + 0.7))[0] ?? { r: 0, g: 0, b: 0 })).toBe("r");
  const plates = await Promise.all(
    middles.map(async (seconds) => {
      const frame = await frameAt(rendered, seconds);
      return widest(frame, INK, 0.1, 0.97).width / frame.width;
    }),
  );
  expect(plates.every((share) => share > 0.12)).toBe(true);
  await rm(folder, { recursive: true });
});
