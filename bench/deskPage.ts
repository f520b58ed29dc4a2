import { chromium, type Page } from "@playwright/test";
import { CHROMIUM } from "../server/testing/chromium";
import { startOwnServer } from "./ownServer";

/** Opens headless Chromium at 1280×800 against a server of its own, as a marketer who is signed in. */
export async function withDeskPage(data: string, act: (page: Page) => Promise<void>): Promise<void> {
  const server = await startOwnServer(data);
  const browser = await chromium.launch({
    executablePath: CHROMIUM,
    args: ["--no-sandbox", "--disable-gpu", "--autoplay-policy=no-user-gesture-required"],
  });
  try {
    const page = await browser.newPage({ viewport: { width: 1280, height: 800 }, baseURL: server.address });
    // Functions handed to the page were compiled here, with a helper that keeps their names.
    await page.addInitScript("globalThis.__name = (made) => made");
    await page.goto("/sign-in");
    await page.getByRole("button", { name: "Sign in as Tamsin Kell" }).click();
    await page.waitForURL(/\/$/);
    await act(page);
  } finally {
    await browser.close();
    await server.stop();
  }
}
