import { type Page, expect, test } from "@playwright/test";
import { readEdit } from "../../core/document/edit";
import { applyEdit } from "../../core/document/edits";
import { readPromotion } from "../../core/document/promotion";
import { newPromotion } from "../newPromotion";
import { findWebServer } from "../instanceProcesses";
import { type Person, signInAs } from "../people";
import { query } from "../query";
import { RUNS, SEED } from "../../core/testing/sample";

/** Two people change one promotion at once, and nothing that either was told is saved gets lost, even as the server dies. */

const EDITS = 40 * RUNS;
/** After which shares of the edits the web server is killed. */
const KILLED_AFTER = [0.3, 0.7];

/** Numbers from 0 up to 1 from a seed: a linear congruential generator with the constants of Numerical Recipes. */
function numbersFrom(seed: number): () => number {
  let state = seed >>> 0;
  return () => (state = (Math.imul(state, 1664525) + 1013904223) >>> 0) / 2 ** 32;
}

/** Kills the web server, once it is there: it may have died a moment ago. */
async function killWebServer(): Promise<void> {
  await expect.poll(findWebServer, { timeout: 30_000 }).not.toBeNull();
  process.kill(findWebServer() ?? Number.NaN, "SIGKILL");
}

const fields = (page: Page) => page.locator("[data-slot]:is(input, textarea):not([readonly])");
const values = (page: Page): Promise<string[]> =>
  fields(page).evaluateAll((all) => all.map((field) => (field as HTMLInputElement | HTMLTextAreaElement).value));
/** So high that every scene is in view, and so on the sheet. */
const VIEW = { width: 1280, height: 2400 };
/** The header alone says so while nothing is under way. */
const isSaved = (page: Page) =>
  expect(page.getByRole("status").filter({ hasText: /^\s*saved\s*$/ })).toBeVisible({ timeout: 60_000 });

interface Somebody {
  readonly name: Person;
  readonly page: Page;
  readonly next: () => number;
  /** The revisions that were acknowledged to them. */
  readonly acknowledged: Set<number>;
  /** How often they were told that the other had put something over theirs. */
  told: number;
}

function somebody(name: Person, page: Page, seed: number): Somebody {
  const one: Somebody = { name, page, next: numbersFrom(seed), acknowledged: new Set(), told: 0 };
  page.on("response", async (response) => {
    if (response.request().method() !== "POST" || !response.url().endsWith("/edits") || !response.ok()) return;
    const { revision } = (await response.json()) as { revision: number };
    one.acknowledged.add(revision);
  });
  return one;
}

/** One change at random: words typed, or the last thing undone. */
async function change({ name, page, next }: Somebody, turn: number): Promise<void> {
  const undo = page.getByRole("button", { name: "Undo" });
  if (next() < 0.1 && (await undo.isEnabled())) await undo.click();
  else {
    const count = await fields(page).count();
    await fields(page)
      .nth(Math.floor(next() * count))
      .fill(`${name} ${turn}`);
  }
}

test(`two people make ${EDITS} changes each at once, the server is killed twice: nothing is lost (seed ${SEED})`, async ({
  page,
  browser,
  baseURL,
}) => {
  test.setTimeout(120_000 * RUNS);
  await page.setViewportSize(VIEW);
  await signInAs(page, "Tamsin Kell");
  const slug = await newPromotion(page, "one-offer", "Hand-thrown pot, 24 cm");
  const context = await browser.newContext({ ...(baseURL ? { baseURL } : {}), viewport: VIEW });
  const other = await context.newPage();
  await signInAs(other, "Imre Vass");
  await other.goto(`/promotions/${slug}`);
  await expect(other.getByTestId("meters").first()).toBeVisible();

  const people = [somebody("Tamsin Kell", page, SEED), somebody("Imre Vass", other, SEED + 1)];
  const kills = KILLED_AFTER.map((share) => Math.round(share * EDITS));
  for (let turn = 0; turn < EDITS; turn++) {
    if (kills.includes(turn)) await killWebServer();
    await Promise.all(people.map((one) => change(one, turn)));
    for (const one of people) one.told += await one.page.getByText(/changed “.*Yours was/).count();
  }
  await Promise.all(people.map(({ page: theirs }) => isSaved(theirs)));
  await expect
    .poll(async () => JSON.stringify(await values(other)) === JSON.stringify(await values(page)), { timeout: 30_000 })
    .toBe(true);
  await Promise.all(people.map(({ page: theirs }) => isSaved(theirs)));
  const shown = await values(page);
  expect(shown.filter((text) => /^(Tamsin Kell|Imre Vass) \d+$/.test(text)).length).toBeGreaterThan(0);

  const rows = await query<{ id: string; document: unknown }>("select id, document from promotion where slug = $1", [
    slug,
  ]);
  const first = await query<{ document: unknown }>(
    "select document from promotion_revision where promotion_id = $1 and revision = 1",
    [rows[0]?.id],
  );
  const log = await query<{ revision: number; edits: unknown[] }>(
    "select revision, edits from promotion_edit where promotion_id = $1 order by revision",
    [rows[0]?.id],
  );
  // Each revision that somebody was told of stands in the log, and the log makes the document of the first revision.
  const logged = new Set(log.map(({ revision }) => revision));
  for (const { acknowledged } of people) {
    expect(acknowledged.size).toBeGreaterThan(1);
    for (const revision of acknowledged) expect(logged.has(revision)).toBe(true);
  }
  const replayed = log.flatMap(({ edits }) => edits.map(readEdit)).reduce(applyEdit, readPromotion(first[0]?.document));
  expect(JSON.stringify(replayed)).toBe(JSON.stringify(readPromotion(rows[0]?.document)));
  expect(people.some(({ told }) => told > 0)).toBe(true);

  await page.reload();
  await expect(page.getByTestId("meters").first()).toBeVisible();
  expect(await values(page)).toEqual(shown);
  await context.close();
});
