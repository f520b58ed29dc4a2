import { mkdtemp, rm, stat, truncate } from "node:fs/promises";
import { tmpdir } from "node:os";
import { basename, join } from "node:path";
import { expect, test } from "@playwright/test";
import sharp from "sharp";
import { onlyIn, openShortPromotion } from "../newPromotion";
import { ffmpeg, ffprobe } from "../files";
import { colorsIn, downloadRendition, dropOn } from "../ownClips";
import { query } from "../query";
import { letPass } from "../startRender";

/** A clip is dropped, its words are changed, and the person goes on to Send at once: the render has both. */

test("a clip that is dropped while one goes on to Send fills its slot once it is read in, and what was typed last is rendered", async ({
  page,
}) => {
  const folder = await mkdtemp(join(tmpdir(), "stencilcraft-e2e-"));
  const clip = join(folder, "dropped-clip.mp4");
  // Long enough to take seconds to be read in; of a colour that no picture of the demo has, and no file of an earlier run.
  const green = (32 + Math.floor(Math.random() * 32)).toString(16);
  await ffmpeg("-f", "lavfi", "-i", `color=c=#20${green}f0:s=1280x720:r=30:d=12`, "-pix_fmt", "yuv420p", clip);
  await openShortPromotion(page, "dropped-and-gone-on");
  await onlyIn(page, "square");
  const picture = page
    .getByRole("region", { name: "Scene 1, Headline" })
    .getByRole("button", { name: "Choose picture" });
  await dropOn(picture, clip);
  await expect(page.getByText("Reading in “dropped-clip.mp4” …")).toBeVisible();
  await page.getByRole("link", { name: "Proof", exact: true }).click();
  await page.waitForURL(/\/proof$/);
  await page.getByRole("link", { name: "On to rendering" }).click();
  const awaited = page.getByText(/“dropped-clip\.mp4” is still being read in/);
  await expect(awaited).toBeVisible();
  await expect(awaited).toBeHidden({ timeout: 180_000 });

  await page.getByRole("link", { name: "Fill", exact: true }).click();
  await expect(page.getByText("dropped-clip · clip 12.0 s")).toBeVisible();
  // What was typed last is under way until after Render was pressed.
  let arrive = (): void => undefined;
  const held = new Promise<void>((resolve) => (arrive = resolve));
  await page.route("**/edits", async (route) => {
    if (route.request().method() === "POST") await held;
    await route.continue();
  });
  await page.getByLabel("Headline", { exact: true }).fill("Blue, and typed last");
  await page.getByRole("link", { name: "Send", exact: true }).click();
  await page.getByLabel("480p").check();
  const render = page.getByRole("button", { name: "Render 1 format" });
  await render.click();
  await expect(page.getByRole("button", { name: "Looking through it" })).toBeDisabled();
  await expect(page.locator("li[data-state]")).toHaveCount(0);
  arrive();
  await letPass(page);
  await expect(page.locator("li[data-state=ready]")).toHaveCount(1, { timeout: 90_000 });
  await expect(page.getByText("the promotion changed since")).toBeHidden();
  const file = await downloadRendition(page, "square", folder);
  expect((await ffprobe(file)).video).toMatchObject({ width: 480, height: 480 });
  const [shown] = await colorsIn(file, [[0.9, 0.1]], 0.3);
  expect(shown?.b).toBeGreaterThan(200);
  expect(shown?.r).toBeLessThan(70);
  await rm(folder, { recursive: true });
});

test("a torn clip that is dropped while the page hears no news is told of once it hears again", async ({ page }) => {
  const folder = await mkdtemp(join(tmpdir(), "stencilcraft-e2e-"));
  const clip = join(folder, `torn-${Date.now()}.mp4`);
  await ffmpeg("-f", "lavfi", "-i", "testsrc2=s=640x360:r=30:d=4", "-pix_fmt", "yuv420p", clip);
  // What says where its frames lie comes last (ISO 14496-12, moov), and is lost.
  await truncate(clip, Math.floor((await stat(clip)).size * 0.6));
  await page.route("**/events", (route) => route.abort());
  await openShortPromotion(page, "dropped-and-torn");
  const scene = page.getByRole("region", { name: "Scene 1, Headline" });
  await dropOn(scene.getByRole("button", { name: "Choose picture" }), clip);
  const name = basename(clip, ".mp4");
  await expect(page.getByText(`Reading in “${name}.mp4” …`)).toBeVisible();
  await expect
    .poll(() => query("select state from media where name like $1", [`${name}%`]), { timeout: 60_000 })
    .toEqual([{ state: "failed" }]);
  await expect(page.getByText("The file could not be read in. Media says why.")).toBeHidden();
  await page.unroute("**/events");
  await expect(page.getByText("The file could not be read in. Media says why.")).toBeVisible({ timeout: 15_000 });
  await expect(scene.getByRole("button", { name: "Choose picture" })).toBeVisible();
  await rm(folder, { recursive: true });
});

test("a picture that was dropped is shown, also where the answer that says what it is gets lost", async ({ page }) => {
  const folder = await mkdtemp(join(tmpdir(), "stencilcraft-e2e-"));
  const picture = join(folder, `lost-${Date.now()}.png`);
  const blue = Math.floor(Math.random() * 256);
  await sharp({ create: { width: 900, height: 900, channels: 3, background: { r: 200, g: 40, b: blue } } }).toFile(
    picture,
  );
  let lost = 0;
  await page.route("**/media/chosen?*", (route) => (lost++ === 0 ? route.abort() : route.continue()));
  await openShortPromotion(page, "dropped-and-answer-lost");
  await dropOn(
    page.getByRole("region", { name: "Scene 1, Headline" }).getByRole("button", { name: "Choose picture" }),
    picture,
  );
  await expect(page.getByText(basename(picture, ".png"), { exact: true })).toBeVisible({ timeout: 60_000 });
  expect(lost).toBeGreaterThan(1);
  await expect(page.getByRole("heading", { name: /went wrong/i })).toHaveCount(0);
  await rm(folder, { recursive: true });
});
