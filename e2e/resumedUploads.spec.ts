import { createHash, randomBytes } from "node:crypto";
import { type Page, expect, test } from "@playwright/test";
import sharp from "sharp";
import { announceFile, askForUpload, bringFile, sendPart } from "./bringFile";
import { openLine } from "./cutLine";
import { signInAs } from "./people";
import { query } from "./query";

/** Files whose line is cut while they are sent: what was sent stays. */

/** Noise, which no compression makes smaller: so many bytes a pixel. @param side in pixels */
async function noise(side: number): Promise<Buffer> {
  const raw = { width: side, height: side, channels: 3 } as const;
  return sharp(randomBytes(side * side * 3), { raw })
    .png({ compressionLevel: 0 })
    .toBuffer();
}
const card = (page: Page, name: string) => page.locator(`[data-name="${name}"]`);
const place = (answer: { headers: () => Record<string, string> }): string => answer.headers()["location"] ?? "";

test("what was sent before the line was cut is gone on with, by whoever began it, and is the very file", async ({
  page,
  browser,
  baseURL,
}) => {
  await signInAs(page, "Tamsin Kell");
  const file = await noise(200);
  const half = Math.floor(file.length / 2);
  const announced = await announceFile(page, "in two parts.png", file.length);
  expect(announced.status()).toBe(201);
  const upload = place(announced);
  expect((await sendPart(page, upload, 0, file.subarray(0, half))).headers()["upload-offset"]).toBe(String(half));
  // Nobody else may see it or add to it, not even of the same team.
  const other = await browser.newPage({ baseURL });
  await signInAs(other, "Imre Vass");
  expect((await askForUpload(other, upload)).status()).toBe(404);
  expect((await sendPart(other, upload, half, file.subarray(half))).status()).toBe(404);
  await other.close();
  // A part that does not follow on what is there is refused.
  expect((await sendPart(page, upload, half - 10, file.subarray(half - 10))).status()).toBe(409);
  expect((await askForUpload(page, upload)).headers()["upload-offset"]).toBe(String(half));
  const ended = await sendPart(page, upload, half, file.subarray(half));
  expect(await ended.json()).toMatchObject({ name: "in two parts.png", known: false });
  const [row] = await query<{ sha256: string }>("select sha256 from media where name = 'in two parts.png'");
  expect(row?.sha256).toBe(createHash("sha256").update(file).digest("hex"));
  // It is in the media now, and no upload any more.
  expect((await askForUpload(page, upload)).status()).toBe(404);
});

test("what is empty, too large or of no said length is refused in words before it is sent", async ({ page }) => {
  await signInAs(page, "Tamsin Kell");
  const large = await announceFile(page, "endless.mp4", 3_000_000_000);
  expect([large.status(), await large.json()]).toEqual([
    413,
    { problem: "“endless.mp4” is larger than the limit for clips: 2000 MB." },
  ]);
  const empty = await bringFile(page, "nothing.png", Buffer.alloc(0));
  expect([empty.status(), await empty.json()]).toEqual([
    422,
    { problem: "“nothing.png” is empty (0 bytes). Export or copy it again, then bring it once more." },
  ]);
});

test("on a page whose line is cut and comes back, a file arrives without being sent anew", async ({
  browser,
  baseURL,
}) => {
  const line = await openLine(baseURL ?? "");
  const page = await browser.newPage({ baseURL: line.address });
  await signInAs(page, "Tamsin Kell");
  await page.goto("/media");
  await expect(page.getByTestId("file-picker")).toBeAttached();
  const offsets: number[] = [];
  page.on("request", (request) => {
    if (request.method() === "PATCH") offsets.push(Number(request.headers()["upload-offset"]));
  });
  const buffer = await noise(1200);
  line.cutAfter(buffer.length / 2);
  await page.getByTestId("file-picker").setInputFiles({ name: "cut line.png", mimeType: "image/png", buffer });
  // It is tried again for a while before it is said.
  await expect(page.getByLabel("Uploads").getByRole("alert")).toContainText("the connection was lost", {
    timeout: 60_000,
  });
  line.mend();
  await page.getByRole("button", { name: /^Go on from \d+ %$/ }).click();
  await expect(card(page, "cut line.png")).toHaveAttribute("data-state", "ready", { timeout: 60_000 });
  expect(offsets[0]).toBe(0);
  expect(offsets.at(-1)).toBeGreaterThan(buffer.length * 0.1);
  const sha256 = createHash("sha256").update(buffer).digest("hex");
  expect(await query("select 1 from media where sha256 = $1", [sha256])).toHaveLength(1);
  await page.close();
  await line.close();
});
