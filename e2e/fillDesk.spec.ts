import { readFile } from "node:fs/promises";
import { type Page, expect, test } from "@playwright/test";
import sharp from "sharp";
import { newPromotion } from "./newPromotion";
import { signInAs } from "./people";
import { openSceneTools } from "./sceneTools";

/** The Fill desk as people use it: typing, undo, the trio and its strip, two people at once. */
test.beforeEach(async ({ page }) => {
  await signInAs(page, "Tamsin Kell");
});

const open = async (page: Page, slug = "potting-week-terracotta"): Promise<void> => {
  await page.goto(`/promotions/${slug}`);
  await expect(page.getByTestId("meters").first()).toBeVisible();
};
const print = (page: Page, format: string): Promise<string> =>
  page
    .locator(`[data-proof=${format}] canvas`)
    .evaluate((canvas) => (canvas instanceof HTMLCanvasElement ? canvas.toDataURL() : ""));
const saved = (page: Page) => expect(page.getByRole("status").filter({ hasText: "saved" })).toBeVisible();

test("while typing, all three proofs follow, and the meters say what fits", async ({ page }) => {
  await open(page);
  const before = await Promise.all(["square", "vertical", "widescreen"].map((format) => print(page, format)));
  await page.getByLabel("Headline", { exact: true }).pressSequentially(" now");
  for (const [index, format] of ["square", "vertical", "widescreen"].entries())
    await expect.poll(() => print(page, format)).not.toBe(before[index]);
  await page
    .getByLabel("Headline", { exact: true })
    .fill(
      "An extraordinarily long headline that nobody at all could ever read in the time it stays there, however large the screen may be, and however kind the light is today",
    );
  await expect(page.getByLabel("Scene 1, Headline")).toContainText("too short to read");
  await page.keyboard.press("Control+z");
  await page.keyboard.press("Control+z");
  await expect(page.getByLabel("Headline", { exact: true })).toHaveValue("Bring the bench to life");
  await saved(page);
});

test("undo and redo go through edits, and what was undone is saved too", async ({ page }) => {
  await open(page, "herb-friday-tray");
  await page.getByLabel("Call to action").fill("Pick two");
  await page.getByRole("button", { name: "Undo" }).click();
  await expect(page.getByLabel("Call to action")).toHaveValue("Pick yours on Friday");
  await page.getByRole("button", { name: "Redo" }).click();
  await expect(page.getByLabel("Call to action")).toHaveValue("Pick two");
  await page.getByRole("button", { name: "Undo" }).click();
  await saved(page);
  await page.reload();
  await expect(page.getByLabel("Call to action")).toHaveValue("Pick yours on Friday");
});

test("a click in a proof puts the cursor in the field it shows", async ({ page }) => {
  await open(page);
  const box = await page.locator("[data-proof=square]").boundingBox();
  await page.mouse.click((box?.x ?? 0) + (box?.width ?? 0) * 0.25, (box?.y ?? 0) + (box?.height ?? 0) * 0.88);
  await expect(page.getByLabel("Headline", { exact: true })).toBeFocused();
});

test("the trio plays in step, pauses with Space, steps by frame and is dragged through time", async ({ page }) => {
  await open(page);
  const slider = page.getByRole("slider", { name: "Place in time" });
  const time = async (): Promise<number> => Number(await slider.getAttribute("aria-valuenow"));
  await page.getByRole("button", { name: "Play" }).click();
  await expect.poll(time).toBeGreaterThan(700);
  await slider.focus();
  await page.keyboard.press("Space");
  await expect(page.getByRole("button", { name: "Play" })).toBeVisible();
  const paused = await time();
  await page.keyboard.press("ArrowRight");
  expect(Math.abs((await time()) - paused - 1000 / 30)).toBeLessThan(2);
  await page.keyboard.press("Shift+ArrowRight");
  expect(Math.abs((await time()) - paused - 1033)).toBeLessThan(3);
  const box = await slider.boundingBox();
  const at = (share: number): [number, number] => [(box?.x ?? 0) + (box?.width ?? 0) * share, (box?.y ?? 0) + 12];
  await page.mouse.move(...at(0.2));
  await page.mouse.down();
  await page.mouse.move(...at(0.6), { steps: 4 });
  await page.mouse.up();
  expect(Math.abs((await time()) - 9000)).toBeLessThan(60);
  await expect(page.getByTestId("time")).toHaveText(/00:0[89]\.\d\d/);
});

