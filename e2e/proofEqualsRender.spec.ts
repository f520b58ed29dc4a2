import { execa } from "execa";
import { expect, test } from "@playwright/test";
import { ssim } from "ssim.js";
import { ARRANGEMENT_NAMES } from "../core/document/arrangements";
import { type FramesWanted, type StillsWanted } from "./harness/frames";
import { openHarness } from "./harness/openHarness";
import { applyEdit } from "../core/document/edits";
import { setLook } from "../core/document/lookEdits";
import { signInAs } from "./people";
import { FORMATS, bothSides, difference } from "./proofs";
import { RUNS, SEED } from "../core/testing/sample";
import { putPromotion } from "./shortPromotion";
import { storedPromotion } from "./storedPromotion";

/**
 * The invariant of the product: what Chromium shows as a proof is what the server renders, bit for bit before encoding.
 * The outside source is the other platform: each checks the other. Golden frames (paint/golden.test.ts) see to it that
 * they do not go wrong together.
 */

interface Hashed {
  readonly hashes: Readonly<Record<string, string>>;
}
/** In all formats together. */
const STILLS = 60 * RUNS;

/** What a script paints on the server. */
async function paintedBy(script: string, args: readonly string[]): Promise<unknown> {
  const { stdout } = await execa(process.execPath, ["--import", "tsx", script, ...args], { maxBuffer: 1 << 26 });
  return JSON.parse(stdout);
}

/** Entrances, slow zooms, crossfades, settled moments, exits, in every scene without a clip; and anywhere else. */
const PLACES = [
  ["potting-week-terracotta", "3,11,62,97,122,212,271,332,342,420"],
  ["herb-friday-tray", "5,122,425"],
  // The other brand: its own faces, and a watermark; its sign small and on its way, in a crossfade.
  ["friday-box-warm-week", "40,122,327,425"],
  ["potting-week-terracotta", `random:${SEED}:${8 * RUNS}`],
  ["friday-box-warm-week", `random:${SEED + 1}:${8 * RUNS}`],
  ["shed-corner-spring", "arrangements"],
] as const;

for (const [slug, which] of PLACES)
  test(`every frame of ${slug} (${which}) is the same in the browser and on the server`, async ({ page }) => {
    await signInAs(page, "Tamsin Kell");
    await openHarness(page);
    const onServer = await paintedBy("e2e/serverFrames.ts", [slug, "480p", which]);
    const { hashes, ...wanted } = onServer as Omit<FramesWanted, "quality"> & Hashed;
    const painted = await page.evaluate((of) => window.paintFrames(of), { ...wanted, quality: "480p" } as FramesWanted);
    expect(Object.keys(hashes).length).toBe(wanted.frames.length * FORMATS.length);
    expect(wanted.frames.length).toBeGreaterThanOrEqual(which === "arrangements" ? ARRANGEMENT_NAMES.length : 2);
    // No frame is blank, or they would all be the same.
    expect(new Set(Object.values(hashes)).size).toBeGreaterThan(FORMATS.length);
    expect(painted).toEqual(hashes);
  });

test(`${STILLS} stills of everything the painter can do, turned, mirrored, masked, blended, graded (seed ${SEED})`, async ({
  page,
}) => {
  await signInAs(page, "Tamsin Kell");
  await openHarness(page);
  const args = ["potting-week-terracotta", "480p", String(SEED), String(STILLS / FORMATS.length)];
  const { pictures, hashes } = (await paintedBy("e2e/serverStills.ts", args)) as Pick<StillsWanted, "pictures"> &
    Hashed;
  const painted = await page.evaluate((of) => window.paintStills(of), {
    pictures,
    quality: "480p",
    seed: SEED,
    count: STILLS / FORMATS.length,
  } as StillsWanted);
  expect(Object.keys(hashes)).toHaveLength(STILLS);
  expect(new Set(Object.values(hashes)).size).toBeGreaterThan(STILLS * 0.9);
  expect(painted).toEqual(hashes);
});

test("a proof saved from the desk is the frame the server renders at 1080p; with a clip it is as like as decoders allow", async ({
  page,
}) => {
  const [still, withClip] = [62, 122];
  await signInAs(page, "Tamsin Kell");
  await page.goto("/promotions/potting-week-terracotta");
  await expect(page.getByTestId("meters").first()).toBeVisible();
  for await (const side of bothSides(page, "potting-week-terracotta", [still, withClip]))
    if (side.frame === still) expect(difference(side)).toBeNull();
    else expect(ssim(side.proof, side.render, { ssim: "bezkrovny" }).mssim).toBeGreaterThanOrEqual(0.98);
});

test("a clip under a look, slow and with its frames blended, is as like as decoders allow", async ({ page }) => {
  const slug = "clip-under-a-look";
  const { scope, document } = await storedPromotion("potting-week-terracotta");
  const shots = document.fills["product.picture"];
  if (shots?.kind !== "media") throw new Error("The demo shows a clip here.");
  const slow = Object.fromEntries(
    Object.entries(shots.shots).map(([id, shot]) => [id, { ...shot, speed: 0.4, blended: true as const }]),
  );
  const looked = applyEdit(
    { ...document, name: slug, fills: { ...document.fills, "product.picture": { kind: "media", shots: slow } } },
    setLook("product.picture", [
      { kind: "look", look: "late sun", strength: 1 },
      { kind: "overlay", overlay: "grain", strength: 0.5 },
    ]),
  );
  await putPromotion(scope, slug, looked);
  await signInAs(page, "Tamsin Kell");
  await page.goto(`/promotions/${slug}`);
  await expect(page.getByTestId("meters").first()).toBeVisible();
  for await (const { proof, render } of bothSides(page, slug, [122, 151]))
    expect(ssim(proof, render, { ssim: "bezkrovny" }).mssim).toBeGreaterThanOrEqual(0.98);
});
