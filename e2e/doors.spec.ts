import { readFile, readdir } from "node:fs/promises";
import { join } from "node:path";
import { type Page, expect, test } from "@playwright/test";
import sharp from "sharp";
import { signInAs } from "./people";

/**
 * The doors files come in by, each with one that is refused: what else is refused, and in which words, is tested at the
 * functions (server/media/hostileFiles.test.ts, refusals.test.ts, server/catalogue/hostileLists.test.ts,
 * server/faces/readFont.test.ts).
 */
test.beforeEach(({ page }) => signInAs(page, "Tamsin Kell"));

const plain = (width: number, height: number, background: string) =>
  sharp({ create: { width, height, channels: 3, background } });
const card = (page: Page, name: string) => page.locator(`[data-name="${name}"]`);

interface BroughtFile {
  readonly name: string;
  readonly mimeType: string;
  readonly buffer: Buffer;
}
async function bring(page: Page, ...files: BroughtFile[]): Promise<void> {
  await page.goto("/media");
  await page.getByTestId("file-picker").setInputFiles(files);
}

test("a file that is none we take is refused where it was dropped, in words", async ({ page }) => {
  await bring(page, {
    name: "holiday.mp4",
    mimeType: "video/mp4",
    buffer: Buffer.from("Dear diary, this is not a film."),
  });
  await expect(page.getByLabel("Uploads").getByRole("alert")).toContainText("“holiday.mp4” is plain text inside");
});

test("a file that turns out to be harmful when it is read in says so on its card", async ({ page }) => {
  const svg = '<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 10 10"><script>alert(1)</script></svg>';
  await bring(page, { name: "script.svg", mimeType: "image/svg+xml", buffer: Buffer.from(svg) });
  await expect(card(page, "script.svg")).toHaveAttribute("data-state", "failed", { timeout: 30_000 });
  await expect(card(page, "script.svg")).toContainText("contains a script, which is not allowed");
});

test("a picture is only ever given out redrawn", async ({ page }) => {
  await bring(page, {
    name: "leaf.jpg",
    mimeType: "image/jpeg",
    buffer: await plain(200, 120, "#2f6b4f").jpeg().toBuffer(),
  });
  await expect(card(page, "leaf.jpg")).toHaveAttribute("data-state", "ready", { timeout: 30_000 });
  const given = await page.request.get((await card(page, "leaf.jpg").locator("img").getAttribute("src")) ?? "");
  expect(given.headers()["content-type"]).toBe("image/webp");
});

test("an upload can be cancelled", async ({ page }) => {
  await page.route("**/media/upload*", async (route) => {
    await new Promise((done) => page.once("close", done));
    await route.abort().catch(() => undefined);
  });
  await bring(page, {
    name: "slow.jpg",
    mimeType: "image/jpeg",
    buffer: await plain(300, 200, "#222222").jpeg().toBuffer(),
  });
  await page.getByRole("button", { name: "Cancel slow.jpg" }).click();
  await expect(page.getByLabel("Uploads")).toBeHidden();
});

test("a hundred uploads at once all arrive, and leave nothing behind", async ({ page }) => {
  const files = await Promise.all(
    Array.from({ length: 100 }, async (_, at) => ({
      name: `tile ${String(at).padStart(3, "0")}.png`,
      mimeType: "image/png",
      buffer: await plain(40 + at, 40, `rgb(${at * 2}, ${255 - at}, ${(at * 37) % 256})`)
        .png()
        .toBuffer(),
    })),
  );
  await bring(page, ...files);
  await expect(page.getByLabel("Uploads")).toBeHidden({ timeout: 120_000 });
  await page.goto("/media?words=tile&sort=name");
  await expect(page.getByRole("status").filter({ hasText: "100 items" })).toBeVisible();
  await page.goto("/media?words=tile+099");
  await expect(card(page, "tile 099.png")).toHaveAttribute("data-state", "ready", { timeout: 120_000 });
  const work = join(process.env["STENCILCRAFT_DATA"] ?? "", "work");
  const underWay = await Promise.all((await readdir(work)).map((own) => readdir(join(work, own))));
  expect(underWay.flat().filter((name) => name.startsWith("incoming"))).toEqual([]);
});

test("what is read in before the page can hear of it is shown as soon as it can", async ({ page }) => {
  let release = (): void => undefined;
  const held = new Promise<void>((resolve) => (release = resolve));
  await page.route("**/events", async (route) => {
    await held;
    await route.continue();
  });
  // Large, so that it is still worked on when its card is shown.
  const buffer = await plain(6000, 4000, "#445566").jpeg().toBuffer();
  await bring(page, { name: "unheard.jpg", mimeType: "image/jpeg", buffer });
  // A worker may not have come to it when the page was loaded.
  await expect(card(page, "unheard.jpg")).toHaveAttribute("data-state", /^(waiting|working)$/);
  const onServer = async (): Promise<string> => (await page.request.get("/media/page?words=unheard&page=0")).text();
  await expect.poll(onServer, { timeout: 30_000 }).toContain('"ready"');
  release();
  await expect(card(page, "unheard.jpg")).toHaveAttribute("data-state", "ready");
});

test("a list that is none is refused in words; one that is too large is refused before it is read", async ({
  page,
  baseURL,
}) => {
  await page.goto("/catalogue/import");
  const list = { name: "list.csv", mimeType: "text/csv", buffer: Buffer.from('name,price\n"Pot,3\n') };
  await page.getByTestId("csv-picker").setInputFiles(list);
  await expect(page.getByRole("alert")).toContainText("never closed");
  const answer = await page.request.post("/catalogue/import.data", {
    data: Buffer.alloc(21_000_000, "a"),
    headers: { "content-type": "multipart/form-data; boundary=none", origin: baseURL ?? "" },
  });
  expect(answer.status()).toBe(422);
  expect(await answer.text()).toContain("limit for lists");
});

test("a font with broken tables is refused, and the book stays as it is", async ({ page }) => {
  const broken = await readFile("node_modules/@fontsource/lora/files/lora-latin-400-normal.woff");
  broken.fill(0xff, 60, 400);
  await page.goto("/brand-book");
  await page.getByTestId("font-picker").setInputFiles({ name: "torn.woff", mimeType: "font/ttf", buffer: broken });
  await expect(page.getByText("“torn.woff” can't be used as a font")).toBeVisible();
  await expect(page.getByLabel("Headline typeface")).toHaveValue("Bricolage Grotesque");
});
