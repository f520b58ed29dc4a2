import { chromium, type Page } from "@playwright/test";
import { templateDocument } from "../core/document/templateDocument";
import { SHIPPED_TEMPLATES } from "../core/templates/shipped";
import { openDemoData } from "./demoInstance";
import { CHROMIUM } from "../server/testing/chromium";
import { startOwnServer } from "./ownServer";

const TEMPLATES = 60;
/** Pixels of a turn of the wheel, and how many a second: a person who looks through. */
const TURN_PX = 120;
const TURNS_A_SECOND = 12;
/** A frame later than this is seen to stick. */
const STICKS_MS = 50;

interface Scrolling {
  readonly framesASecond: number;
  readonly longest: number;
  readonly sticking: number;
}

/** Measures scrolling through a gallery of 60 templates while their previews are painted, against scrolling when all are there. */
export async function benchGallery(data: string): Promise<void> {
  const demo = await openDemoData(data);
  const { database } = await import("../server/db/connect");
  const db = database();
  const [designer] = await db
    .selectFrom("member")
    .where("name", "=", "Delphine Orrow")
    .select(["id", "team_id"])
    .execute();
  if (!designer) throw new Error("The demo world has no designer.");
  const made: string[] = [];
  for (let number = SHIPPED_TEMPLATES.length; number < TEMPLATES; number++) {
    const source = SHIPPED_TEMPLATES[number % SHIPPED_TEMPLATES.length];
    const slug = `bench-${number}`;
    if (!source) continue;
    const document = JSON.stringify(templateDocument({ ...source, slug, name: `${source.name} ${number}` }));
    const { id } = await db
      .insertInto("template")
      .values({ team_id: designer.team_id, slug, name: slug, draft: document, edition: 1, removed_at: null })
      .returning("id")
      .executeTakeFirstOrThrow();
    await db
      .insertInto("template_edition")
      .values({ team_id: designer.team_id, template_id: id, edition: 1, document, member_id: designer.id })
      .execute();
    made.push(id);
  }
  const server = await startOwnServer(data);
  const browser = await chromium.launch({
    executablePath: CHROMIUM,
    args: ["--no-sandbox", "--disable-gpu"],
  });
  try {
    const page = await browser.newPage({ viewport: { width: 1280, height: 800 }, baseURL: server.address });
    await page.addInitScript("globalThis.__name = (made) => made");
    await page.goto("/sign-in");
    await page.getByRole("button", { name: "Sign in as Delphine Orrow" }).click();
    await page.waitForURL(/\/$/);
    await page.goto("/templates");
    await page.locator("[data-preview=resting]").first().waitFor();
    const first = await scrollThrough(page);
    const stopped = performance.now();
    await page.waitForFunction(() =>
      [...document.querySelectorAll("[data-preview]")]
        .filter((one) => {
          const { top, bottom } = one.getBoundingClientRect();
          return bottom > 0 && top < innerHeight;
        })
        .every((one) => one.getAttribute("data-preview") !== "waiting"),
    );
    const caughtUp = performance.now() - stopped;
    await page.waitForFunction(() => document.querySelectorAll("[data-preview=waiting]").length === 0);
    const again = await scrollThrough(page);
    console.log(`${await page.locator("[data-preview]").count()} templates, previews being painted: ${told(first)}`);
    console.log(`all painted:                         ${told(again)}`);
    console.log(`what is in view when scrolling ends is painted ${caughtUp.toFixed(0)} ms later`);
    console.log(
      `ratio ${(first.framesASecond / again.framesASecond).toFixed(2)} of the frames a second with nothing left to paint`,
    );
  } finally {
    await browser.close();
    await server.stop();
    await db.deleteFrom("template_edition").where("template_id", "in", made).execute();
    await db.deleteFrom("template").where("id", "in", made).execute();
    await demo.close();
  }
}

const told = ({ framesASecond, longest, sticking }: Scrolling): string =>
  `${framesASecond.toFixed(1)} frames a second, longest ${longest.toFixed(0)} ms, ${(sticking * 100).toFixed(1)} % stick`;

/** Turns the wheel from the top to the foot of the page, and watches the page's frames meanwhile. */
async function scrollThrough(page: Page): Promise<Scrolling> {
  await page.evaluate(() => scrollTo(0, 0));
  await page.mouse.move(700, 500);
  const watch = await page.evaluateHandle(() => {
    const times: number[] = [];
    const watched = { times, on: true };
    const tick = (now: number): void => {
      watched.times.push(now);
      if (watched.on) requestAnimationFrame(tick);
    };
    requestAnimationFrame(tick);
    return watched;
  });
  const height = await page.evaluate(() => document.documentElement.scrollHeight - innerHeight);
  const started = performance.now();
  for (let turn = 0; turn * TURN_PX < height; turn++) {
    await page.mouse.wheel(0, TURN_PX);
    const due = started + ((turn + 1) * 1000) / TURNS_A_SECOND;
    await new Promise((resolve) => setTimeout(resolve, Math.max(0, due - performance.now())));
  }
  const times = await watch.evaluate((watched) => {
    watched.on = false;
    return watched.times;
  });
  const gaps = times.slice(1).map((time, index) => time - (times[index] ?? 0));
  const whole = ((times.at(-1) ?? 0) - (times[0] ?? 0)) / 1000;
  return {
    framesASecond: gaps.length / whole,
    longest: Math.max(...gaps),
    sticking: gaps.filter((gap) => gap > STICKS_MS).length / gaps.length,
  };
}
