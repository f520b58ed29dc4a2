import { mkdtemp, rm } from "node:fs/promises";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { createCanvas } from "@napi-rs/canvas";
import { type Page, expect, test } from "@playwright/test";
import { ffprobe } from "../files";
import { onlyIn, openShortPromotion } from "../newPromotion";
import { type Rgb, coloredClip, colorsIn, dropOnSlot } from "../ownClips";
import { renderedSquare } from "../startRender";

/** A clip is trimmed and its colours are corrected, two looks are laid over each other and one taken off; a screen closes at the end. */

const ROWS = [
  ["0x906050", "0xb08060", "0x507090"],
  ["0x808080", "0x609060", "0xa05060"],
  ["0x303030", "0x404040", "0x303030"],
  ["0x202020", "0x202020", "0x202020"],
];
/** Where four of its colours are seen, clear of words and logo. */
const POINTS = [
  [0.6, 0.08],
  [0.93, 0.08],
  [0.6, 0.36],
  [0.93, 0.36],
] as const;

/** A colour under filters of CSS, as Skia has them (W3C Filter Effects Module). */
function filtered({ r, g, b }: Rgb, filter: string): Rgb {
  const from = createCanvas(1, 1);
  from.getContext("2d").fillStyle = `rgb(${r}, ${g}, ${b})`;
  from.getContext("2d").fillRect(0, 0, 1, 1);
  const to = createCanvas(1, 1);
  const context = to.getContext("2d");
  context.filter = filter;
  context.drawImage(from, 0, 0);
  const [red = 0, green = 0, blue = 0] = context.getImageData(0, 0, 1, 1).data;
  return { r: red, g: green, b: blue };
}

const apart = (one: readonly Rgb[], other: readonly Rgb[]): number =>
  Math.max(
    ...one.flatMap(({ r, g, b }, at) => {
      const wanted = other[at] ?? { r: 0, g: 0, b: 0 };
      return [Math.abs(r - wanted.r), Math.abs(g - wanted.g), Math.abs(b - wanted.b)];
    }),
  );

const steps = (page: Page) => page.getByRole("list", { name: /^Steps of the look/ }).getByRole("listitem");
async function openLook(page: Page): Promise<void> {
  await page.getByRole("link", { name: "Pace", exact: true }).click();
  await page.getByRole("button", { name: /^Look of picture/ }).click();
}

test("colours are corrected as CSS would, of two looks one goes without a trace, and shutters close at the end", async ({
  page,
}) => {
  const folder = await mkdtemp(join(tmpdir(), "stencilcraft-e2e-"));
  await openShortPromotion(page, "colours-corrected");
  await onlyIn(page, "square");
  await dropOnSlot(page, "Choose picture", await coloredClip(folder, ROWS));
  await expect(page.getByText("own-clip · clip 3.0 s")).toBeVisible({ timeout: 90_000 });
  const plain = await renderedSquare(page, folder);
  const before = await colorsIn(plain, POINTS);

  await openLook(page);
  const shot = page.getByRole("listitem", { name: /^Shot 1/ });
  await shot.getByLabel("From frame").fill("30");
  await shot.getByLabel("up to").fill("60");
  await expect(shot).toContainText("1.00 of 3.00 s used");
  await page.getByRole("button", { name: "Change colours" }).click();
  for (const [name, value] of [
    ["Brightness", "10"],
    ["Contrast", "20"],
    ["Saturation", "-40"],
    ["Hue", "30"],
  ] as const)
    await steps(page).first().getByLabel(name, { exact: true }).fill(value);
  const corrected = await renderedSquare(page, folder);
  const expected = before.map((color) =>
    filtered(filtered(color, "brightness(1.1) contrast(1.2)"), "saturate(0.6) hue-rotate(30deg)"),
  );
  const after = await colorsIn(corrected, POINTS);
  expect(apart(before, expected)).toBeGreaterThan(20);
  expect(apart(after, expected)).toBeLessThanOrEqual(6);

  await openLook(page);
  for (const look of ["terracotta", "slate"])
    await page.getByRole("list", { name: "Looks" }).getByRole("button", { name: look }).click();
  await expect(steps(page)).toHaveCount(3);
  const layered = await colorsIn(await renderedSquare(page, folder), POINTS);
  expect(apart(layered, after)).toBeGreaterThan(12);

  await openLook(page);
  await page.getByRole("button", { name: "Take slate out" }).click();
  await page.getByRole("checkbox", { name: "terracotta" }).uncheck();
  await page.getByLabel("It ends").selectOption({ label: "shutters close" });
  await page.getByRole("textbox", { name: "over", exact: true }).first().fill("0.5");
  await page.keyboard.press("Enter");
  await page.getByRole("button", { name: "Colour of the end: black" }).click();
  const closed = await renderedSquare(page, folder);
  expect(apart(await colorsIn(closed, POINTS), after)).toBeLessThanOrEqual(4);
  // Its last frames are black, all over; half a second before, nothing is.
  const { nb_read_frames: frames = "0" } = (await ffprobe(closed)).video;
  const length = Number(frames) / 30;
  const everywhere = [...POINTS, [0.5, 0.5], [0.05, 0.95], [0.5, 0.02]] as const;
  const isBlack = ({ r, g, b }: Rgb): boolean => Math.max(r, g, b) < 20;
  expect((await colorsIn(closed, everywhere, length - 0.04)).every(isBlack)).toBe(true);
  expect((await colorsIn(closed, everywhere, length - 0.6)).some(isBlack)).toBe(false);
  await rm(folder, { recursive: true });
});
