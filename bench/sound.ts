import { type Page } from "@playwright/test";
import { adjust, applyEdit } from "../core/document/edits";
import { type SoundPiece } from "../core/document/lanes";
import { scenesInOrder } from "../core/document/sceneList";
import { repeatScene } from "../core/document/restructure";
import { AS_MIXED, type Finish } from "../core/sound/finish";
import { inOne } from "../core/sound/finished";
import { heardSamples } from "../core/sound/heardSamples";
import { type Mix, type MixedPiece } from "../core/sound/mixedPiece";
import { type SoundSamples, sampleAt } from "../core/sound/samples";
import { ticksOf } from "../core/time/ticks";
import { millis } from "../core/units";
import { addPromotion } from "./benchPromotion";
import { withDeskPage } from "./deskPage";

const MIXED_MS = 30_000;
const PIECES = 12;
const SLUG = "bench-lanes";
const SCENES = 6;
const SCENE_MS = 30_000;

/** How long mixing 30 s of twelve pieces takes, and how smoothly the lanes of a promotion of three minutes scroll. */
export async function benchSound(data: string): Promise<void> {
  const plain = mixed(AS_MIXED);
  const asked = mixed({ loudness: -14, ceiling: -1 });
  console.log(
    `mixing ${MIXED_MS / 1000} s of ${PIECES} pieces: ${plain.toFixed(0)} ms, made as loud as is asked for ${asked.toFixed(0)} ms`,
  );
  console.log(`ratio ${(plain / MIXED_MS).toFixed(3)} and ${(asked / MIXED_MS).toFixed(3)} of the time it lasts`);

  await addPromotion(data, SLUG, (model) => {
    let document = { ...model, name: "Three minutes" };
    for (let at = 0; scenesInOrder(document).length < SCENES; at++) {
      const scenes = scenesInOrder(document);
      document = { ...document, ...repeatScene(document, scenes[at % scenes.length]?.id ?? "") };
    }
    for (const { id } of scenesInOrder(document))
      document = applyEdit(document, adjust("length", millis(SCENE_MS), { target: { scene: id } }));
    const media = Object.values(document.lanes)[0]?.media ?? "";
    const lanes = Object.fromEntries(
      Array.from({ length: PIECES }, (_, at): [string, SoundPiece] => [
        `piece-${at}`,
        {
          order: `a${at}`,
          lane: at % 2 === 0 ? "music" : "effects",
          media,
          at: millis(at * 14_000),
          loop: true,
          length: millis(20_000),
        },
      ]),
    );
    return Promise.resolve({ ...document, lanes });
  });
  await withDeskPage(data, async (page) => {
    await page.goto(`/promotions/${SLUG}/pace`);
    await page.getByTestId("time-page").waitFor();
    for (const zoom of ["Whole", "Scene", "Frames"]) {
      await page.getByRole("button", { name: zoom, exact: true }).click();
      // Once over all of it first: what is made when it is first seen is not what scrolling takes.
      await scrolled(page);
      const { frames, seconds, slow } = await scrolled(page);
      console.log(
        `lanes of ${(SCENES * SCENE_MS) / 1000} s, ${PIECES} pieces, ${zoom}: ${(frames / seconds).toFixed(0)} frames a second, ` +
          `ratio ${(slow / frames).toFixed(3)} over 20 ms`,
      );
    }
  });
}

/** Milliseconds that a mix of generated sounds takes: the middle of five times. */
function mixed(finish: Finish): number {
  const left = Float32Array.from({ length: MIXED_MS * 48 }, (_, at) => 0.1 * Math.sin(at / 11));
  const samples: SoundSamples = { first: 0, left, right: left };
  const end = MIXED_MS * 48;
  const piece: MixedPiece = {
    ...{ sound: "s", position: 0, speed: 1, used: { from: 0, to: null }, isLooped: false },
    levels: Array.from({ length: 50 }, (_, at) => ({ at: (at * end) / 49, level: at % 2 === 0 ? 1 : 0.7 })),
  };
  const span = { from: ticksOf(0), to: ticksOf(MIXED_MS), what: piece };
  const mix: Mix = { track: Array.from({ length: PIECES }, () => span), length: MIXED_MS, finish };
  const count = sampleAt(ticksOf(MIXED_MS));
  const times = Array.from({ length: 5 }, () => {
    const start = performance.now();
    inOne(
      heardSamples(mix, () => samples, count),
      count,
    );
    return performance.now() - start;
  });
  return times.sort((one, other) => one - other)[2] ?? 0;
}

/** Scrolls the lanes from one end to the other and down within three seconds. */
const scrolled = (page: Page): Promise<{ frames: number; seconds: number; slow: number }> =>
  page.evaluate(
    () =>
      new Promise((resolve) => {
        const lanes = document.querySelector('[data-testid="time-page"]')?.parentElement;
        if (!lanes) throw new Error("There are no lanes.");
        const [across, down] = [lanes.scrollWidth - lanes.clientWidth, lanes.scrollHeight - lanes.clientHeight];
        const start = performance.now();
        let [before, frames, slow] = [start, 0, 0];
        const go = (now: number): void => {
          const share = Math.min(1, (now - start) / 3000);
          lanes.scrollTo(across * share, down * Math.abs(Math.sin(share * 6)));
          frames++;
          if (now - before > 20.5) slow++;
          before = now;
          if (share < 1) requestAnimationFrame(go);
          else resolve({ frames, seconds: (now - start) / 1000, slow });
        };
        requestAnimationFrame(go);
      }),
  );
