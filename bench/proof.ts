import { type Page } from "@playwright/test";
import { addPromotion } from "./benchPromotion";
import { BENCH_PROMOTION } from "./render";
import { withDeskPage } from "./deskPage";
import { blockedInWords, mainThreadTasks } from "./mainThread";
import { richPromotion } from "./richPromotion";

const RICH = "bench-rich-scenes";
const TIMES_PLAYED = 5;
const BETWEEN_KEYS_MS = 150;
const LETTERS = "springishereagainandagain";

/**
 * Measures typing alone, on the demo's promotion and on one with much in it: the first letters on a page that was just opened,
 * whose code the browser compiles anew meanwhile, and letters of somebody who has typed for a while.
 */
export async function benchTyping(data: string): Promise<void> {
  await addPromotion(data, RICH, richPromotion);
  await withDeskPage(data, async (page) => {
    for (const slug of [BENCH_PROMOTION, RICH]) {
      await openDesk(page, slug);
      await page.evaluate(PRINTS);
      await typing(page, "warmup");
      const first = await typing(page, LETTERS);
      await erase(page, LETTERS.length);
      for (let time = 0; time < 2; time++) {
        await typeUnseen(page, LETTERS);
        await erase(page, LETTERS.length);
      }
      const later = await typing(page, LETTERS);
      console.log(`keystroke to three repainted proofs of ${slug}:`);
      console.log(`just opened ${delaysInWords(first)}; after a while ${delaysInWords(later)}`);
    }
  });
}

const at = (share: number, of: readonly number[]): number => of[Math.floor(share * (of.length - 1))] ?? Number.NaN;
const delaysInWords = (delays: readonly number[]): string =>
  `median ${at(0.5, delays).toFixed(0)} ms, 95th percentile ${at(0.95, delays).toFixed(0)} ms`;

/** Opens a promotion's Fill desk. What is typed there is not kept, and answered as if it were: the demo stays as it is. */
async function openDesk(page: Page, slug: string): Promise<void> {
  let revision = 1000;
  // What a page has not sent yet when it is left goes by a beacon, which is not answered here: it would be kept.
  const saved = page.getByText("saved", { exact: true });
  if (await page.getByTestId("meters").first().isVisible()) await saved.waitFor();
  await page.unrouteAll();
  await page.route("**/edits", (route) =>
    route.request().method() === "POST"
      ? route.fulfill({ json: { revision: ++revision, document: null, refused: [] } })
      : route.continue(),
  );
  await page.goto(`/promotions/${slug}`);
  await page.getByTestId("meters").first().waitFor();
}

/** Measures the playing trio and typing in headless Chromium at 1280×800, against a server of its own. */
export async function benchProof(data: string): Promise<void> {
  await addPromotion(data, RICH, richPromotion);
  await withDeskPage(data, async (page) => {
    await openDesk(page, RICH);
    await playOnce(page);
    // Looking at what is painted reads pixels on the main thread, which a person's eyes do not: blocking is measured alone,
    // while playing and while typing.
    const blockedWhilePlaying = await mainThreadTasks(page, async () => {
      for (let time = 0; time < TIMES_PLAYED; time++) await playUnseen(page);
    });
    const painted = await playOnce(page);
    await typing(page, "warmup");
    const blockedWhileTyping = await mainThreadTasks(page, () => typeUnseen(page, "springishereagain"));
    const delays = await typing(page, "springishereagain");
    const sought = await scrubbing(page);
    const steps = await framesThatDiffer(page);
    console.log(
      "playing trio, six scenes with two clips, captions, letters and a look: " +
        `${painted} of ${steps} frames that differ from the one before were shown`,
    );
    console.log(`keystroke to three repainted proofs: ${delaysInWords(delays)}`);
    console.log(`press in the strip to another frame in all three: ${delaysInWords(sought)}`);
    console.log(`main thread, playing ${TIMES_PLAYED} times: ${blockedInWords(blockedWhilePlaying)}`);
    console.log(`main thread, typing: ${blockedInWords(blockedWhileTyping)}`);
    console.log(`ratio ${(painted / steps).toFixed(2)} of the promotion's own frames`);
  });
}

declare global {
  // Declared as a variable of the page that is looked at: only those are members of its global object.
  var prints: () => number[];
}

/**
 * What the three proofs show, as three numbers. They are painted in a worker, so a copy is looked at; a small one, since
 * looking takes time that is measured with the rest.
 */
const PRINTS = `globalThis.prints = () => [...document.querySelectorAll("[data-proof] canvas")].map((canvas) => {
  const copy = (canvas.copy ??= new OffscreenCanvas(96, 96).getContext("2d", { willReadFrequently: true }));
  copy.drawImage(canvas, 0, 0, 96, 96);
  const { data } = copy.getImageData(0, 0, 96, 96);
  let sum = 0;
  for (let index = 0; index < data.length; index += 4) sum = (sum * 31 + data[index] + data[index + 1]) | 0;
  return sum;
})`;