test("two people in one promotion see who is where and what the other does; who is overwritten is told, and takes it back", async ({
  page,
  browser,
  baseURL,
}) => {
  // Of their own: whoever else has a promotion open is seen in it.
  const slug = await newPromotion(page, "one-offer", "Kitchen herb tray");
  const context = await browser.newContext({ ...(baseURL ? { baseURL } : {}), viewport: { width: 1280, height: 800 } });
  const other = await context.newPage();
  await signInAs(other, "Imre Vass");
  await open(other, slug);
  const headline = (of: Page) => of.getByLabel("Headline", { exact: true });
  await expect(page.getByLabel("Also here")).toContainText("Imre Vass is here");
  await expect(other.getByLabel("Also here")).toContainText("Tamsin Kell is here");

  // Changes of different places come over as they are saved, and stand beside each other.
  await other.getByLabel("Terms (optional)").fill("One tray a person");
  await expect(page.getByLabel("Also here")).toContainText("terms");
  await expect(page.getByText("Imre Vass is in this scene")).toBeVisible();
  await saved(other);
  await expect(page.getByLabel("Terms (optional)")).toHaveValue("One tray a person", { timeout: 2000 });
  await headline(page).fill("Supper begins here");
  await expect(headline(other)).toHaveValue("Supper begins here", { timeout: 3000 });

  // At the same place the later one stands; the earlier person is told what it was.
  await saved(page);
  await headline(other).fill("Supper starts here");
  await expect(headline(page)).toHaveValue("Supper starts here", { timeout: 3000 });
  await expect(page.getByText(/^Imre Vass changed “.*Headline”\. Yours was “Supper begins here”\.$/)).toBeVisible();
  await page.getByRole("button", { name: "Take mine back" }).click();
  await expect(headline(other)).toHaveValue("Supper begins here", { timeout: 3000 });

  // What was saved while a page had no connection is put under what was typed there meanwhile.
  await context.setOffline(true);
  await other.getByLabel("Terms (optional)").fill("Two trays a person");
  await expect(other.getByText("no connection")).toBeVisible();
  await headline(page).fill("Supper is here");
  await saved(page);
  await context.setOffline(false);
  await expect(headline(other)).toHaveValue("Supper is here", { timeout: 10_000 });
  await expect(page.getByLabel("Terms (optional)")).toHaveValue("Two trays a person", { timeout: 10_000 });

  // Who says nothing more is gone after 25 s, which is looked at every 10 s.
  await context.close();
  await expect(page.getByLabel("Also here")).toBeHidden({ timeout: 40_000 });
  await page.reload();
  await expect(headline(page)).toHaveValue("Supper is here");
  await expect(page.getByLabel("Terms (optional)")).toHaveValue("Two trays a person");
});

test("pictures are offered by how well they fit, each other one saying why not, and found by name and tag", async ({
  page,
}) => {
  await newPromotion(page, "three-strips", "Hand-thrown pot, 24 cm");
  await page.getByRole("button", { name: /^Choose first strip/i }).click();
  const dialog = page.getByRole("dialog");
  const first = dialog.getByRole("button", { name: /× / }).first();
  await expect(first).not.toContainText("asked");
  await dialog.getByLabel("Search media by name or tag").fill("river planter");
  await expect(dialog.getByRole("button", { name: /river-planter/ })).toContainText("standing, lying asked");
  await dialog.getByLabel("Search media by name or tag").fill("nothing is called this");
  await expect(dialog).toContainText("Nothing is called that.");

  // What somebody brings in while it is open can be chosen as soon as it is read in.
  await dialog.getByLabel("Search media by name or tag").fill("only just brought");
  await expect(dialog).toContainText("Nothing is called that.");
  const beside = await page.context().newPage();
  await beside.goto("/media");
  const buffer = await sharp({ create: { width: 900, height: 700, channels: 3, background: "#7a5533" } })
    .jpeg()
    .toBuffer();
  await beside
    .getByTestId("file-picker")
    .setInputFiles({ name: "only-just-brought.jpg", mimeType: "image/jpeg", buffer });
  const brought = dialog.getByRole("button", { name: /only-just-brought/ });
  // Other tests may have clips before it in the queue.
  await expect(brought).toBeVisible({ timeout: 90_000 });
  await beside.close();
  await brought.click();
  await expect(dialog).toBeHidden();
  await expect(page.getByText("only-just-brought").first()).toBeVisible();
});

