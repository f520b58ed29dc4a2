import { readFile, readdir } from "node:fs/promises";
import { join } from "node:path";
import { gzipSync, zipSync } from "fflate";
import { type Page, expect, test } from "@playwright/test";
import sharp from "sharp";
import { signInAs } from "./people";

/** Lists, fonts and drawings that are broken or meant to harm, and very many files at once. */
test.beforeEach(({ page }) => signInAs(page, "Tamsin Kell"));

const bring = (page: Page, files: { name: string; mimeType: string; buffer: Buffer }[]): Promise<void> =>
  page.getByTestId("file-picker").setInputFiles(files);
const svg = (inside: string, attributes = 'viewBox="0 0 100 100"'): Buffer =>
  Buffer.from(
    `<svg xmlns="http://www.w3.org/2000/svg" xmlns:xlink="http://www.w3.org/1999/xlink" ${attributes}>${inside}</svg>`,
  );

for (const [what, contents, words] of [
  ["script", svg("<script>fetch('/')</script>"), "contains a script"],
  [
    "foreignObject",
    svg("<foreignObject><body xmlns='http://www.w3.org/1999/xhtml'/></foreignObject>"),
    "contains foreign content",
  ],
  [
    "external entity",
    Buffer.from(
      '<!DOCTYPE svg [<!ENTITY x SYSTEM "file:///etc/passwd">]><svg xmlns="http://www.w3.org/2000/svg"><text>&x;</text></svg>',
    ),
    "defines entities",
  ],
  ["huge viewBox", svg("<rect width='1' height='1'/>", 'viewBox="0 0 1e9 1e9"'), "drawn on a view that is too large"],
  [
    "use-bomb",
    svg(
      `<g id="a0"><rect width="1" height="1"/></g>${Array.from({ length: 12 }, (_, at) => `<g id="a${at + 1}">${`<use href="#a${at}"/>`.repeat(60)}</g>`).join("")}<use href="#a12"/>`,
    ),
    "repeats its parts too many times",
  ],
  [
    "deep use-bomb",
    svg(
      `<g id="a0"><rect width="1" height="1"/></g>${Array.from({ length: 30 }, (_, at) => `<g id="a${at + 1}">${`<use href="#a${at}"/>`.repeat(10)}</g>`).join("")}<use href="#a30"/>`,
    ),
    "repeats its parts too many times",
  ],
] as const)
  test(`an SVG with a ${what} is refused in words`, async ({ page }) => {
    await page.goto("/media");
    await bring(page, [{ name: `bad ${what}.svg`, mimeType: "image/svg+xml", buffer: contents }]);
    const shown = page.locator(`[data-name="bad ${what}.svg"]`);
    await expect(shown).toHaveAttribute("data-state", "failed", { timeout: 30_000 });
    await expect(shown).toContainText(words);
  });

test("a picture that is an archive and a page as well is only ever given out redrawn", async ({ page }) => {
  const jpeg = await sharp({ create: { width: 200, height: 120, channels: 3, background: "#2f6b4f" } })
    .jpeg()
    .toBuffer();
  const polyglot = Buffer.concat([
    jpeg,
    Buffer.from(zipSync({ "run.html": Buffer.from("<script>alert(1)</script>") })),
  ]);
  await page.goto("/media");
  await bring(page, [{ name: "two-in-one.jpg", mimeType: "image/jpeg", buffer: polyglot }]);
  const shown = page.locator('[data-name="two-in-one.jpg"]');
  await expect(shown).toHaveAttribute("data-state", "ready", { timeout: 30_000 });
  const source = (await shown.getByRole("img").or(shown.locator("img")).first().getAttribute("src")) ?? "";
  const given = await page.request.get(source);
  expect(given.headers()["content-type"]).toBe("image/webp");
  expect((await given.body()).includes("run.html")).toBe(false);
});

test("a page that calls itself a picture is refused", async ({ page }) => {
  await page.goto("/media");
  await bring(page, [
    {
      name: "logo.svg",
      mimeType: "image/svg+xml",
      buffer: Buffer.from("<!-- <svg> --><html><script>alert(1)</script></html>"),
    },
  ]);
  await expect(page.getByLabel("Uploads").getByRole("alert")).toContainText("“logo.svg” is plain text inside");
});

