import { mkdtemp, readFile, rm, writeFile } from "node:fs/promises";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { type Page, expect, test as plain } from "@playwright/test";
import sharp from "sharp";
import { ffmpeg } from "./files";
import { type OwnInstance, ownInstance } from "./ownInstance";
import { type Pixels, goToFrame, pixels, savedProof } from "./proofs";
import { startRender } from "./startRender";

/** A new team, from nothing to a full brand book, products by CSV, offers and media, through the interface only. */
const test = plain.extend<object, { instance: OwnInstance }>({
  instance: [
    async ({}, use) => {
      const instance = await ownInstance();
      await instance.start();
      await use(instance);
      await instance.remove();
    },
    { scope: "worker", timeout: 120_000 },
  ],
  baseURL: ({ instance }, give) => give(instance.address),
});
test.describe.configure({ mode: "serial" });

let folder: string;
test.beforeAll(async () => {
  folder = await mkdtemp(join(tmpdir(), "stencilcraft-e2e-"));
});
test.afterEach(({ instance }, info) => {
  instance.explain(info);
});
test.afterAll(() => rm(folder, { recursive: true }));

const [EMAIL, PASSWORD] = ["oda@tallowby.example.com", "long enough for bread"];

/** The first time sets the team up; later times sign in. */
test.beforeEach(async ({ page }) => {
  await page.goto("/");
  if (page.url().includes("/set-up")) {
    await page.getByLabel("Business").fill("Tallowby");
    await page.getByLabel("Your name").fill("Oda Finch");
  }
  await page.getByLabel("E-mail").fill(EMAIL);
  await page.getByLabel("Password").fill(PASSWORD);
  await page.getByRole("button", { name: /^(Set up|Sign in)$/ }).click();
  await expect(page).not.toHaveURL(/sign-in|set-up/);
});

const card = (page: Page, name: string) => page.locator(`[data-name="${name}"]`);
const svg = (inside: string): string => `<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 300 120">${inside}</svg>`;

/** A picture that looks like no other: a seed decides its shapes. */
function picture(seed: number): Promise<Buffer> {
  const at = (step: number): number => Math.abs(Math.sin(seed * 12.9898 + step * 78.233) * 43758.5453) % 1;
  const shapes = Array.from(
    { length: 9 },
    (_, index) =>
      `<rect x="${at(index) * 600}" y="${at(index + 20) * 400}" width="${60 + at(index + 40) * 240}" height="${40 + at(index + 60) * 180}" fill="hsl(${Math.round(at(index + 80) * 360)} 60% ${Math.round(30 + at(index + 90) * 50)}%)"/>`,
  ).join("");
  return sharp(
    Buffer.from(
      `<svg width="640" height="${seed % 3 === 0 ? 900 : 480}"><rect width="100%" height="100%" fill="hsl(${seed * 37} 40% 70%)"/>${shapes}</svg>`,
    ),
  )
    .jpeg()
    .toBuffer();
}

