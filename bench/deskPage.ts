import { spawn } from "node:child_process";
import { once } from "node:events";
import { chromium, type Page } from "@playwright/test";
import { freePort } from "../server/cli/cluster";
import { CHROMIUM } from "../server/testing/chromium";

/** Opens headless Chromium at 1280×800 against a server of its own, as a marketer who is signed in. */
export async function withDeskPage(data: string, act: (page: Page) => Promise<void>): Promise<void> {
  const port = await freePort();
  const server = spawn(
    process.execPath,
    ["--import", "tsx", "server/cli/start.ts", "--data", data, "--port", String(port), "--no-worker"],
    { stdio: ["ignore", "pipe", "inherit"], env: { ...process.env, LOG_LEVEL: "warn" } },
  );
  for await (const text of server.stdout.setEncoding("utf8")) if (String(text).includes("ready at")) break;
  const browser = await chromium.launch({
    executablePath: CHROMIUM,
    args: ["--no-sandbox", "--disable-gpu", "--autoplay-policy=no-user-gesture-required"],
  });
  try {
    const page = await browser.newPage({ viewport: { width: 1280, height: 800 }, baseURL: `http://127.0.0.1:${port}` });
    // Functions handed to the page were compiled here, with a helper that keeps their names.
    await page.addInitScript("globalThis.__name = (made) => made");
    await page.goto("/sign-in");
    await page.getByRole("button", { name: "Sign in as Tamsin Kell" }).click();
    await page.waitForURL(/\/$/);
    await act(page);
  } finally {
    await browser.close();
    server.kill("SIGTERM");
    await once(server, "exit");
  }
}