test("an empty scene is put in, moved by keyboard and by hand, skipped, shown again and taken out", async ({
  page,
}) => {
  await newPromotion(page, "one-offer", "Hand-thrown pot, 24 cm");
  const strip = page.getByRole("slider", { name: "Place in time" });
  await expect(strip).toHaveText("1Headline2Product3Offer4Sign-off");
  await page.getByRole("button", { name: "Empty scene" }).click();
  await page.getByRole("checkbox", { name: /^8 Quote|Quote/ }).check();
  await page.getByRole("button", { name: "Insert the scene" }).click();
  // It stands in front of the sign-off, and nothing is in it.
  await expect(strip).toHaveText("1Headline2Product3Offer4Quote5Sign-off");

  const handle = page.getByRole("button", { name: "Move the scene Product" });
  await handle.focus();
  await page.keyboard.press("Space");
  await expect(page.getByText("“Product” is over place 2 of 5.")).toBeAttached();
  await page.keyboard.press("ArrowUp");
  await expect(page.getByText("“Product” is over place 1 of 5.")).toBeAttached();
  await page.keyboard.press("Space");
  await expect(strip).toHaveText("1Product2Headline3Offer4Quote5Sign-off");
  await page.keyboard.press("Control+z");
  await expect(strip).toHaveText("1Headline2Product3Offer4Quote5Sign-off");

  const from = await handle.boundingBox();
  const to = await page.getByRole("button", { name: "Move the scene Headline" }).boundingBox();
  if (!from || !to) throw new Error("Scenes have handles.");
  await page.mouse.move(from.x + 5, from.y + 8);
  await page.mouse.down();
  await page.mouse.move(from.x + 5, from.y - 40, { steps: 4 });
  await page.mouse.move(to.x + 5, to.y - 20, { steps: 8 });
  await page.mouse.up();
  await expect(strip).toHaveText("1Product2Headline3Offer4Quote5Sign-off");

  await openSceneTools(page, 1);
  await page.getByRole("button", { name: "Skip" }).click();
  await expect(strip).toHaveText("1Headline2Offer3Quote4Sign-off");
  const skipped = page.getByRole("region", { name: "Product, skipped" });
  await expect(skipped).toBeVisible();
  await saved(page);
  await page.reload();
  await skipped.getByRole("button", { name: "Show again" }).click();
  await expect(strip).toHaveText("1Product2Headline3Offer4Quote5Sign-off");
  await openSceneTools(page, 1);
  await page.getByRole("button", { name: "Take out" }).click();
  await expect(strip).toHaveText("1Headline2Offer3Quote4Sign-off");
  await saved(page);
});

