import { spawn } from "node:child_process";
import { once } from "node:events";
import { chromium, type Page } from "@playwright/test";
import { freePort } from "../server/cli/cluster";
import { BENCH_PROMOTION } from "./render";

/** Measures the playing trio and typing in headless Chromium at 1280×800, against a server of its own. */
export async function benchProof(data: string): Promise<void> {
  const port = await freePort();
  const server = spawn(
    process.execPath,
    ["--import", "tsx", "server/cli/start.ts", "--data", data, "--port", String(port), "--no-worker"],
    { stdio: ["ignore", "pipe", "inherit"], env: { ...process.env, LOG_LEVEL: "warn" } },
  );
  for await (const text of server.stdout.setEncoding("utf8")) if (String(text).includes("ready at")) break;
  const browser = await chromium.launch({
    executablePath: "/usr/bin/chromium",
    args: ["--no-sandbox", "--disable-gpu", "--autoplay-policy=no-user-gesture-required"],
  });
  try {
    const page = await browser.newPage({ viewport: { width: 1280, height: 800 }, baseURL: `http://127.0.0.1:${port}` });
    // Functions handed to the page were compiled here, with a helper that keeps their names.
    await page.addInitScript("globalThis.__name = (made) => made");
    // What is typed here is not kept: the demo stays as it is.
    await page.route("**/edits", (route) => route.abort());
    await page.goto("/sign-in");
    await page.getByRole("button", { name: "Sign in as Tamsin Kell" }).click();
    await page.waitForURL(/\/$/);
    await page.goto(`/promotions/${BENCH_PROMOTION}`);
    await page.getByTestId("meters").first().waitFor();
    await playOnce(page);
    const fps = await playOnce(page);
    const delays = await typing(page);
    console.log(`playing trio: ${fps.toFixed(1)} frames a second over the whole promotion`);
    console.log(
      `keystroke to three repainted proofs: median ${delays[delays.length >> 1]?.toFixed(0)} ms, slowest ${delays.at(-1)?.toFixed(0)} ms`,
    );
    console.log(`ratio ${(fps / 30).toFixed(2)} of the promotion's own frame rate`);
  } finally {
    await browser.close();
    server.kill("SIGTERM");
    await once(server, "exit");
  }
}

/** Plays from the start to the end; how many times a second the three canvases were painted. */
async function playOnce(page: Page): Promise<number> {
  await page.getByRole("slider", { name: "Place in time" }).focus();
  await page.keyboard.press("Home");
  return page.evaluate(
    () =>
      new Promise<number>((resolve) => {
        const slider = document.querySelector("[role=slider]");
        const button = document.querySelector<HTMLButtonElement>("button[aria-label=Play]");
        if (!slider || !button) throw new Error("The desk has no transport strip.");
        let painted = 0;
        const canvas = document.querySelector<HTMLCanvasElement>("[data-proof=widescreen] canvas");
        const context = canvas?.getContext("2d");
        if (!context) throw new Error("There is no proof.");
        // A frame is painted aside and laid over the canvas at once; the widescreen proof is painted last of the three.
        const lay = context.drawImage.bind(context) as (...args: unknown[]) => void;
        context.drawImage = (...args: unknown[]): void => {
          painted++;
          lay(...args);
        };
        const started = performance.now();
        button.click();
        new MutationObserver((_records, observer) => {
          if (button.getAttribute("aria-label") !== "Play") return;
          observer.disconnect();
          Reflect.deleteProperty(context, "drawImage");
          resolve(painted / ((performance.now() - started) / 1000));
        }).observe(button, { attributes: true, attributeFilter: ["aria-label"] });
      }),
  );
}

/** Milliseconds from each of some keystrokes to the moment in which all three canvases show other pixels, sorted. */
async function typing(page: Page): Promise<number[]> {
  await page.getByLabel("Headline", { exact: true }).click();
  await page.keyboard.press("End");
  const delays: number[] = [];
  for (const letter of "springishereagain") {
    // Taken before the key is pressed; looked at every frame after it.
    await page.evaluate(() => {
      const contexts = [...document.querySelectorAll<HTMLCanvasElement>("[data-proof] canvas")].flatMap(
        (canvas) => canvas.getContext("2d") ?? [],
      );
      const prints = (): number[] =>
        contexts.map((context) => {
          const { data } = context.getImageData(0, 0, context.canvas.width, context.canvas.height);
          let sum = 0;
          for (let index = 0; index < data.length; index += 4) sum = (sum * 31 + (data[index] ?? 0)) | 0;
          return sum;
        });
      const before = prints();
      const root = document.documentElement;
      root.dataset["delay"] = "";
      window.addEventListener(
        "keydown",
        () => {
          const pressed = performance.now();
          const look = (): void => {
            if (prints().every((print, index) => print !== before[index]))
              root.dataset["delay"] = String(performance.now() - pressed);
            else requestAnimationFrame(look);
          };
          requestAnimationFrame(look);
        },
        { once: true, capture: true },
      );
    });
    await page.keyboard.press(letter);
    await page.waitForFunction(() => document.documentElement.dataset["delay"] !== "", undefined, { timeout: 10_000 });
    delays.push(Number(await page.locator("html").getAttribute("data-delay")));
  }
  return delays.sort((one, other) => one - other);
}
