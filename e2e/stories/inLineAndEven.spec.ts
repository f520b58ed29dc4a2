import { type Page, expect, test } from "@playwright/test";
import { centre, handles, placeIn } from "../handles";
import { openShortPromotion } from "../newPromotion";
import { openSceneTools } from "../sceneTools";

/** Words, the logo and a label are taken together on a proof, put in line in every format, spaced by a number, dragged as one. */

/** Presses on what is there on the square proof, at shares of it. */
async function pressAt(page: Page, x: number, y: number, modifiers: "Shift"[] = []): Promise<void> {
  const proof = page.locator("[data-proof=square]");
  const box = await proof.boundingBox();
  if (!box) throw new Error("There is no square proof.");
  await proof.click({ position: { x: x * box.width, y: y * box.height }, modifiers });
}

test("a headline, the logo and a label are centred at once in three formats, spaced by a number, and taken back in one step each", async ({
  page,
}) => {
  await openShortPromotion(page, "in-line", "Delphine Orrow");
  await page.getByRole("button", { name: "Put something over scene Headline" }).click();
  await page.getByRole("button", { name: "Label", exact: true }).click();
  await page.getByRole("list", { name: "Over Headline" }).getByRole("textbox").fill("All week");

  // Where the headline and the logo are, as their handles say.
  const whereIs = async (press: string): Promise<{ x: number; y: number }> => {
    await openSceneTools(page, 1);
    await page.getByRole("button", { name: press }).click();
    await expect(handles(page, "square")).toBeVisible();
    const { x, y, width, height } = await placeIn(page, "square");
    await page.keyboard.press("Escape");
    return { x: (x + width / 2) / 1080, y: (y + height / 2) / 1080 };
  };
  const headline = await whereIs("Place Headline by hand");
  const logo = await whereIs("Place the logo by hand");

  await pressAt(page, headline.x, headline.y);
  await pressAt(page, logo.x, logo.y, ["Shift"]);
  const tools = page.getByRole("group", { name: "Several at once" });
  await expect(tools).toContainText("2");
  // The label is taken with them from its list.
  await page.getByRole("checkbox", { name: "Choose “All week” with others" }).check();
  await expect(tools).toContainText("3");
  await tools.getByRole("button", { name: "Align at the centre" }).click();
  // What is taken together is outlined, and the outlines go with it.
  const outlines = page.locator("[data-proof=square] [data-outlined]");
  await expect(outlines).toHaveCount(3);
  await expect
    .poll(async () => {
      const middles = (await Promise.all((await outlines.all()).map((one) => one.boundingBox()))).map(
        (box) => (box?.x ?? 0) + (box?.width ?? 0) / 2,
      );
      return Math.max(...middles) - Math.min(...middles);
    })
    .toBeLessThan(2);
  await tools.getByLabel("Gap down").fill("60");
  await page.keyboard.press("Tab");
  await expect(page.getByText("saved", { exact: true })).toBeVisible();

  // Dragged as one in the vertical, each of them goes as far; the other formats stay.
  const tall = page.locator("[data-proof=vertical] [data-outlined]");
  const stand = async () =>
    (await Promise.all((await tall.all()).map((one) => one.boundingBox()))).map((box) => box?.y ?? 0);
  const [standing, squareBefore] = [await stand(), await placeIn(page, "square")];
  const all = await handles(page, "vertical").boundingBox();
  const [x, y] = [(all?.x ?? 0) + (all?.width ?? 0) / 2, (all?.y ?? 0) + (all?.height ?? 0) / 2];
  await page.keyboard.down("Alt");
  await page.mouse.move(x, y);
  await page.mouse.down();
  await page.mouse.move(x, y - 20, { steps: 4 });
  await page.mouse.up();
  await page.keyboard.up("Alt");
  await expect
    .poll(async () =>
      (await stand()).map((now, at) => Math.round((standing[at] ?? 0) - now - 20)).every((off) => Math.abs(off) <= 1),
    )
    .toBe(true);
  expect(await placeIn(page, "square")).toEqual(squareBefore);
  await page.getByRole("button", { name: "Undo" }).click();
  await expect.poll(stand).toEqual(standing);
  // By the keys, ten units at a time.
  const before = await placeIn(page, "vertical");
  await handles(page, "vertical").press("Shift+ArrowDown");
  await expect.poll(async () => (await placeIn(page, "vertical")).y - before.y).toBe(10);
  await page.getByRole("button", { name: "Undo" }).click();
  await expect.poll(stand).toEqual(standing);

  await page.keyboard.press("Escape");
  await expect(tools).toHaveCount(0);

  const placed = async (press: () => Promise<void>) => {
    await press();
    await expect(handles(page, "square")).toBeVisible();
    const all = [];
    for (const format of ["square", "vertical", "widescreen"]) all.push(await placeIn(page, format));
    await page.keyboard.press("Escape");
    return all;
  };
  const inScene = (name: string) => async (): Promise<void> => {
    await openSceneTools(page, 1);
    await page.getByRole("button", { name }).click();
  };
  const words = await placed(inScene("Place Headline by hand"));
  const sign = await placed(inScene("Place the logo by hand"));
  const label = await placed(() => page.getByRole("textbox", { name: /^Words of/ }).click());
  for (const [at, one] of words.entries()) {
    const others = [sign[at], label[at]];
    // To a unit: places are said, and kept, in halves.
    for (const other of others) expect(Math.abs(centre(one).x - centre(other ?? one).x)).toBeLessThanOrEqual(1);
    // One below the other, sixty units apart.
    const [first, second, third] = [one, ...others]
      .flatMap((place) => place ?? [])
      .sort((upper, lower) => upper.y - lower.y);
    for (const [upper, lower] of [
      [first, second],
      [second, third],
    ]) {
      const gap = (lower?.y ?? 0) - (upper?.y ?? 0) - (upper?.height ?? 0);
      expect(Math.abs(gap - 60)).toBeLessThanOrEqual(2);
    }
  }

  // The gap was a step, the line another.
  await page.getByRole("button", { name: "Undo" }).click();
  await page.getByRole("button", { name: "Undo" }).click();
  await expect(page.getByText("saved", { exact: true })).toBeVisible();
  const back = await placed(inScene("Place the logo by hand"));
  expect((back[0]?.x ?? 0) + (back[0]?.width ?? 0) / 2).toBeCloseTo(logo.x * 1080, -1);
});