test("30 media items: pictures, clips, sounds, a logo; what is here already is offered instead", async ({ page }) => {
  const paths: string[] = [];
  const add = async (name: string, contents: Buffer | string): Promise<void> => {
    const path = join(folder, name);
    await writeFile(path, contents);
    paths.push(path);
  };
  for (let index = 0; index < 25; index++)
    await add(`loaf ${String(index + 1).padStart(2, "0")}.jpg`, await picture(index + 1));
  await add(
    "tallowby-sign.svg",
    svg(
      '<rect x="20" y="20" width="60" height="80" fill="#5a2f14"/><rect x="100" y="40" width="180" height="40" fill="#5a2f14"/>',
    ),
  );
  for (const [name, source] of [
    ["oven.mp4", "testsrc2=s=320x240:r=25:d=2"],
    ["counter.mp4", "mandelbrot=s=320x240:r=25"],
  ] as const) {
    await ffmpeg("-f", "lavfi", "-i", source, "-t", "2", "-c:v", "libx264", "-pix_fmt", "yuv420p", join(folder, name));
    paths.push(join(folder, name));
  }
  await ffmpeg("-f", "lavfi", "-i", "sine=f=440:d=12", "-af", "volume=-14dB", join(folder, "bell.flac"));
  await ffmpeg("-f", "lavfi", "-i", "sine=f=220:d=3", "-c:a", "libopus", join(folder, "hum.ogg"));
  paths.push(join(folder, "bell.flac"), join(folder, "hum.ogg"));
  expect(paths).toHaveLength(30);

  await page.goto("/media");
  await page.getByTestId("file-picker").setInputFiles(paths);
  await expect(page.getByRole("status").filter({ hasText: "30 items" })).toBeVisible({ timeout: 60_000 });
  await page.getByLabel("Search media").fill("loaf 25");
  await expect(card(page, "loaf 25.jpg")).toHaveAttribute("data-state", "ready", { timeout: 120_000 });
  await page.goto("/media?kind=sound&words=bell");
  await expect(card(page, "bell.flac")).toHaveAttribute("data-state", "ready", { timeout: 120_000 });
  await expect(card(page, "bell.flac")).toContainText("12.0 s");

  const copy = join(folder, "the same loaf.jpg");
  await writeFile(copy, await picture(7));
  await page.goto("/media");
  await page.getByTestId("file-picker").setInputFiles(copy);
  await expect(page.getByLabel("Uploads")).toContainText("“the same loaf.jpg” is here already as “loaf 07.jpg”");
  await page.getByRole("button", { name: "Show it" }).click();
  const details = page.getByLabel("Details of loaf 07.jpg");
  await expect(details).toContainText("640 × 480");

  // Another size and compression of a picture looks like it.
  const smaller = join(folder, "small loaf.jpg");
  await sharp(await picture(7))
    .resize(400)
    .jpeg({ quality: 55 })
    .toFile(smaller);
  await page.getByTestId("file-picker").setInputFiles(smaller);
  await expect(card(page, "small loaf.jpg")).toHaveAttribute("data-state", "ready", { timeout: 60_000 });
  await card(page, "small loaf.jpg").getByRole("button", { name: "small loaf.jpg" }).click();
  await expect(page.getByLabel("Details of small loaf.jpg")).toContainText("Looks like loaf 07.jpg");
});

test("tags, collections and rights are given to many at once, searched by, and undone", async ({ page }) => {
  await page.goto("/media?words=loaf&sort=name");
  for (const name of ["loaf 01.jpg", "loaf 02.jpg", "loaf 03.jpg"])
    await page.getByRole("checkbox", { name: `Mark ${name}` }).check();
  const bar = page.getByRole("form", { name: "Change marked items" });
  await bar.getByLabel("Tag to give or take").fill("rye");
  await bar.getByRole("button", { name: "Give tag" }).click();
  await expect(page.getByText("“rye” given to 3 items.")).toBeVisible();
  await bar.getByLabel("Collection to put them in").fill("Window");
  await bar.getByRole("button", { name: "Put in collection" }).click();
  await expect(page.getByText("Put into “Window”.")).toBeVisible();
  await bar.getByRole("button", { name: "Rights …" }).click();
  await bar.getByLabel("Licence").fill("bought for a year");
  await bar.getByLabel("To", { exact: true }).fill("2020-12-31");
  await bar.getByRole("button", { name: "Note for all" }).click();
  await expect(page.getByText("Rights noted for 3 items.")).toBeVisible();

  await page.goto("/media");
  await page.getByLabel("Tag", { exact: true }).selectOption("rye");
  await page.getByLabel("Rights", { exact: true }).selectOption("ended");
  await expect(page.getByRole("status").filter({ hasText: "3 items" })).toBeVisible();
  await expect(card(page, "loaf 02.jpg")).toContainText("rights ended");
  await page.goto("/media");
  await page.getByLabel("Collection", { exact: true }).selectOption({ label: "Window (3)" });
  await expect(page.getByRole("status").filter({ hasText: "3 items" })).toBeVisible();

  await card(page, "loaf 02.jpg").getByRole("button", { name: "loaf 02.jpg" }).click();
  await page.getByLabel("Details of loaf 02.jpg").getByRole("button", { name: "Remove" }).click();
  await expect(page.getByText("1 item removed.")).toBeVisible();
  await expect(card(page, "loaf 02.jpg")).toHaveCount(0);
  await page.getByRole("button", { name: "Undo" }).click();
  await expect(card(page, "loaf 02.jpg")).toBeVisible();
});