for (const [what, contents, words] of [
  ["a zip bomb", Buffer.from(zipSync({ "list.csv": new Uint8Array(60_000_000) })), "packed archive"],
  ["a packed list", Buffer.from(gzipSync(new Uint8Array(50_000_000))), "packed archive"],
  ["a picture", Buffer.from([0x89, 0x50, 0x4e, 0x47, 13, 10, 26, 10, 0, 1, 2, 3]), "control characters"],
  ["an empty file", Buffer.alloc(0), "empty"],
  ["an open quote", Buffer.from('name,price\n"Pot,3\n'), "never closed"],
  ["too many rows", Buffer.from(`name,price\n${"a,1\n".repeat(50_002)}`), "more than 50000 rows"],
  ["too much", Buffer.alloc(21_000_000, "a"), "limit for lists"],
] as const)
  test(`${what} as a list of products is refused in words`, async ({ page }) => {
    await page.goto("/catalogue/import");
    await page.getByTestId("csv-picker").setInputFiles({ name: "list.csv", mimeType: "text/csv", buffer: contents });
    await expect(page.getByRole("alert")).toContainText(words, { timeout: 30_000 });
  });

test("cells that a spreadsheet would carry out come out harmless, and come in as they were", async ({ page }) => {
  const names = ["=HYPERLINK(0)", "+44 pots", "-5 pots", "@sum"];
  await page.goto("/catalogue/import");
  await page.getByTestId("csv-picker").setInputFiles({
    name: "formulas.csv",
    mimeType: "text/csv",
    buffer: Buffer.from(`code,name,price\n${names.map((name, at) => `F-${at},${name},1.00`).join("\n")}`),
  });
  await page.getByRole("button", { name: "Import 4 products" }).click();
  await expect(page.getByText("4 added")).toBeVisible();
  await page.goto("/catalogue?words=F-");
  await expect(page.getByRole("table")).toContainText("=HYPERLINK(0)");
  const exported = (await (await page.request.get("/catalogue/products.csv")).body()).toString("utf8");
  for (const name of names) expect(exported).toContain(`F-${names.indexOf(name)},'${name},`);
  await page.goto("/catalogue/import");
  // Products without a code can't be told apart, and would be added again.
  const again = exported
    .split("\r\n")
    .filter((line, at) => at === 0 || line.startsWith("F-"))
    .join("\r\n");
  await page
    .getByTestId("csv-picker")
    .setInputFiles({ name: "again.csv", mimeType: "text/csv", buffer: Buffer.from(again) });
  await expect(page.getByLabel("What would happen")).toContainText("added0");
  await expect(page.getByLabel("What would happen")).toContainText("changed0the same already4");
  await page.goto("/catalogue?words=F-");
  for (const name of names) await page.getByRole("checkbox", { name: `Mark ${name}` }).check();
  await page.getByRole("button", { name: "Remove" }).click();
  await expect(page.getByText("4 products removed.")).toBeVisible();
});

test("fonts with broken tables are refused, and the book stays as it is", async ({ page }) => {
  const whole = await readFile("node_modules/@fontsource/lora/files/lora-latin-400-normal.woff");
  const broken = Buffer.from(whole);
  broken.fill(0xff, 60, 400);
  await page.goto("/brand-book");
  for (const [name, buffer] of [
    ["cut.woff", whole.subarray(0, 1200)],
    ["torn.woff", broken],
    ["words.ttf", Buffer.from("hello")],
  ] as const) {
    await page.getByTestId("font-picker").setInputFiles({ name, mimeType: "font/ttf", buffer });
    await expect(page.getByText(`“${name}” can't be used as a font`)).toBeVisible();
  }
  await expect(page.getByLabel("Headline typeface")).toHaveValue("Bricolage Grotesque");
});

test("a hundred uploads at once all arrive, and leave nothing behind", async ({ page }) => {
  const files = await Promise.all(
    Array.from({ length: 100 }, async (_, at) => ({
      name: `tile ${String(at).padStart(3, "0")}.png`,
      mimeType: "image/png",
      buffer: await sharp({
        create: { width: 40 + at, height: 40, channels: 3, background: { r: at * 2, g: 255 - at, b: (at * 37) % 256 } },
      })
        .png()
        .toBuffer(),
    })),
  );
  await page.goto("/media");
  await bring(page, files);
  await expect(page.getByLabel("Uploads")).toBeHidden({ timeout: 120_000 });
  await page.goto("/media?words=tile&sort=name");
  await expect(page.getByRole("status").filter({ hasText: "100 items" })).toBeVisible();
  await page.goto("/media?words=tile+099");
  await expect(page.locator('[data-name="tile 099.png"]')).toHaveAttribute("data-state", "ready", { timeout: 120_000 });
  expect(await readdir(join(process.env["STENCILCRAFT_DATA"] ?? "", "incoming"))).toEqual([]);
});