test("what is pasted keeps its paragraphs alone, an emoji goes where the cursor is, words are replaced everywhere at once", async ({
  page,
}) => {
  await newPromotion(page, "one-offer", "Hand-thrown pot, 24 cm");
  const headline = page.getByLabel("Headline", { exact: true });
  await headline.fill("");
  await headline.evaluate((field) => {
    const clipboardData = new DataTransfer();
    clipboardData.setData("text/plain", "  • Pots\tfor spring \r\n\r\n  - and for\u00a0summer\u200b\n");
    field.dispatchEvent(new ClipboardEvent("paste", { clipboardData, bubbles: true, cancelable: true }));
  });
  await expect(headline).toHaveValue("Pots for spring\nand for summer");
  await headline.press("Control+Home");
  for (let letter = 0; letter < 4; letter++) await headline.press("ArrowRight");
  await page.getByLabel("Scene 1, Headline").getByRole("button", { name: "Put an emoji in" }).first().click();
  await page.getByLabel("Search emoji by name").fill("seedling");
  await page.getByRole("button", { name: "seedling", exact: true }).click();
  await expect(headline).toHaveValue("Pots🌱 for spring\nand for summer");
  // It is typed on behind it.
  await page.keyboard.type("!");
  await expect(headline).toHaveValue("Pots🌱! for spring\nand for summer");

  await page.getByRole("button", { name: "Put something over scene Headline" }).click();
  await page.getByRole("button", { name: "Label", exact: true }).click();
  await page.getByRole("list", { name: "Over Headline" }).getByRole("textbox").fill("SPRING");
  await page.getByRole("button", { name: "Find words" }).click();
  const dialog = page.getByRole("dialog");
  await dialog.getByLabel("Find", { exact: true }).fill("spring");
  await dialog.getByLabel("Replace by").fill("autumn");
  await expect(dialog.getByRole("list", { name: "Found" }).getByRole("listitem")).toHaveCount(2);
  await dialog.getByRole("button", { name: "Replace all 2" }).click();
  await expect(dialog.getByRole("list", { name: "Found" })).toContainText("It stands nowhere.");
  await dialog.getByRole("button", { name: "Done" }).click();
  await expect(headline).toHaveValue("Pots🌱! for autumn\nand for summer");
  await expect(page.getByRole("list", { name: "Over Headline" }).getByRole("textbox")).toHaveValue("autumn");
  await page.keyboard.press("Control+z");
  await expect(headline).toHaveValue("Pots🌱! for spring\nand for summer");
  await saved(page);
});

test("an offer that is not for the product says so; its own is written out", async ({ page }) => {
  await open(page);
  await page.getByLabel("Offer", { exact: true }).selectOption({ label: "Spring compost (coming)" });
  await expect(page.getByLabel("Scene 3, Offer")).toContainText("is not for this product");
  await saved(page);
  await page.getByLabel("Offer", { exact: true }).selectOption({ label: "Potting week" });
  await expect(page.getByLabel("Scene 3, Offer")).toContainText("£20.40 · 15\u00a0% off");
  await saved(page);
});

test("the brand book and the catalogue are filled in by hand, and show their problems where they are", async ({
  page,
}) => {
  await page.goto("/catalogue");
  await page.getByRole("link", { name: "New product" }).click();
  const form = page.getByRole("form", { name: "New product" });
  await form.getByLabel("Name").fill("Clay saucer");
  await form.getByLabel("Price").fill("cheap");
  await form.getByRole("button", { name: "Save" }).click();
  await expect(form.getByRole("alert")).toHaveText("“cheap” is not a price. Write it like 24.00.");
  await form.getByLabel("Price").fill("6.50");
  await form.getByRole("button", { name: "Save" }).click();
  await expect(page.getByRole("table")).toContainText("£6.50");
  await page.getByRole("link", { name: "Change Hand-thrown pot, 24 cm" }).click();
  await page.getByRole("button", { name: "Remove" }).click();
  await expect(page.getByText("the promotion “Potting week, terracotta”")).toBeVisible();

  await page.goto("/brand-book");
  await page.getByLabel("accent colour, hex").fill("#12");
  await page.getByLabel("accent colour, hex").press("Enter");
  await expect(page.getByText("“#12” is not a colour.")).toBeVisible();
  await page.getByLabel("accent colour, hex").fill("rgb(201 96 58)");
  await page.getByRole("button", { name: "Save the book" }).click();
  // What was rendered by other tests by then is out of date.
  await expect(
    page.getByText(/^Saved\. (Promotions show it|\d+ renditions? (is|are) out of date|Renditions are being compared)/),
  ).toBeVisible();
});