test("a replaced file keeps its places, and a moved focal point stays moved", async ({ page }) => {
  await page.goto("/media?words=loaf+04");
  await card(page, "loaf 04.jpg").getByRole("button", { name: "loaf 04.jpg" }).click();
  const details = page.getByLabel("Details of loaf 04.jpg");
  const point = details.getByRole("button", { name: /^Focal point/ });
  await point.focus();
  await Promise.all([
    page.waitForResponse((response) => response.request().method() === "POST" && response.url().includes("/media")),
    page.keyboard.press("ArrowRight"),
  ]);
  const moved = (await point.getAttribute("aria-label")) ?? "";
  await page.reload();
  await expect(point).toHaveAttribute("aria-label", moved);

  await ffmpeg("-f", "lavfi", "-i", "sine=f=440:d=1", join(folder, "other.flac"));
  await page.getByTestId("replace-picker").setInputFiles(join(folder, "other.flac"));
  await expect(page.getByLabel("Uploads")).toContainText("only the same kind can take its places");
  await page.getByRole("button", { name: "Dismiss other.flac" }).click();
  await page.getByTestId("replace-picker").setInputFiles({
    name: "better.png",
    mimeType: "image/png",
    buffer: await sharp({ create: { width: 900, height: 300, channels: 3, background: "#803010" } })
      .png()
      .toBuffer(),
  });
  await expect(details).toContainText("900 × 300", { timeout: 60_000 });
});

test("a full brand book", async ({ page }) => {
  await page.goto("/brand-book");
  await page.getByLabel("Brand name").fill("Tallowby Bakehouse");
  await page.getByRole("button", { name: "Start the book" }).click();
  await page.getByLabel("Website").fill("tallowby.example.com");
  await page.getByLabel("Phone").fill("01632 960 777");
  await page.getByLabel("Call to action 1").fill("Come in, it is warm");
  await page.getByRole("button", { name: "A handle" }).click();
  await page.getByLabel("Handle 1").fill("@tallowby");

  // Colours typed in other notations, from a palette file, and a contrast that is reached.
  await page.getByLabel("primary colour, hex").fill("hsl(24 60% 24%)");
  await page.getByLabel("primary colour, hex").press("Enter");
  await expect(page.getByLabel("primary colour, hex")).toHaveValue("#623618");
  await page.getByTestId("palette-picker").setInputFiles({
    name: "crust.gpl",
    mimeType: "text/plain",
    buffer: Buffer.from("GIMP Palette\nName: Crust\n#\n201  96  58\taccent\n240 214 160\tButter\n"),
  });
  await expect(page.getByText("2 colours read from crust.gpl")).toBeVisible();
  await expect(page.getByLabel("accent colour, hex")).toHaveValue("#c9603a");
  await expect(page.getByLabel("extra 1 colour, name")).toHaveValue("Butter");
  await page.getByRole("button", { name: /^accent on ground/ }).click();
  await page.getByRole("button", { name: /is enough for normal type/ }).click();
  await expect(page.getByRole("button", { name: /^accent on ground: (4\.[5-9]|5)/ })).toBeVisible();

  await page.getByLabel("Headline typeface").selectOption("Fraunces");
  const font = await readFile("node_modules/@fontsource/caveat/files/caveat-latin-700-normal.woff2");
  await page
    .getByTestId("font-picker")
    .setInputFiles({ name: "broken.woff2", mimeType: "font/woff2", buffer: font.subarray(0, 400) });
  await expect(page.getByText("“broken.woff2” can't be used as a font")).toBeVisible();
  const own = await readFile(
    "node_modules/@fontsource/saira-stencil-one/files/saira-stencil-one-latin-400-normal.woff2",
  );
  await page.getByTestId("font-picker").setInputFiles({ name: "stencil.woff2", mimeType: "font/woff2", buffer: own });
  await expect(page.getByText("Saira Stencil One is among the typefaces now")).toBeVisible();
  await page.getByLabel("Figures typeface").selectOption("Saira Stencil One");

  await page.getByRole("button", { name: "Choose the logo, full" }).click();
  await page
    .getByRole("dialog")
    .getByRole("button", { name: /tallowby-sign/ })
    .click();
  await page.getByLabel("Watermark").selectOption("top right");
  await page.getByLabel("House tune").selectOption("bell.flac");
  await page.getByRole("button", { name: "A legal line" }).click();
  await page.getByLabel("Legal line 1").fill("While the oven is hot.");
  await page.getByRole("button", { name: "Save the book" }).click();
  await expect(page.getByText("Saved. Promotions show it")).toBeVisible();
  await page.reload();
  await expect(page.getByLabel("Legal line 1")).toHaveValue("While the oven is hot.");
  await expect(page.getByLabel("Figures typeface")).toHaveValue("Saira Stencil One");

  const [download] = await Promise.all([
    page.waitForEvent("download"),
    page.getByRole("link", { name: "design tokens" }).click(),
  ]);
  const tokens: unknown = JSON.parse(await readFile(await download.path(), "utf8"));
  expect(tokens).toMatchObject({
    $description: "Tallowby Bakehouse",
    colour: { butter: { $type: "color", $value: { hex: "#f0d6a0" } } },
  });
  await page.goto("/brand-book/sheet");
  await expect(page.getByRole("heading", { name: "Tallowby Bakehouse" })).toBeVisible();
});

