import { readFile } from "node:fs/promises";
import { join } from "node:path";
import { type Page } from "@playwright/test";
import { build } from "vite";

let built: Promise<string> | null = null;

/** Bundles the harness as the application is bundled. */
async function bundle(): Promise<string> {
  const folder = join("test-results", "harness");
  await build({
    configFile: false,
    logLevel: "error",
    base: "/harness/",
    publicDir: false,
    build: {
      target: "es2022",
      outDir: folder,
      emptyOutDir: true,
      minify: false,
      rolldownOptions: { input: "e2e/harness/frames.ts", output: { entryFileNames: "frames.js" } },
    },
  });
  return folder;
}

const TYPES: Readonly<Record<string, string>> = { js: "text/javascript", wasm: "application/wasm" };

/** Opens the harness in a page, on the address of the instance under test, so that it fetches media and fonts as a desk does. */
export async function openHarness(page: Page): Promise<void> {
  const folder = await (built ??= bundle());
  await page.route("**/harness/**", async (route) => {
    const name = new URL(route.request().url()).pathname.replace("/harness/", "");
    const contentType = TYPES[name.split(".").at(-1) ?? ""];
    if (contentType) await route.fulfill({ contentType, body: await readFile(join(folder, name)) });
    else
      await route.fulfill({
        contentType: "text/html",
        body: '<script type="module" src="/harness/frames.js"></script>',
      });
  });
  await page.goto("/harness/");
  await page.waitForFunction(() => "paintFrames" in window);
}
