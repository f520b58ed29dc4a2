import { type Page, expect, test } from "@playwright/test";
import { closeDatabase } from "../../server/db/connect";
import { axeFaults } from "../axe";
import { renderDraft, writeHeadline } from "../changedAndRendered";
import { onlyIn, openFillDesk } from "../newPromotion";
import { type OwnTeam, ownTeam } from "../ownTeam";

test.afterAll(() => closeDatabase());

const PASSWORD = "three pots";

/** A promotion of a team of the test's own in one format, rendered once; the page is its review. */
async function renderedOnce(page: Page, name: string): Promise<{ team: OwnTeam; slug: string }> {
  const team = await ownTeam(name);
  const slug = await team.promotion();
  await team.signIn(page, "marketer");
  await openFillDesk(page, slug);
  await onlyIn(page, "vertical");
  await expect(page.getByText("saved", { exact: true })).toBeVisible();
  await renderDraft(page, slug);
  await page.getByRole("link", { name: "Review", exact: true }).click();
  await expect(page.getByText("Nobody was asked")).toBeVisible();
  return { team, slug };
}

async function makeLink(page: Page, fields: { readonly password?: string } = {}): Promise<string> {
  await page.getByRole("button", { name: /Share by link/ }).click();
  const form = page.getByRole("form", { name: "Make a share link" });
  await form.getByLabel("For whom").fill("Rosa, who owns the shop");
  await form.getByLabel("Password").fill(fields.password ?? "");
  await form.getByRole("button", { name: "Make a link" }).click();
  return page.getByLabel("The link, shown this once").inputValue();
}

test("without an account one opens a link on a phone, asks for a change and approves; it lapses with a word and holds without it", async ({
  page,
  browser,
  baseURL,
}) => {
  const { slug } = await renderedOnce(page, "Approved on a phone");
  const link = await makeLink(page, { password: PASSWORD });
  await expect(page.getByText("Waits for approval")).toBeVisible();

  const phone = await browser.newContext({ ...(baseURL ? { baseURL } : {}), viewport: { width: 390, height: 844 } });
  const guest = await phone.newPage();
  await guest.goto(link);
  await guest.getByLabel("Password").fill("two pots");
  await guest.getByRole("button", { name: "Open" }).click();
  await expect(guest.getByText("This is not the password.")).toBeVisible();
  await guest.getByLabel("Password").fill(PASSWORD);
  await guest.getByRole("button", { name: "Open" }).click();
  const film = guest.getByLabel("vertical format");
  await expect(film).toBeVisible();
  const isSideways = () => guest.evaluate(() => document.documentElement.scrollWidth > innerWidth);
  expect(await isSideways()).toBe(false);
  expect(await axeFaults(guest)).toEqual([]);

  // A moment and a place: two seconds in, at the upper left.
  await film.evaluate((video: HTMLVideoElement) => (video.currentTime = 2));
  const saying = guest.getByRole("form", { name: "Say something" });
  await expect(saying.getByText("about vertical at 0:02.0")).toBeVisible();
  await guest.getByRole("button", { name: "Point at something" }).click();
  const plate = guest.getByRole("button", { name: /^Press where it is/ });
  const box = await plate.boundingBox();
  if (!box) throw new Error("There is nothing to point at.");
  await plate.click({ position: { x: box.width * 0.25, y: box.height * 0.2 } });
  await saying.getByLabel("Your name").fill("Rosa <b>Ferrin</b>");
  await saying.getByLabel("Your comment").fill("The words stand <script>document.title = 'no'</script> too high.");
  await saying.getByRole("button", { name: "Send the comment" }).click();
  const said = guest.getByText("The words stand <script>document.title = 'no'</script> too high.");
  await expect(said).toBeVisible();
  const deciding = guest.getByRole("form", { name: "Decide" });
  await deciding.getByRole("button", { name: "Ask for changes" }).click();
  await deciding.getByRole("button", { name: "Ask for these changes" }).click();
  await expect(deciding.getByText("Write what should change.")).toBeVisible();
  await deciding.getByLabel("What should change").fill("Lower, please.");
  await deciding.getByRole("button", { name: "Ask for these changes" }).click();
  await expect(guest.getByText("Changes are asked for")).toBeVisible();

  // The team reads it at once, where and when it was meant, and answers.
  await expect(page.getByText("Changes are asked for")).toBeVisible();
  const comment = page.locator("li[data-comment]");
  await expect(comment.getByText("Rosa <b>Ferrin</b> (by link)", { exact: false })).toBeVisible();
  await comment.getByRole("button", { name: "Show vertical at 0:02.0" }).click();
  await expect(page.getByTitle(/^Rosa <b>Ferrin<\/b>: The words/)).toBeVisible();
  await comment.getByRole("button", { name: "Answer" }).click();
  await comment.getByLabel("Your answer").fill("Done.");
  await comment.getByRole("button", { name: "Send the answer" }).click();
  await expect(comment.getByText("Done.", { exact: true })).toBeVisible();
  await comment.getByRole("button", { name: "Mark as done" }).click();
  await expect(page.getByRole("button", { name: "Show 1 done" })).toBeVisible();

  await writeHeadline(page, slug, "We are here");
  await renderDraft(page, slug);
  await page.getByRole("link", { name: "Review", exact: true }).click();
  await page.getByRole("button", { name: "Ask the team again" }).click();
  await expect(page.getByText("Waits for approval")).toBeVisible();

  await guest.reload();
  await expect(deciding.getByLabel("Your name")).toHaveValue("Rosa <b>Ferrin</b>");
  await deciding.getByRole("button", { name: "Approve" }).click();
  await expect(guest.getByText("This very version is approved.", { exact: false })).toBeVisible();
  await expect(page.getByText("This very version is approved.", { exact: false })).toBeVisible();

  expect(await axeFaults(page)).toEqual([]);
  // By what is seen, not by the revision: another word ends it, the word that was approved brings it back.
  await writeHeadline(page, slug, "We were here");
  await page.goto(`/promotions/${slug}/review`);
  await expect(page.getByText("Approved, but changed since", { exact: false })).toBeVisible();
  await writeHeadline(page, slug, "We are here");
  await page.goto(`/promotions/${slug}/review`);
  await expect(page.getByText("This very version is approved.", { exact: false })).toBeVisible();
  await phone.close();
});

