import { mkdtemp, rm } from "node:fs/promises";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { resolvePromotion } from "../../core/document/resolve";
import { sampleAt } from "../../core/sound/samples";
import { ticksOf } from "../../core/time/ticks";
import { usualOutput } from "../../core/output/output";
import { runProgram } from "../media/program";
import { store } from "../storage/store";
import { shortInput } from "../testing/shortRender";
import { type PaintPool, openPaintPool } from "./paintPool";
import { renderFile } from "./renderFile";
import { type RenderInput } from "./renderInput";
import { localPainter } from "./segmentPainter";
import { type HeardSound, soundTrack } from "./soundTrack";

let folder: string;
let pool: PaintPool;
beforeAll(async () => {
  folder = await mkdtemp(join(tmpdir(), "stencilcraft-unit-"));
  pool = openPaintPool(2);
});
afterAll(async () => {
  await pool.close();
  await rm(folder, { recursive: true });
});

const signal = new AbortController().signal;
const heardIn = (input: RenderInput, more = 0): HeardSound => {
  const { mix } = resolvePromotion(input.document, input.facts);
  return { input, mix, count: sampleAt(ticksOf(mix.length)) + more };
};

async function tracks(): Promise<readonly { readonly key: string; readonly keptAt: Date }[]> {
  const found = [];
  for await (const file of store().under("segments")) if (file.key.endsWith(".m4a")) found.push(file);
  return found;
}

test("the same sound is encoded once for all who ask at the same time, again where it is gone, and apart from another", async () => {
  // A length that no other test has, nor this one when it ran before.
  const length = 5000 + (Date.now() % 1_000_000);
  const heard = heardIn(shortInput(1000), length);
  const before = await tracks();
  const paths = await Promise.all([1, 2, 3].map(() => soundTrack(heard, signal)));
  expect(new Set(paths).size).toBe(1);
  const ofThis = ({ key }: { readonly key: string }): boolean => Boolean(paths[0]?.endsWith(key));
  expect(before.filter(ofThis)).toEqual([]);
  const made = (await tracks()).filter(ofThis);
  expect(made).toHaveLength(1);
  await soundTrack(heard, signal);
  expect((await tracks()).filter(ofThis)).toEqual(made);
  await store().remove(made[0]?.key ?? "");
  expect(await soundTrack(heard, signal)).toBe(paths[0]);
  expect(await soundTrack(heardIn(shortInput(1000), length + 1), signal)).not.toBe(paths[0]);
});

test("who stopped waiting is told so, and the others get it all the same", async () => {
  const heard = heardIn(shortInput(1000), 1234);
  const stopped = new AbortController();
  const both = [soundTrack(heard, stopped.signal), soundTrack(heard, signal)] as const;
  stopped.abort();
  await expect(both[0]).rejects.toThrow();
  expect(await both[1]).toMatch(/\.m4a$/);
});

/** What is heard in a file, as ffmpeg decodes it, a number for each millisecond. */
async function soundIn(path: string): Promise<string> {
  const args = ["-v", "error", "-i", path, "-map", "0:a", "-f", "md5", "-"];
  return (await runProgram("ffmpeg", args, { timeLimitMs: 60_000 })).stdout.trim();
}

test("two formats and the sound alone have the very same sound; files carry the promotion's name and no other", async () => {
  const input = shortInput(1000);
  const wishes = [
    { format: "square", output: usualOutput("480p") },
    { format: "vertical", output: usualOutput("480p") },
    { format: "square", output: { ...usualOutput("480p"), kind: "sound" } },
  ] as const;
  const paths = wishes.map((_, at) => join(folder, `${at}.mp4`));
  await Promise.all(
    wishes.map((choice, at) => renderFile(localPainter(pool), { input, choice, path: paths[at] ?? "" })),
  );
  const sounds = await Promise.all(paths.map(soundIn));
  expect(new Set(sounds).size).toBe(1);
  for (const path of paths) {
    const args = ["-v", "error", "-show_entries", "format_tags:stream_tags", "-of", "json", path];
    const { stdout } = await runProgram("ffprobe", args, { timeLimitMs: 60_000 });
    expect(stdout).toContain(input.document.name);
    expect(stdout).not.toMatch(/Lavf|Lavc/);
  }
});
