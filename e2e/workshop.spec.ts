import { type Page, expect, test } from "@playwright/test";
import { axeFaults } from "./axe";
import { signInAs } from "./people";
import { openSceneTools } from "./sceneTools";

/** A copy of a shipped template in the workshop, with its first scene chosen and its proofs painted. */
async function openCopy(page: Page, template: string): Promise<string> {
  await signInAs(page, "Delphine Orrow");
  await page.goto("/templates");
  await page.getByRole("button", { name: `Make ${template} our own` }).click();
  await page.waitForURL(/\/workshop$/);
  await expect(page.getByRole("slider", { name: "Place in time" })).toBeVisible();
  return page.url();
}

interface Place {
  readonly x: number;
  readonly y: number;
  readonly width: number;
  readonly height: number;
}

/** What the numbers of the chosen slot say of a format. */
async function numbers(page: Page, format: string): Promise<Place> {
  const value = async (label: string): Promise<number> => {
    const field = page.getByLabel(`${label} in ${format}`);
    // Empty until the proofs are there.
    await expect(field).not.toHaveValue("");
    return Number(await field.inputValue());
  };
  return {
    x: await value("From the left"),
    y: await value("From the top"),
    width: await value("Width"),
    height: await value("Height"),
  };
}

const saved = (page: Page) => expect(page.getByRole("status").filter({ hasText: "saved" })).toBeVisible();

/** @param guide what it is to snap to on the way */
async function drag(page: Page, handle: string, by: { x: number; y: number }, guide?: string): Promise<void> {
  const box = await page.locator(handle).boundingBox();
  if (!box) throw new Error(`${handle} is not on screen.`);
  const [x, y] = [box.x + box.width / 2, box.y + box.height / 2];
  await page.mouse.move(x, y);
  await page.mouse.down();
  await page.mouse.move(x + by.x, y + by.y, { steps: 6 });
  if (guide) await expect(page.locator(`[data-guide="${guide}"]`).first()).toBeAttached();
  await page.mouse.up();
}

test("a slot is placed by hand on one proof: dragged with snapping, resized, by keys, by numbers; the other formats stay; undo, reload", async ({
  page,
}) => {
  const address = await openCopy(page, "Price on a card");
  await page.getByRole("button", { name: "Place Product by hand" }).click();
  const before = await numbers(page, "square");
  const vertical = await numbers(page, "vertical");

  // Up to within a few pixels of the top of the safe area, 60 units: it snaps there.
  const proof = await page.locator("[data-proof=square]").boundingBox();
  const unit = (proof?.width ?? 0) / 1080;
  await drag(page, "[data-handles=square]", { x: 0, y: -(before.y - 60 - 8) * unit }, "safe area");
  await expect(page.getByLabel("From the top in square")).toHaveValue("60");
  await expect.poll(() => numbers(page, "vertical")).toEqual(vertical);
  await expect(page.getByRole("group", { name: "Slot Product" })).toContainText("placed by hand in square");

  // The lower right corner: place and opposite edges stay.
  const moved = await numbers(page, "square");
  await drag(page, "[data-handles=square] [data-edge=end-end]", { x: -60 * unit, y: 90 * unit });
  const resized = await numbers(page, "square");
  expect([resized.x, resized.y]).toEqual([moved.x, moved.y]);
  expect(resized.width).toBeLessThan(moved.width);
  expect(resized.height).toBeGreaterThan(moved.height);

  await page.locator("[data-handles=square]").focus();
  await page.keyboard.press("Shift+ArrowLeft");
  await page.keyboard.press("ArrowDown");
  await expect(page.getByLabel("From the left in square")).toHaveValue(String(resized.x - 10));
  await expect(page.getByLabel("From the top in square")).toHaveValue("61");
  await page.keyboard.press("Control+ArrowRight");
  await expect(page.getByLabel("Width in square")).toHaveValue(String(resized.width + 1));

  await page.getByLabel("From the left in widescreen").fill("1000");
  await expect(page.getByRole("group", { name: "Slot Product" })).toContainText("placed by hand in square, widescreen");
  await saved(page);
  await page.reload();
  await page.getByRole("button", { name: "Place Product by hand" }).click();
  await expect(page.getByLabel("From the left in widescreen")).toHaveValue("1000");
  expect(await numbers(page, "square")).toEqual({
    x: resized.x - 10,
    y: 61,
    width: resized.width + 1,
    height: resized.height,
  });

  // Given back to the arrangement, and that undone.
  await page.getByRole("button", { name: "Give the place in square back to the arrangement" }).click();
  await expect.poll(async () => (await numbers(page, "square")).y).toBe(before.y);
  await page.getByRole("button", { name: "Undo" }).click();
  await expect.poll(async () => (await numbers(page, "square")).y).toBe(61);

  // Escape gives a drag up.
  const box = await page.locator("[data-handles=vertical]").boundingBox();
  await page.mouse.move((box?.x ?? 0) + 30, (box?.y ?? 0) + 10);
  await page.mouse.down();
  await page.mouse.move((box?.x ?? 0) + 80, (box?.y ?? 0) + 60, { steps: 4 });
  await page.keyboard.press("Escape");
  await page.mouse.up();
  await expect.poll(() => numbers(page, "vertical")).toEqual(vertical);
  expect(page.url()).toBe(address);
});

