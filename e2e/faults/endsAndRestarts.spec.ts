import { setTimeout as sleep } from "node:timers/promises";
import { type Page, expect, test } from "@playwright/test";
import { whileStopped } from "../../server/cli/cluster";
import { closeDatabase } from "../../server/db/connect";
import { isAlive } from "../../server/workFolder";
import { signInAs } from "../people";
import { query } from "../query";
import { shortRenders } from "./shortRenders";
import { findWorker } from "../instanceProcesses";

const OUTAGE_MS = 30_000;

test.afterAll(() => closeDatabase());

/** Has a short promotion rendered in three formats. Gives a function that tells how many of them are in a state. */
async function rendering(name: string): Promise<(state: string) => Promise<number>> {
  const renditions = await shortRenders(name);
  return async (state) =>
    (await query("select id from rendition where id = any($1::uuid[]) and state = $2", [renditions, state])).length;
}

const worker = async (): Promise<number> => {
  await expect.poll(findWorker).not.toBeNull();
  return findWorker() ?? 0;
};

test("a worker that is told to stop while it renders ends within ten seconds, five times of five; the work is done", async () => {
  const inState = await rendering("stopped-five-times");
  for (let time = 0; time < 5; time++) {
    await expect.poll(() => inState("working"), { timeout: 60_000 }).toBeGreaterThan(0);
    const pid = await worker();
    const told = Date.now();
    process.kill(pid, "SIGTERM");
    await expect.poll(() => isAlive(pid), { timeout: 15_000, intervals: [50] }).toBe(false);
    expect(Date.now() - told).toBeLessThan(10_000);
  }
  await expect.poll(() => inState("ready"), { timeout: 120_000 }).toBe(3);
});

async function answers(page: Page): Promise<[status: number, retryAfter: string | undefined, words: boolean]> {
  const response = await page.request.get("/promotions");
  const text = await response.text();
  return [response.status(), response.headers()["retry-after"], text.includes("The database is starting again")];
}

test("while the database is away for half a minute, pages say so, no process ends, and work goes on after it", async ({
  page,
}) => {
  await signInAs(page, "Imre Vass");
  const inState = await rendering("database-away");
  await expect.poll(() => inState("working"), { timeout: 60_000 }).toBeGreaterThan(0);
  const before = await worker();
  await whileStopped(process.env["STENCILCRAFT_DATA"] ?? "", async () => {
    for (const end = Date.now() + OUTAGE_MS; Date.now() < end;) {
      expect(await answers(page)).toEqual([503, "5", true]);
      await sleep(3000);
    }
    await page.goto("/promotions");
    await expect(page.getByRole("heading", { name: "One moment" })).toBeVisible();
  });
  // The page that said so comes back by itself.
  await expect(page.getByRole("heading", { name: "Promotions" })).toBeVisible({ timeout: 20_000 });
  await expect.poll(() => inState("ready"), { timeout: 120_000 }).toBe(3);
  expect(await worker()).toBe(before);
});