/** Plays from the start to the end; how many times the widescreen proof, painted last of the three, changed. */
async function playOnce(page: Page): Promise<number> {
  await page.getByRole("slider", { name: "Place in time" }).focus();
  await page.keyboard.press("Home");
  await page.evaluate(PRINTS);
  return page.evaluate(
    () =>
      new Promise<number>((resolve) => {
        const { prints } = globalThis;
        const button = document.querySelector<HTMLButtonElement>("button[aria-label=Play]");
        if (!button) throw new Error("The desk has no transport strip.");
        let [painted, last] = [0, prints().at(-1)];
        button.click();
        const look = (): void => {
          const now = prints().at(-1);
          if (now !== last) painted++;
          last = now;
          if (button.getAttribute("aria-label") === "Play") resolve(painted);
          else requestAnimationFrame(look);
        };
        requestAnimationFrame(look);
      }),
  );
}

/** Plays from the start to the end without looking. */
async function playUnseen(page: Page): Promise<void> {
  await page.getByRole("slider", { name: "Place in time" }).focus();
  await page.keyboard.press("Home");
  await page.getByRole("button", { name: "Play", exact: true }).click();
  await page.getByRole("button", { name: "Pause", exact: true }).waitFor();
  await page.getByRole("button", { name: "Play", exact: true }).waitFor({ timeout: 60_000 });
}

/** Types at the pace of a quick writer without looking. */
async function typeUnseen(page: Page, letters: string): Promise<void> {
  await page.getByLabel("Headline", { exact: true }).first().click();
  await page.keyboard.press("End");
  await page.keyboard.type(letters, { delay: BETWEEN_KEYS_MS });
}

/** Takes the last letters out again. */
async function erase(page: Page, letters: number): Promise<void> {
  for (let letter = 0; letter < letters; letter++)
    await page.keyboard.press("Backspace", { delay: BETWEEN_KEYS_MS / 2 });
}

/** Steps through the whole promotion, frame by frame: how many differ from the one before. */
async function framesThatDiffer(page: Page): Promise<number> {
  const slider = page.getByRole("slider", { name: "Place in time" });
  await slider.focus();
  await page.keyboard.press("Home");
  const prints = (): Promise<number | undefined> =>
    page.evaluate(() => {
      const { prints: own } = globalThis;
      // Painted in a worker: what it paints for this step is on screen two frames later.
      return new Promise<number | undefined>((resolve) => {
        requestAnimationFrame(() => requestAnimationFrame(() => requestAnimationFrame(() => resolve(own().at(-1)))));
      });
    });
  const frames = Math.round((Number(await slider.getAttribute("aria-valuemax")) * 30) / 1000);
  let [differ, last] = [0, await prints()];
  for (let frame = 1; frame < frames; frame++) {
    await page.keyboard.press("ArrowRight");
    const now = await prints();
    if (now !== last) differ++;
    last = now;
  }
  return differ;
}

/** Milliseconds from each of some keystrokes to the moment in which all three proofs show other pixels, sorted. */
async function typing(page: Page, letters: string): Promise<number[]> {
  await page.getByLabel("Headline", { exact: true }).first().click();
  await page.keyboard.press("End");
  return delaysOf(
    page,
    "keydown",
    letters.split("").map((letter) => () => page.keyboard.press(letter)),
  );
}

const PRESSES = 40;

/** The same from presses in the strip of time, each far from the one before. */
async function scrubbing(page: Page): Promise<number[]> {
  const box = await page.getByRole("slider", { name: "Place in time" }).boundingBox();
  if (!box) throw new Error("The desk has no strip of time.");
  const presses = Array.from({ length: PRESSES }, (_, index) => async () => {
    // By the golden section: no two after each other are near.
    const share = 0.02 + 0.96 * ((index * 0.618) % 1);
    await page.mouse.click(box.x + box.width * share, box.y + box.height / 2);
  });
  return delaysOf(page, "pointerdown", presses);
}

/** Milliseconds from an event that each of some actions makes to the moment in which all three proofs show other pixels, sorted. */
async function delaysOf(
  page: Page,
  event: "keydown" | "pointerdown",
  actions: readonly (() => Promise<void>)[],
): Promise<number[]> {
  const delays: number[] = [];
  for (const act of actions) {
    // Taken before it; looked at every frame after it.
    await page.evaluate((name) => {
      const { prints } = globalThis;
      const before = prints();
      const root = document.documentElement;
      root.dataset["delay"] = "";
      window.addEventListener(
        name,
        () => {
          const pressed = performance.now();
          const look = (): void => {
            // What is seen now was there before it is read.
            const seen = performance.now();
            if (prints().every((print, index) => print !== before[index]))
              root.dataset["delay"] = String(seen - pressed);
            else requestAnimationFrame(look);
          };
          requestAnimationFrame(look);
        },
        { once: true, capture: true },
      );
    }, event);
    await act();
    await page.waitForFunction(() => document.documentElement.dataset["delay"] !== "", undefined, { timeout: 10_000 });
    delays.push(Number(await page.locator("html").getAttribute("data-delay")));
  }
  return delays.sort((one, other) => one - other);
}
