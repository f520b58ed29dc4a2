import { type Page, expect, test } from "@playwright/test";
import { bothSides } from "../proofs";
import { openShortPromotion } from "../newPromotion";

/** Words that name a price follow the offer that is chosen, on the desk and in what is rendered, until they are made plain. */

const headline = (page: Page) => page.getByLabel("Headline", { exact: true }).first();

/** Puts something that follows its source in at the cursor, by the keyboard alone. */
async function putIn(page: Page, name: RegExp): Promise<void> {
  await page.getByRole("button", { name: "Put in what follows its source" }).first().focus();
  await page.keyboard.press("Enter");
  await page.getByRole("button", { name }).focus();
  await page.keyboard.press("Enter");
}

test("a headline names price and saving, follows another offer, is told of without one, and is turned into plain words", async ({
  page,
}) => {
  await openShortPromotion(page, "follows-the-offer");
  await headline(page).fill("Only ");
  await putIn(page, /^price now £20\.40/);
  await expect(headline(page)).toHaveValue("Only {price now}");
  await headline(page).press("End");
  await page.keyboard.type(", save ");
  await putIn(page, /^saving £3\.60/);
  await expect(headline(page)).toHaveValue("Only {price now}, save {saving}");
  // Counted as it is read.
  await expect(page.getByText(`${"Only £20.40, save £3.60".length} of 40`)).toBeVisible();
  await expect(page.getByText("saved", { exact: true })).toBeVisible();
  for await (const { format, frame, proof, render } of bothSides(page, "follows-the-offer", [20]))
    expect(Buffer.compare(Buffer.from(proof.data), Buffer.from(render.data)), `${format}, frame ${frame}`).toBe(0);

  // Without the offer there is nothing to save, and it is said before anybody renders it.
  const offer = page.getByLabel("Offer", { exact: true });
  await offer.selectOption({ label: "no offer" });
  await expect(page.getByText(`${"Only £24.00, save ".length} of 40`)).toBeVisible();
  await page.getByRole("link", { name: "On to the proofs" }).click();
  await page.getByRole("button", { name: /^Findings \d+$/ }).click();
  const nothing = page.getByText("{saving} stands for nothing: it needs an offer that changes the price");
  await expect(nothing.first()).toBeVisible();
  await page.getByRole("link", { name: "Fill", exact: true }).click();
  await offer.selectOption({ label: "Potting week" });
  await expect(page.getByText(`${"Only £20.40, save £3.60".length} of 40`)).toBeVisible();

  await page.getByRole("button", { name: "Put in what follows its source" }).first().focus();
  await page.keyboard.press("Enter");
  await page.getByRole("button", { name: "Turn into plain words" }).click();
  await expect(headline(page)).toHaveValue("Only £20.40, save £3.60");
  await offer.selectOption({ label: "no offer" });
  await expect(headline(page)).toHaveValue("Only £20.40, save £3.60");
  await page.getByRole("button", { name: "Undo" }).click();
  await page.getByRole("button", { name: "Undo" }).click();
  await expect(headline(page)).toHaveValue("Only {price now}, save {saving}");
});