/** The frame on screen on the Proof desk at large, as it is now and as a version has it. */
async function besideVersion(page: Page, name: string): Promise<Buffer[]> {
  await page.getByRole("link", { name: "On to the proofs" }).click();
  await page.getByRole("button", { name: "Large" }).click();
  await page.getByLabel("beside").selectOption({ label: name });
  await expect(page.locator("figcaption").getByText(name)).toBeVisible();
  const saves = page.getByRole("button", { name: /^Save this \w+ frame as PNG$/ });
  await expect(saves).toHaveCount(2);
  const frames: Buffer[] = [];
  for (const save of await saves.all()) {
    const [download] = await Promise.all([page.waitForEvent("download"), save.click()]);
    frames.push(await readFile(await download.path()));
  }
  return frames;
}

test("a version is kept by name, looked at beside the promotion as it is now, and brought back in one step", async ({
  page,
}) => {
  await signInAs(page, "Tamsin Kell");
  await newPromotion(page, "one-offer", "Hand-thrown pot, 24 cm");
  const headline = page.getByLabel("Headline", { exact: true });
  await headline.fill("As approved");
  await saved(page);
  await page.getByRole("button", { name: "Versions" }).click();
  await page.getByLabel("Name of the version").fill("Approved by all");
  await page.getByRole("button", { name: "Keep", exact: true }).click();
  await expect(page.getByRole("button", { name: /^Approved by all/ })).toBeVisible();
  await page.getByRole("button", { name: "Leave it" }).click();

  await headline.fill("Quite another thing");
  await saved(page);
  await page.getByRole("button", { name: "Versions" }).click();
  await page.getByRole("button", { name: /^Approved by all/ }).click();
  for (const name of ["As it is now", "Approved by all"])
    await expect(page.getByRole("img", { name: `${name}, square` })).toBeVisible();
  await page.getByRole("button", { name: "Bring it back" }).click();
  await expect(headline).toHaveValue("As approved");
  await saved(page);
  await page.getByRole("button", { name: "Undo" }).click();
  await expect(headline).toHaveValue("Quite another thing");
  await saved(page);

  // On the Proof desk it stands beside the promotion at large, at the same moment.
  const [now, then] = await besideVersion(page, "Approved by all");
  expect(now?.equals(then ?? Buffer.of())).toBe(false);
  // With the old words back, both are the same to the byte.
  await page.getByRole("link", { name: "Fill", exact: true }).click();
  await expect(page.getByTestId("meters").first()).toBeVisible();
  await headline.fill("As approved");
  await saved(page);
  const [again, asThen] = await besideVersion(page, "Approved by all");
  expect(again?.equals(asThen ?? Buffer.of())).toBe(true);

  // Another picture is chosen, and the page, loaded anew, knows nothing of the one before: beside it, it is there still.
  await page.getByRole("link", { name: "Fill", exact: true }).click();
  await expect(page.getByTestId("meters").first()).toBeVisible();
  const picture = page.getByLabel("Scene 1, Headline").getByRole("button", { name: "Choose picture" });
  await picture.click();
  await page.getByRole("dialog").getByLabel("Search media by name or tag").fill("herb-tray");
  await page
    .getByRole("dialog")
    .getByRole("button", { name: /^herb-tray/ })
    .click();
  await saved(page);
  await page.reload();
  await expect(page.getByTestId("meters").first()).toBeVisible();
  const [other, stillThen] = await besideVersion(page, "Approved by all");
  expect(other?.equals(stillThen ?? Buffer.of())).toBe(false);
  expect(stillThen?.equals(asThen ?? Buffer.of())).toBe(true);
});

