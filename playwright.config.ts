import { defineConfig } from "@playwright/test";

/** Tests that start an instance of their own: they run beside those that share one. */
const OWN_INSTANCE = ["gather.spec.ts", "newcomer.spec.ts"];

export default defineConfig({
  testDir: "e2e",
  projects: [
    { name: "shared", testMatch: "*.spec.ts", testIgnore: OWN_INSTANCE },
    { name: "own", testMatch: OWN_INSTANCE },
  ],
  workers: 1,
  retries: 0,
  timeout: 240_000,
  expect: { timeout: 15_000 },
  reporter: [["list"], ["json"]],
  outputDir: "test-results",
  use: {
    baseURL: process.env["BASE_URL"],
    viewport: { width: 1280, height: 800 },
    acceptDownloads: true,
    launchOptions: {
      executablePath: "/usr/bin/chromium",
      args: ["--no-sandbox", "--disable-gpu", "--disable-quic", "--no-first-run", "--disable-background-networking", "--disable-component-update", "--disable-sync", "--autoplay-policy=no-user-gesture-required"],
    },
  },
});
