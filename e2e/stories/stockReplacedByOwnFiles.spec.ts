import { mkdtemp, rm } from "node:fs/promises";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { type Locator, type Page, expect, test } from "@playwright/test";
import sharp from "sharp";
import { ffprobe } from "../files";
import { newPromotion, onlyIn } from "../newPromotion";
import { type Rgb, colorsIn, downloadRendition, dropOn, isBlue, isRed } from "../ownClips";
import { signInAs } from "../people";
import { renderDrafts } from "../startRender";

/** An ad that is made of stock alone becomes one's own: files dropped on its pictures, then colours, offer, logo, website. */

const STOCK = ["Meadow glow", "Harbour waves", "Clay waves"] as const;
const MAGENTA = "#d0109c";

async function ownPicture(folder: string, name: string, background: string): Promise<string> {
  const path = join(folder, `${name}.png`);
  await sharp({ create: { width: 1600, height: 1600, channels: 3, background } }).toFile(path);
  return path;
}

/** Brings a logo in: a wide sign of one colour on nothing. */
async function ownLogo(page: Page, folder: string): Promise<void> {
  const path = join(folder, "own-sign.png");
  const sign = await sharp({ create: { width: 1000, height: 240, channels: 3, background: MAGENTA } })
    .png()
    .toBuffer();
  await sharp({ create: { width: 1040, height: 280, channels: 4, background: "#ffffff00" } })
    .composite([{ input: sign }])
    .png()
    .toFile(path);
  await page.goto("/media");
  await page.locator("input[type=file]").first().setInputFiles(path);
  await expect(page.locator("[data-name^='own-sign']")).toHaveAttribute("data-state", "ready", { timeout: 60_000 });
}

async function workFor(page: Page, { from, to }: { readonly from: string; readonly to: string }): Promise<void> {
  await page.goto("/brand-book");
  await page.getByRole("button", { name: `Working brand: ${from}` }).click();
  await page.getByRole("menuitem", { name: to }).click();
  await expect(page.getByRole("button", { name: `Working brand: ${to}` })).toBeVisible();
}

interface Dress {
  readonly primary: string;
  readonly website: string;
}

/** Changes what the working brand looks like, and gives what it was. */
async function dress(page: Page, { primary, website, logo }: Dress & { readonly logo: string }): Promise<Dress> {
  await page.goto("/brand-book");
  const [color, address] = [page.getByLabel("primary colour, hex"), page.getByLabel("Website")];
  const before = { primary: await color.inputValue(), website: await address.inputValue() };
  await color.fill(primary);
  await color.press("Enter");
  await address.fill(website);
  await page.getByRole("button", { name: "Choose the logo, full" }).click();
  await page
    .getByRole("dialog")
    .getByRole("button", { name: new RegExp(logo) })
    .click();
  await page.getByRole("button", { name: "Save the book" }).click();
  await expect(page.getByText(/^Saved\./)).toBeVisible();
  return before;
}

const isMagenta = ({ r, g, b }: Rgb): boolean => r > 160 && g < 90 && b > 110 && b < 200;
const isOrange = ({ r, g, b }: Rgb): boolean => r > 190 && g > 70 && g < 150 && b < 70;
const isGreen = ({ r, g, b }: Rgb): boolean => g > 160 && r < 90 && b < 90;

/** A grid of points over the whole frame. */
const EVERYWHERE = Array.from(
  { length: 60 * 60 },
  (_, at) => [((at % 60) + 0.5) / 60, (Math.floor(at / 60) + 0.5) / 60] as const,
);

test("an ad of stock alone is filled with one's own files; colours, offer, logo and website are changed at the end", async ({
  page,
}) => {
  const folder = await mkdtemp(join(tmpdir(), "stencilcraft-e2e-"));
  await signInAs(page, "Delphine Orrow");
  for (const name of STOCK) {
    await page.goto(`/media/shelf?words=${encodeURIComponent(name)}`);
    await page.getByRole("button", { name: `Keep ${name}` }).click();
    await expect(page.getByText("kept", { exact: true })).toBeVisible({ timeout: 60_000 });
  }
  // Only what was read in is offered.
  for (const name of STOCK) {
    await page.goto(`/media?words=${encodeURIComponent(name)}`);
    await expect(page.locator("[data-name]").first()).toHaveAttribute("data-state", "ready", { timeout: 60_000 });
  }
  await workFor(page, { from: "Quillfern", to: "Tallowby Bakehouse" });

  const slug = await newPromotion(page, "one-offer", "Hand-thrown pot, 24 cm");
  await onlyIn(page, "square");
  const pictures = [
    [0, "picture"],
    [0, "picture or clip"],
    [1, "picture"],
  ] as const;
  const slot = (at: number): Locator => {
    const [which, name] = pictures[at] ?? [0, ""];
    return page.getByRole("button", { name: `Choose ${name}`, exact: true }).nth(which);
  };
  for (const [at, name] of STOCK.entries()) {
    await slot(at).click();
    await page.getByLabel("Search media by name or tag").fill(name);
    await page
      .getByRole("dialog")
      .getByRole("button", { name: new RegExp(name) })
      .click();
    await expect(page.getByText(name, { exact: true }).first()).toBeVisible();
  }
  await page.getByLabel("Headline", { exact: true }).fill("Our own again");

  // Dropped on the pictures, one after another.
  for (const [at, color] of ["red", "blue", "lime"].entries()) {
    await dropOn(slot(at), await ownPicture(folder, `own-${color}`, color));
    await expect(page.getByText(`own-${color}`, { exact: true }).first()).toBeVisible({ timeout: 60_000 });
  }
  for (const name of STOCK) await expect(page.getByText(name, { exact: true })).toHaveCount(0);
  await expect(page.getByText("saved", { exact: true })).toBeVisible();

  // At the end: the offer, and what the brand looks like.
  await page.getByLabel("Offer", { exact: true }).selectOption({ label: "Potting week" });
  await expect(page.getByText("saved", { exact: true })).toBeVisible();
  await ownLogo(page, folder);
  const before = await dress(page, { primary: "#e07020", website: "brookmill.example.com", logo: "own-sign" });

  await page.goto(`/promotions/${slug}`);
  await expect(page.getByTestId("meters").first()).toBeVisible();
  await expect(page.getByLabel("First line (optional)")).toHaveValue("brookmill.example.com");
  await page.getByRole("link", { name: "On to the proofs" }).click();
  await renderDrafts(page, 1);
  const path = await downloadRendition(page, "square", folder);
  expect((await ffprobe(path)).video).toMatchObject({ width: 480, height: 480 });
  // The headline stands on red under the magenta sign, the product beside blue, the offer on orange beside green.
  const seen = async (seconds: number, is: (color: Rgb) => boolean): Promise<number> =>
    (await colorsIn(path, EVERYWHERE, seconds)).filter(is).length / EVERYWHERE.length;
  expect(await seen(2, isRed)).toBeGreaterThan(0.5);
  expect(await seen(2, isMagenta)).toBeGreaterThan(0.005);
  expect(await seen(5.5, isBlue)).toBeGreaterThan(0.3);
  expect(await seen(9, isOrange)).toBeGreaterThan(0.2);
  expect(await seen(9, isGreen)).toBeGreaterThan(0.2);
  expect(await seen(13.5, isMagenta)).toBeGreaterThan(0.005);

  // As it was, for whoever comes after.
  await dress(page, { ...before, logo: "tallowby-sign" });
  await workFor(page, { from: "Tallowby Bakehouse", to: "Quillfern" });
  await rm(folder, { recursive: true });
});