/** Sets one thing in the book of the working brand, and saves it. */
async function changeBook(page: Page, setting: string, to: string): Promise<void> {
  await page.goto("/brand-book");
  await page.getByLabel(setting).selectOption(to);
  await page.getByRole("button", { name: "Save the book" }).click();
  await expect(page.getByText("Saved. Promotions show it")).toBeVisible();
}

/** The square proof of the first scene, settled, as the Fill desk that is open shows it. */
async function cardProof(page: Page): Promise<Pixels> {
  await expect(page.getByTestId("meters").first()).toBeVisible();
  await goToFrame(page, 60);
  return pixels(await savedProof(page, "square"));
}

/** The top right eighth of a picture, or all but that. */
const lies = (index: number, { width, height }: Pixels, part: "corner" | "rest"): boolean => {
  const [x, y] = [index % width, Math.floor(index / width)];
  return (x > width * 0.75 && y < height * 0.25) === (part === "corner");
};

/** How many pixels are brown as the brand's sign is, thinned or not by its opacity. */
function brownIn(picture: Pixels, part: "corner" | "rest"): number {
  let count = 0;
  for (let index = 0; index < picture.width * picture.height; index++) {
    const [r = 0, g = 0, b = 0] = picture.data.subarray(index * 4, index * 4 + 3);
    if (lies(index, picture, part) && r - b > 40 && r - g > 20 && r < 200) count++;
  }
  return count;
}

function differing(one: Pixels, other: Pixels, part: "corner" | "rest"): number {
  let count = 0;
  for (let index = 0; index < one.width * one.height; index++)
    if (lies(index, one, part) && Math.abs((one.data[index * 4] ?? 0) - (other.data[index * 4] ?? 0)) > 60) count++;
  return count;
}

const GTIN_START = 506_000_000_000;
const withCheckDigit = (digits: string): string =>
  `${digits}${
    (10 -
      (Array.from(digits)
        .reverse()
        .reduce((sum, digit, at) => sum + Number(digit) * (at % 2 === 0 ? 3 : 1), 0) %
        10)) %
    10
  }`;

/** Fifty products as a German office program would save them: semicolons, decimal commas, UTF-16, and two bad rows. */
function productList(raise = 0): Buffer {
  const rows = Array.from(
    { length: 50 },
    (_, at) =>
      `${withCheckDigit(String(GTIN_START + at))};Laib ${at + 1}, „hell“;${(3 + at * 0.1 + raise).toFixed(2).replace(".", ",")};${at % 2 === 0 ? "750 g" : "6 pieces"};bread`,
  );
  return Buffer.from(
    `\ufeffArticle number;Product;Price;Weight;Category\r\n${rows.join("\r\n")}\r\n5060000000001;Wrong digit;3,00;;\r\n;Cheap one;cheap;;\r\n`,
    "utf16le",
  );
}