test("a link that is taken back shows nothing, nor does what it embedded; a member who only reviews approves as well", async ({
  page,
  browser,
  baseURL,
}) => {
  const { team, slug } = await renderedOnce(page, "Shown for a while");
  const link = new URL(await makeLink(page), baseURL).href;
  const outside = await browser.newContext(baseURL ? { baseURL } : {});
  const guest = await outside.newPage();
  await guest.goto(link);
  const source = (await guest.getByLabel("vertical format").getAttribute("src")) ?? "";
  const film = await guest.request.get(source, { headers: { range: "bytes=0-99" } });
  expect([film.status(), film.headers()["content-type"]]).toEqual([206, "video/mp4"]);

  // oEmbed 1.0: what a page that shows links asks for.
  const asked = `/oembed?url=${encodeURIComponent(link)}&maxwidth=300`;
  const embed: unknown = await (await guest.request.get(asked)).json();
  expect(embed).toMatchObject({ version: "1.0", type: "video", width: 300 });
  const frame = /src="([^"]+)"/.exec(JSON.stringify(embed).replaceAll(String.raw`\"`, '"'))?.[1] ?? "";
  // It does not tell the link, plays, and runs nothing.
  expect(frame).not.toContain(link.split("/").at(-1) ?? "");
  const shown = await guest.request.get(frame);
  expect(shown.headers()["content-security-policy"]).toContain("frame-ancestors *");
  expect(shown.headers()["content-security-policy"]).toContain("sandbox;");
  expect(shown.headers()["x-frame-options"]).toBeUndefined();
  await guest.setContent(`<iframe src="${frame}" sandbox></iframe>`);
  const inFrame = guest.frameLocator("iframe").locator("video");
  await expect(inFrame).toBeVisible();
  // Its length is known: the film was let through, though nothing else is.
  await expect.poll(() => inFrame.evaluate((video: HTMLVideoElement) => video.duration)).toBeGreaterThan(1);
  expect((await guest.request.get(`${frame}/film`)).status()).toBe(200);

  const reviewer = await outside.newPage();
  await team.signIn(reviewer, "reviewer");
  await reviewer.goto(`/promotions/${slug}/review`);
  await expect(reviewer.getByRole("button", { name: /Share by link/ })).toHaveCount(0);
  await reviewer.getByRole("button", { name: "Approve" }).click();
  await expect(reviewer.getByText("This very version is approved.", { exact: false })).toBeVisible();

  await page.getByRole("button", { name: "Take back" }).click();
  await expect(page.getByText("taken back", { exact: true })).toBeVisible();
  const gone = [link, source, frame, `${frame}/film`, asked];
  const answers = await Promise.all(gone.map(async (address) => (await guest.request.get(address)).status()));
  expect(answers).toEqual(gone.map(() => 404));
  await outside.close();
});