test("a draft is seen under every extreme in both brands at once, its look and sound are changed, and the page passes axe", async ({
  page,
}) => {
  await openCopy(page, "Three reasons");
  await page.getByRole("button", { name: "Extremes" }).click();
  const table = page.getByRole("table", { name: "Extremes" });
  await expect(table.getByRole("rowheader")).toHaveText([
    "usual words",
    "longest words",
    "no words",
    "right to left",
    "widest picture",
    "tallest picture",
  ]);
  await expect(table.getByRole("columnheader", { name: /Quillfern|Tallowby/ })).toHaveCount(2);
  await expect(table.locator("[data-preview=resting]")).toHaveCount(12);
  expect(await axeFaults(page)).toEqual([]);
  await page.getByRole("button", { name: "Proofs" }).click();
  await page
    .getByRole("button", { name: /^Place .* by hand/ })
    .first()
    .click();
  await expect(page.locator("[data-handles]")).toHaveCount(3);
  expect(await axeFaults(page)).toEqual([]);

  await page.getByRole("button", { name: "Look and sound" }).click();
  await page.getByLabel("Words come in").selectOption("at once");
  await page.getByLabel("One scene gives way to the next").selectOption("by a wipe");
  await page.getByLabel("Fades out, seconds").fill("2.5");
  await page.getByLabel("Loudness, LUFS").fill("-16");
  // How it all moves, and how its second scene comes in and looks.
  await page.getByRole("button", { name: "Pace", exact: true }).click();
  await page.getByLabel("It ends").selectOption("shape closes");
  await page.getByRole("list", { name: "Scenes" }).getByRole("listitem").nth(1).getByRole("button").first().click();
  await page.getByLabel("Comes in by").selectOption({ label: "shape reveal" });
  await page.getByLabel("and go").selectOption("shrink");
  await page.getByLabel(/^One shot with the scene before/).check();
  await saved(page);
  expect(await axeFaults(page)).toEqual([]);
  await page.reload();
  await page.getByRole("list", { name: "Scenes" }).getByRole("listitem").nth(1).getByRole("button").first().click();
  await page.getByRole("button", { name: "Pace", exact: true }).click();
  await expect(page.getByLabel("Comes in by")).toHaveValue("reveal");
  await expect(page.getByLabel("and go")).toHaveValue("shrink");
  await expect(page.getByLabel(/^One shot with the scene before/)).toBeChecked();
  await page.getByRole("button", { name: "Look and sound" }).click();
  await expect(page.getByLabel("It ends")).toHaveValue("shape closes");
  await page.getByRole("button", { name: "Design", exact: true }).click();
  await page.getByRole("button", { name: "Look and sound" }).click();
  await expect(page.getByLabel("Words come in")).toHaveValue("still");
  await expect(page.getByLabel("One scene gives way to the next")).toHaveValue("wipe");
  await expect(page.getByLabel("Fades out, seconds")).toHaveValue("2.5");
  await expect(page.getByLabel("Loudness, LUFS")).toHaveValue("-16");
});

test("a new edition is announced in promotions of the one before, the move is previewed and made; a filler colours and places what the designer allows", async ({
  page,
  browser,
}) => {
  const address = await openCopy(page, "Back on the shelf");
  await page.getByLabel("Name of the template").fill("Here once more");
  const slot = page.getByRole("group", { name: /^Slot / }).first();
  const label = await slot.getByRole("textbox", { name: "Label" }).inputValue();
  await slot.getByRole("checkbox", { name: "its colour" }).check();
  await slot.getByRole("checkbox", { name: "its place" }).check();
  await saved(page);
  await page.getByRole("button", { name: "Publish" }).click();
  await page.waitForURL(/shelf=own/);

  const filler = await (await browser.newContext({ viewport: { width: 1280, height: 800 } })).newPage();
  await signInAs(filler, "Tamsin Kell");
  await filler.goto("/templates?shelf=own");
  await filler.getByRole("listitem", { name: "Here once more" }).getByRole("link", { name: "Fill" }).click();
  await filler.getByRole("button", { name: "Fill the first version" }).click();
  await filler.waitForURL(/\/promotions\/(?!new)/);
  await expect(filler.getByText(/Edition 2/)).toBeHidden();
  await openSceneTools(filler, 1);
  await filler.getByLabel(`Colour of ${label}`).selectOption("accent");
  const places = filler.getByRole("button", { name: /^Place .* by hand/ });
  for (const place of await places.all())
    if ((await place.getAttribute("aria-label")) !== `Place ${label} by hand`) await expect(place).toBeDisabled();
  await filler.getByRole("button", { name: `Place ${label} by hand` }).click();
  const handles = filler.locator("[data-handles=square]");
  const place = await handles.getAttribute("aria-label");
  await handles.focus();
  await filler.keyboard.press("Shift+ArrowDown");
  await expect(handles).not.toHaveAttribute("aria-label", place ?? "");
  await saved(filler);

  await page.goto(address);
  await page.getByRole("button", { name: "Add a scene" }).click();
  await saved(page);
  await page.getByRole("button", { name: "Publish edition 2" }).click();
  await page.waitForURL(/shelf=own/);

  await filler.reload();
  const scenes = filler.getByTestId("copy-deck").getByRole("region", { name: /^Scene \d+/ });
  const count = await scenes.count();
  await expect(filler.getByText("Edition 2 of “Here once more” is out; this promotion is on edition 1.")).toBeVisible();
  await filler.getByRole("button", { name: "See what would change" }).click();
  const dialog = filler.getByRole("dialog");
  await expect(dialog.locator("[data-preview=resting]")).toBeVisible();
  await expect(dialog.getByText("Everything you filled finds a place.")).toBeVisible();
  await dialog.getByRole("button", { name: "Change the template" }).click();
  await expect(scenes).toHaveCount(count + 1);
  await expect(filler.getByText(/Edition 2/)).toBeHidden();
  await saved(filler);
  await filler.context().close();
});
