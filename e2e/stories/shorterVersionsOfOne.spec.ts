import { mkdtemp, rm } from "node:fs/promises";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { type Page, expect, test } from "@playwright/test";
import { ffprobe } from "../files";
import { newPromotion, onlyIn } from "../newPromotion";
import { signInAs } from "../people";
import { renderedSquare } from "../startRender";

/** One promotion as 30, 15 and 6 seconds: scenes that may go are left out, and what changes in the long one comes along. */

async function onPace(page: Page): Promise<void> {
  await page.getByRole("link", { name: "Pace", exact: true }).click();
  await expect(page.getByTestId("time-page")).toBeVisible();
}
async function shorter(page: Page, seconds: string): Promise<void> {
  const versions = page.getByRole("region", { name: "Shorter versions" });
  await expect(page.getByText("saved", { exact: true })).toBeVisible();
  await versions.getByLabel("Make one of").fill(seconds);
  await page.keyboard.press("Enter");
  const before = page.url();
  await versions.getByRole("button", { name: "Make it" }).click();
  await page.waitForURL((url) => url.href !== before);
  await expect(page.getByText(new RegExp(`scenes? · ${seconds}\\.00 s`))).toBeVisible();
}
const frames = async (file: string): Promise<string | number | undefined> =>
  (await ffprobe(file)).video["nb_read_frames"];

test("one promotion as 30, 15 and 6 seconds, to the frame; new words in the long one are taken over by the shortest", async ({
  page,
}) => {
  test.setTimeout(240_000);
  const folder = await mkdtemp(join(tmpdir(), "stencilcraft-e2e-"));
  await signInAs(page, "Tamsin Kell");
  const slug = await newPromotion(page, "one-offer", "Kitchen herb tray");
  await onlyIn(page, "square");
  await onPace(page);
  await page.getByLabel("Its length is").selectOption({ label: "held to 30 s" });
  await expect(page.getByText("4 scenes · 30.00 s")).toBeVisible();
  for (const scene of ["Scene 2, Product", "Scene 3, Offer"]) {
    await page.getByRole("button", { name: scene }).first().click();
    await page.getByLabel("May be left out of shorter versions").check();
  }
  expect(await frames(await renderedSquare(page, folder))).toBe("900");

  await page.goto(`/promotions/${slug}/pace`);
  await shorter(page, "15");
  await expect(page.getByText("4 scenes · 15.00 s")).toBeVisible();
  expect(await frames(await renderedSquare(page, folder))).toBe("450");

  await page.goto(`/promotions/${slug}/pace`);
  await shorter(page, "6");
  await expect(page.getByText("2 scenes · 6.00 s")).toBeVisible();
  const shortest = page.url();
  expect(await frames(await renderedSquare(page, folder))).toBe("180");

  // The long one gets another headline, which the shortest takes over.
  await page.goto(`/promotions/${slug}`);
  await page.getByRole("textbox", { name: "Headline" }).first().fill("Now is the time for herbs");
  await expect(page.getByText("saved", { exact: true })).toBeVisible();
  await page.goto(shortest);
  await page.getByRole("button", { name: "Take the changes over" }).click();
  await expect(page.getByRole("button", { name: /^“Now is the time for herbs” needs/ })).toBeVisible();
  await expect(page.getByText("2 scenes · 6.00 s")).toBeVisible();
  await expect(page.getByRole("button", { name: "Take the changes over" })).toHaveCount(0);
  await rm(folder, { recursive: true });
});