test("50 products by CSV: previewed, found faults told by row, confirmed, and changed by code when they come again", async ({
  page,
}) => {
  await page.goto("/catalogue/import");
  await page.getByTestId("csv-picker").setInputFiles({ name: "brot.csv", mimeType: "text/csv", buffer: productList() });
  const would = page.getByLabel("What would happen");
  await expect(would).toContainText("added50");
  await expect(page.getByText("Read as UTF-16LE, divided by semicolons.")).toBeVisible();
  await expect(would).toContainText("row 52");
  await expect(would).toContainText("wrong check digit");
  await expect(would).toContainText("“cheap” is not a price");
  // Nothing is written before it is confirmed.
  await page.goto("/catalogue?words=laib");
  await expect(page.getByText("No product answers that search.")).toBeVisible();

  await page.goto("/catalogue/import");
  await page.getByTestId("csv-picker").setInputFiles({ name: "brot.csv", mimeType: "text/csv", buffer: productList() });
  await page.getByRole("button", { name: "Import 50 products" }).click();
  await expect(page.getByText("50 added, 0 changed, 2 rows left out.")).toBeVisible();
  await page.goto("/catalogue?words=laib+1%2C");
  await expect(page.getByRole("table")).toContainText("£3.00");
  await expect(page.getByRole("table")).toContainText("£4.00 / kg");

  await page.goto("/catalogue/import");
  await page
    .getByTestId("csv-picker")
    .setInputFiles({ name: "brot.csv", mimeType: "text/csv", buffer: productList(1) });
  await page.getByRole("button", { name: "Import 50 products" }).click();
  await expect(page.getByText("0 added, 50 changed, 2 rows left out.")).toBeVisible();
  await page.goto("/catalogue?words=laib+1%2C");
  await expect(page.getByRole("table")).toContainText("£4.00");

  await page.getByRole("button", { name: /^Price of Laib 1,/ }).click();
  await page.getByRole("textbox", { name: /^Price of Laib 1,/ }).fill("3.80");
  await page.getByRole("textbox", { name: /^Price of Laib 1,/ }).press("Enter");
  await expect(page.getByRole("table")).toContainText("£3.80");
  await page.goto("/catalogue?tag=bread");
  await page.getByRole("checkbox", { name: "Mark all on this page" }).check();
  await page.getByRole("button", { name: "Out of stock" }).click();
  await expect(page.getByText("50 products marked as out of stock.")).toBeVisible();
});

test("five offers of five kinds, with their figures, and a finding where a claim is not allowed", async ({ page }) => {
  const offer = async (
    name: string,
    kind: string,
    fill: (form: ReturnType<Page["getByRole"]>) => Promise<void>,
  ): Promise<void> => {
    await page.goto("/catalogue/offers?edit=new");
    const form = page.getByRole("form", { name: "New offer" });
    await form.getByLabel("Name").fill(name);
    await form.getByLabel("Kind").selectOption({ label: kind });
    await fill(form);
    await form.getByLabel("The offer is for").selectOption("tags");
    await form.getByLabel("Tags").fill("bread");
    await form.getByRole("button", { name: "Save" }).click();
    await expect(page.getByRole("heading", { name })).toBeVisible();
  };
  await offer("Bread week", "percent off", async (form) => {
    await form.getByLabel("Percent").fill("cheap");
    await form.getByRole("button", { name: "Save" }).click();
    await expect(form.getByRole("alert")).toHaveText("Write a number.");
    await form.getByLabel("Percent").fill("12.5");
    await form.getByLabel("Price ends in").selectOption(".95");
    await expect(form.getByLabel("Rounded")).toHaveValue("down");
    await expect(form.getByRole("region", { name: "What it comes to" }).getByRole("listitem").first()).toBeVisible();
  });
  // 3.80 less 12.5 % is 3.325, down to 2.95: a saving of 0.85, 22 %.
  const row = page.getByRole("row").filter({ hasText: "Laib 1," });
  await expect(row).toContainText("£3.80£2.95£0.8522 %");
  // Priced today only: nothing may be claimed as the price before.
  await expect(row).toContainText("There is no price from before the offer starts");
  await offer("Late bread", "money off", (form) => form.getByLabel("Amount off").fill("1"));
  await offer("Three loaves", "buy some, get some free", () => Promise.resolve());
  await expect(page.getByRole("row").filter({ hasText: "Laib 1," })).toContainText("£11.40£7.60");
  await offer("Two for seven", "several for a price", async (form) => {
    await form.getByLabel("Pieces", { exact: true }).fill("2");
    await form.getByLabel("Price of them together").fill("7");
  });
  await offer("Butter on top", "gift with purchase", (form) => form.getByLabel("The gift").fill("pat of butter"));
  await expect(page.getByLabel("Offers").getByRole("link", { name: /Butter on top/ })).toContainText(
    "free pat of butter",
  );
  await expect(page.getByText("makes it cheaper at the same time and applies instead").first()).toBeHidden();
});

