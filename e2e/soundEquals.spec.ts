import { mkdtemp, readFile, rm } from "node:fs/promises";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { expect, test } from "@playwright/test";
import { resolvePromotion } from "../core/document/resolve";
import { sampleAt } from "../core/sound/samples";
import { ticksOf } from "../core/time/ticks";
import { database } from "../server/db/connect";
import { loadRenderInput } from "../server/promotions/loadFacts";
import { soundFiles } from "../server/render/soundFiles";
import { writeSound } from "../server/render/soundFile";
import { heardOnPage, keepHeard, untilHeard } from "./heardOnPage";
import { openSound } from "./lanes";
import { openShortPromotion } from "./newPromotion";
import { storedPromotion } from "./storedPromotion";

/** What is heard on a desk is what is written into files: every sample, in all of the demo's promotions. */

/** The greatest difference between two that may be, in decibels under full scale. */
const MOST_APART = -60;

/** What the server writes of a promotion: both channels. */
async function written(slug: string): Promise<readonly [Float32Array, Float32Array]> {
  const { scope, document } = await storedPromotion(slug);
  const input = await loadRenderInput(scope, document);
  const { mix } = resolvePromotion(document, input.facts);
  const folder = await mkdtemp(join(tmpdir(), "stencilcraft-e2e-"));
  const path = join(folder, "sound.f32");
  await writeSound(path, mix, { fileOf: soundFiles(input), count: sampleAt(ticksOf(mix.length)) });
  const bytes = await readFile(path);
  await rm(folder, { recursive: true });
  const both = new Float32Array(bytes.buffer, bytes.byteOffset, bytes.length / 4);
  const channel = (of: 0 | 1): Float32Array =>
    Float32Array.from({ length: both.length / 2 }, (_, at) => both[2 * at + of] ?? 0);
  return [channel(0), channel(1)];
}

function apart(one: Float32Array, other: Float32Array): number {
  expect(one).toHaveLength(other.length);
  const most = one.reduce((greatest, sample, at) => Math.max(greatest, Math.abs(sample - (other[at] ?? 0))), 0);
  return 20 * Math.log10(most + 1e-9);
}

test("every promotion of the demo, and one that is made as loud as is asked for, is heard as it is written", async ({
  page,
}) => {
  await keepHeard(page);
  await openShortPromotion(page, "heard-as-written");
  await openSound(page);
  await page.getByLabel("Loudness wanted").selectOption({ label: "−16 LUFS, spoken" });
  await expect(page.getByText("saved", { exact: true })).toBeVisible();
  const promotions = await database().selectFrom("promotion").select("slug").orderBy("created_at").limit(4).execute();
  expect(promotions.length).toBe(4);
  for (const slug of ["heard-as-written", ...promotions.map((one) => one.slug)])
    await test.step(slug, async () => {
      await page.goto(`/promotions/${slug}/pace`);
      await expect(page.getByRole("button", { name: "Play", exact: true })).toBeEnabled();
      const server = await written(slug);
      // It is mixed a little after the desk has settled.
      await untilHeard(page, server[0].length);
      const desk = await heardOnPage(page);
      for (const side of [0, 1] as const) expect(apart(desk[side], server[side])).toBeLessThan(MOST_APART);
      expect(desk[0].some((sample) => Math.abs(sample) > 0.02)).toBe(true);
    });
});
