import { defineConfig } from "@playwright/test";
import { CHROMIUM } from "./server/testing/chromium";

/** These kill parts of the instance under test: nothing may run beside them. */
const ALONE = ["**/workerKilled.spec.ts", "**/twoPeopleAtOnce.spec.ts", "**/queue.spec.ts"];
/** What is long and rough: only all of it is tested with `bin/test --full`. */
const FAULTS = ["**/faults/*.spec.ts", "**/long/*.spec.ts"];
/** The longest in a row: it starts first, so that nothing waits for it at the end. */
const LONG = ["**/gather.spec.ts"];

/** `bin/test` runs the projects in stages (server/cli/endToEndStages.ts). */
export default defineConfig({
  testDir: "e2e",
  projects: [
    { name: "a team of its own", testMatch: LONG },
    { name: "side by side", testMatch: "**/*.spec.ts", testIgnore: [...LONG, ...ALONE, ...FAULTS] },
    { name: "alone", testMatch: ALONE, workers: 1 },
    { name: "faults", testMatch: FAULTS, workers: 1 },
  ],
  // Two, for two cores: a page paints, the server renders.
  workers: 2,
  retries: 0,
  timeout: 240_000,
  expect: { timeout: 15_000 },
  reporter: [["list"], ["json"]],
  outputDir: "test-results",
  use: {
    baseURL: process.env["BASE_URL"],
    viewport: { width: 1280, height: 800 },
    acceptDownloads: true,
    actionTimeout: 30_000,
    launchOptions: {
      executablePath: CHROMIUM,
      args: [
        "--no-sandbox",
        "--disable-gpu",
        "--disable-quic",
        "--no-first-run",
        "--disable-background-networking",
        "--disable-component-update",
        "--disable-sync",
        "--autoplay-policy=no-user-gesture-required",
      ],
    },
  },
});
