import { mkdtemp, rm } from "node:fs/promises";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { expect, test } from "@playwright/test";
import { ffmpeg } from "../files";
import { bringIn, openSound } from "../lanes";
import { colorsIn, downloadRendition, dropOnSlot } from "../ownClips";
import { signInAs } from "../people";
import { samplesOfFile, toneIn } from "../samples";
import { setTo } from "../setTo";
import { stripsAlone } from "../strips";
import { renderDrafts } from "../startRender";

/**
 * Three clips stand over each other, and a toast is heard under them that was spoken in another recording: of that only the
 * sound is used, from where the speaking begins. It is a tone after a second and a half of silence.
 */
const TOAST = 900;
const SILENT_S = 1.5;
const SAID_S = 2;
const SECONDS = 4;

test("strips have a spoken toast from another recording under them, from where the speaking begins", async ({
  page,
}) => {
  const folder = await mkdtemp(join(tmpdir(), "stencilcraft-e2e-"));
  const stripOf = async (color: string): Promise<string> => {
    const path = join(folder, `strip-${color}.mp4`);
    await ffmpeg("-f", "lavfi", "-i", `color=c=${color}:s=480x288:r=30:d=${SECONDS}`, "-pix_fmt", "yuv420p", path);
    return path;
  };
  const recording = join(folder, "toast.mp4");
  const said = `0.3*sin(2*PI*${TOAST}*t)*between(t\\,${SILENT_S}\\,${SILENT_S + SAID_S})`;
  await ffmpeg(
    ...[
      "-f",
      "lavfi",
      "-i",
      `color=c=yellow:s=320x240:r=30:d=5`,
      "-f",
      "lavfi",
      "-i",
      `aevalsrc=${said}|${said}:d=5:s=48000`,
    ],
    ...["-pix_fmt", "yuv420p", "-c:a", "aac", "-b:a", "192k", recording],
  );

  await signInAs(page, "Delphine Orrow");
  await stripsAlone(page, "Kitchen herb tray", SECONDS);
  for (const [slot, color] of [
    ["first strip", "red"],
    ["second strip", "lime"],
    ["third strip", "blue"],
  ] as const) {
    await dropOnSlot(page, `Choose ${slot}`, await stripOf(color));
    await expect(page.getByText(`strip-${color} · clip ${SECONDS}.0 s`).first()).toBeVisible({ timeout: 60_000 });
  }
  await page.getByLabel("Music").selectOption({ label: "no music" });
  await expect(page.getByText("saved", { exact: true })).toBeVisible();

  await openSound(page);
  await bringIn(page, "voice", recording, "toast");
  // From a half second on, without the silence before the first word.
  await setTo(page, "toast begins at", "0.5");
  await setTo(page, "toast is taken from", String(SILENT_S));
  await setTo(page, "toast is heard for", String(SAID_S));
  await expect(page.getByText("saved", { exact: true })).toBeVisible();
  await page.getByRole("link", { name: "Proof", exact: true }).click();
  await page.waitForURL(/\/proof$/);
  await renderDrafts(page, 1);
  const file = await downloadRendition(page, "vertical", folder);

  const heard = await samplesOfFile(file);
  const toast = toneIn(heard, TOAST, [0.6, 2.4]);
  expect(toast).toBeGreaterThan(0.2);
  expect(toneIn(heard, TOAST, [0, 0.45]) / toast).toBeLessThan(0.03);
  expect(toneIn(heard, TOAST, [2.6, 3.9]) / toast).toBeLessThan(0.03);
  // The recording is heard, not seen: the three strips are all there is.
  const [first, second, third] = await colorsIn(file, [[0.5, 0.15], [0.5, 0.5], [0.5, 0.85]], 2); // prettier-ignore
  expect([first?.r ?? 0, second?.g ?? 0, third?.b ?? 0].every((level) => level > 200)).toBe(true);
  expect([first?.g ?? 255, second?.b ?? 255, third?.r ?? 255].every((level) => level < 60)).toBe(true);
  await rm(folder, { recursive: true });
});