test("scenes that nobody writes in follow: to what changes them at once, and a tool of theirs loses no letter", async ({
  page,
}) => {
  await newPromotion(page, "one-offer", "Hand-thrown pot, 24 cm");
  const strip = page.getByRole("slider", { name: "Place in time" });
  const headline = page.getByLabel("Headline", { exact: true });
  const line = page.getByLabel("Line (optional)", { exact: true });
  await line.fill("Thrown in the next street");
  await headline.fill("Pots ");
  // Undone twice from the first scene: the second is another than the one in hand.
  await page.keyboard.press("Control+z");
  await page.keyboard.press("Control+z");
  await expect(line).not.toHaveValue("Thrown in the next street");
  await page.keyboard.press("Control+Shift+z");
  await page.keyboard.press("Control+Shift+z");
  await expect(line).toHaveValue("Thrown in the next street");
  await headline.pressSequentially("for the bench");
  // Pressed at once, while the second scene has not been drawn since.
  await openSceneTools(page, 2);
  await page.getByRole("button", { name: "Repeat" }).click();
  await expect(strip).toHaveText("1Headline2Product3Product4Offer5Sign-off");
  await expect(headline).toHaveValue("Pots for the bench");
  await saved(page);
  await page.reload();
  await expect(headline).toHaveValue("Pots for the bench");
});

test("a picture that is dropped on another scene, in which nobody is, is swapped as it has just become", async ({
  page,
}) => {
  await newPromotion(page, "one-offer", "Hand-thrown pot, 24 cm");
  const slots = page.getByRole("button", { name: "Choose picture" });
  const resets = page.getByRole("button", { name: "Reset", exact: true });
  const shown = (): Promise<(string | null)[]> =>
    Promise.all([0, 1].map((at) => slots.nth(at).locator("img").getAttribute("src")));
  const [fromCatalogue] = await shown();
  for (const [at, name] of [/corner-in-june/, /river-planter/].entries()) {
    await slots.nth(at).click();
    await page.getByRole("dialog").getByRole("button", { name }).click();
    await expect(resets).toHaveCount(at + 1);
  }
  await expect.poll(async () => new Set([fromCatalogue, ...(await shown())]).size).toBe(3);
  const [, second] = await shown();
  await saved(page);
  await slots.nth(0).focus();
  // Given back to the catalogue and dropped on the other in one go: that one was not drawn in between.
  const other = await slots.nth(1).elementHandle();
  await resets.first().evaluate(async (reset, onto) => {
    reset.dispatchEvent(new MouseEvent("click", { bubbles: true }));
    await new Promise(requestAnimationFrame);
    const dataTransfer = new DataTransfer();
    dataTransfer.setData("application/x-stencilcraft-slot", "hook.picture");
    onto.dispatchEvent(new DragEvent("drop", { bubbles: true, cancelable: true, dataTransfer }));
  }, other);
  await expect.poll(shown).toEqual([second, fromCatalogue]);
  await expect(resets).toHaveCount(1);
});

test("where the proofs say nothing, what is typed is drawn all the same, and whoever turns to a tool at once loses no letter", async ({
  page,
}) => {
  await newPromotion(page, "one-offer", "Hand-thrown pot, 24 cm");
  await saved(page);
  await page.route("**/proofWorker*", (route) => route.abort());
  await page.reload();
  const headline = page.getByLabel("Headline", { exact: true });
  const count = page.getByText(/^\d+ of \d+$/).first();
  await headline.fill("Pots");
  await expect(count).toContainText("4 of");
  await openSceneTools(page, 1);
  const repeat = page.getByRole("button", { name: "Repeat" });
  await expect(repeat).toBeVisible();
  // Written and pressed in one go: nothing was drawn in between.
  await repeat.evaluate((button) => {
    const field = document.querySelector<HTMLTextAreaElement>("[data-slot='hook.headline']");
    if (!field) throw new Error("The sheet has no headline.");
    Object.getOwnPropertyDescriptor(HTMLTextAreaElement.prototype, "value")?.set?.call(field, "Pots for the bench");
    field.dispatchEvent(new Event("input", { bubbles: true }));
    button.dispatchEvent(new PointerEvent("pointerdown", { bubbles: true }));
    button.dispatchEvent(new MouseEvent("click", { bubbles: true }));
  });
  await expect(headline).toHaveCount(2);
  await expect(headline.nth(0)).toHaveValue("Pots for the bench");
  await expect(headline.nth(1)).toHaveValue("Pots for the bench");
});