test("a change of price marks what was rendered, and a promotion of the new brand uses its own font and watermark", async ({
  page,
}) => {
  await page.goto("/catalogue?words=laib+1%2C");
  await page.getByRole("link", { name: /^Change Laib 1,/ }).click();
  await page.getByRole("button", { name: "Add a picture" }).click();
  await page
    .getByRole("dialog", { name: "A picture or clip of the product" })
    .getByRole("button", { name: /loaf 05/ })
    .click();
  await page.getByRole("button", { name: "Save" }).click();
  await expect(page.getByRole("row").filter({ hasText: "Laib 1," }).locator("img")).toBeVisible();
  // Six seconds: a price on a card, then the sign-off.
  await page.goto("/promotions/new?template=price-on-a-card&words=laib+1%2C");
  await page.getByText("Bread week").click();
  const ownFont = page.waitForResponse((response) => /\/faces\/own\/[0-9a-f]{64}\//.test(response.url()));
  await page.getByRole("button", { name: "Fill the first version" }).click();
  await expect(page.getByTestId("meters").first()).toBeVisible();
  await expect(page.getByLabel("Scene 1, Card")).toContainText("£2.95");
  expect((await ownFont).status()).toBe(200);
  const desk = page.url();
  const withFont = await cardProof(page);
  // The watermark is the brown sign, in the top right corner of the safe area; the price stands elsewhere.
  expect(brownIn(withFont, "corner")).toBeGreaterThan(20);
  await page.goto(`${page.url()}/send`);
  await page.getByText("480p").first().click();
  await startRender(page, /^Render/);
  await expect(page.locator('[data-format="square"]').first()).toHaveAttribute("data-state", "ready", {
    timeout: 180_000,
  });
  const send = page.url();
  await page.goto("/catalogue?words=laib+1%2C");
  await page.getByRole("button", { name: /^Price of Laib 1,/ }).click();
  await page.getByRole("textbox", { name: /^Price of Laib 1,/ }).fill("4.40");
  await page.getByRole("textbox", { name: /^Price of Laib 1,/ }).press("Enter");
  await expect(page.getByRole("table")).toContainText("£4.40");
  await page.goto(send);
  await expect(page.locator('[data-format="square"]').first()).toContainText(
    /out of date: the product Laib 1, .* was changed/,
  );

  // One after the other, and with the new price before: where no watermark stands, the price may stand elsewhere.
  await page.goto(desk);
  const dearer = await cardProof(page);
  await changeBook(page, "Figures typeface", "Fraunces");
  await page.goto(desk);
  const otherFigures = await cardProof(page);
  expect(brownIn(otherFigures, "corner")).toBeGreaterThan(20);
  expect(differing(dearer, otherFigures, "rest")).toBeGreaterThan(500);
  await changeBook(page, "Watermark", "none");
  await page.goto(desk);
  expect(brownIn(await cardProof(page), "corner")).toBe(0);

  // Another brand becomes the working one, and the first again.
  await page.goto("/brand-book?new");
  await page.getByLabel("Brand name").fill("Friday box");
  await page.getByRole("button", { name: "Start the book" }).click();
  await page.getByRole("button", { name: "Working brand: Friday box" }).click();
  await page.getByRole("menuitem", { name: "Tallowby Bakehouse" }).click();
  await expect(page.getByRole("button", { name: "Working brand: Tallowby Bakehouse" })).toBeVisible();
});

test("from the starter shelf and from words, with the rights noted", async ({ page }) => {
  await page.goto("/media/shelf");
  await page.getByLabel("Search the shelf").fill("terrazzo");
  await page.getByRole("button", { name: "Keep Terrazzo" }).click();
  await expect(page.getByText("kept", { exact: true })).toBeVisible({ timeout: 60_000 });
  await page.goto("/media/backdrops?words=bread+on+a+wooden+table");
  const shown = await Promise.all(
    [1, 2, 3, 4].map((which) =>
      page.getByAltText(`Backdrop ${which} for bread on a wooden table`).evaluate(async (image: HTMLImageElement) => {
        await image.decode();
        return (await (await fetch(image.src)).arrayBuffer()).byteLength;
      }),
    ),
  );
  expect(new Set(shown).size).toBe(4);
  await page.getByRole("button", { name: "Keep backdrop 1" }).click();
  await expect(page.getByText("kept in your media")).toBeVisible({ timeout: 60_000 });
  await page.goto("/media?words=backdrop");
  const kept = page.locator("[data-name^='bread on a wooden table']");
  await expect(kept).toHaveAttribute("data-state", "ready", { timeout: 60_000 });
  await expect(kept).not.toContainText("no rights note");
});
