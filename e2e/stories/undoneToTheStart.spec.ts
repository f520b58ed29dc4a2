import { type Page, expect, test } from "@playwright/test";
import { openShortPromotion } from "../newPromotion";

/** Thirty changes of every kind, made, taken back to the start and made again, by keyboard alone. */

const SLUG = "undone-to-the-start";
const MOST_STOPS = 150;

/** What has the focus, by the name that is read out. */
const focused = (page: Page): Promise<string> =>
  page.evaluate(() => {
    const element = document.activeElement;
    const labels = element && "labels" in element ? (element as HTMLInputElement).labels : null;
    return (element?.getAttribute("aria-label") ?? labels?.[0]?.textContent ?? element?.textContent ?? "").trim();
  });

/** Walks on, stop by stop, to what has a name. */
async function walkTo(page: Page, name: RegExp): Promise<void> {
  for (let stop = 0; stop < MOST_STOPS; stop++) {
    await page.keyboard.press("Tab");
    if (name.test(await focused(page))) return;
  }
  throw new Error(`Nothing is called ${name} within ${MOST_STOPS} stops.`);
}

/** The document as the server has it, with the members of records in one order. */
async function stored(page: Page): Promise<string> {
  const { document } = (await (await page.request.get(`/promotions/${SLUG}/edits`)).json()) as { document: unknown };
  const sorted = (value: unknown): unknown =>
    typeof value === "object" && value !== null && !Array.isArray(value)
      ? Object.fromEntries(
          Object.entries(value)
            .sort(([one], [other]) => (one < other ? -1 : 1))
            .map(([key, member]) => [key, sorted(member)]),
        )
      : Array.isArray(value)
        ? value.map(sorted)
        : value;
  return JSON.stringify(sorted(document));
}

async function saved(page: Page): Promise<string> {
  await expect(page.getByText("saved", { exact: true })).toBeVisible();
  return stored(page);
}

test("30 changes by keyboard alone are undone to the start and done again to the end, the documents equal to the byte", async ({
  page,
}) => {
  await openShortPromotion(page, SLUG);
  const start = await stored(page);

  // Words in two fields by turns: what is typed in one field at one go is one step. (So are two moves of one scene within
  // a second: there are some more than 30.)
  for (let round = 0; round < 14; round++) {
    await walkTo(page, /^Headline/);
    await page.keyboard.press("End");
    await page.keyboard.type(String.fromCharCode(97 + round));
    await walkTo(page, /^Terms/);
    await page.keyboard.press("End");
    await page.keyboard.type(String.fromCharCode(97 + round));
  }
  // A scene is carried down and up again, another one is doubled, carried, skipped and taken out.
  const carry = async (name: RegExp, key: string): Promise<void> => {
    await walkTo(page, name);
    await page.keyboard.press("Space");
    const over = page.getByText(/“Headline” is over place (\d) of 2/);
    await expect(over).toBeAttached();
    const before = await over.textContent();
    await page.keyboard.press(key);
    await expect(over).not.toHaveText(before ?? "");
    await page.keyboard.press("Space");
    await expect(page.getByText("“Headline” was put down")).toBeAttached();
  };
  const choose = async (scene: number, what: RegExp): Promise<void> => {
    await walkTo(page, new RegExp(`^Scene ${scene}: arrangement`));
    await page.keyboard.press("Enter");
    await walkTo(page, what);
    await page.keyboard.press("Enter");
  };
  await carry(/^Move the scene Headline/, "ArrowDown");
  await carry(/^Move the scene Headline/, "ArrowUp");
  await choose(1, /^Repeat/);
  await choose(2, /^Skip/);
  await walkTo(page, /^Show again/);
  await page.keyboard.press("Enter");
  await choose(2, /^Take out/);
  const end = await saved(page);
  expect(end).not.toBe(start);

  const undo = page.getByRole("button", { name: "Undo" });
  let steps = 0;
  for (; await undo.isEnabled(); steps++) await page.keyboard.press("Control+z");
  expect(steps).toBeGreaterThanOrEqual(30);
  expect(await saved(page)).toBe(start);
  const redo = page.getByRole("button", { name: "Redo" });
  for (let step = 0; step < steps; step++) {
    await expect(redo).toBeEnabled();
    await page.keyboard.press("Control+Shift+z");
  }
  await expect(redo).toBeDisabled();
  expect(await saved(page)).toBe(end);
});
