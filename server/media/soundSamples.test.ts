import { createHash, randomUUID } from "node:crypto";
import { mkdtemp, readFile, rm } from "node:fs/promises";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { execa } from "execa";
import { SAMPLE_RATE } from "../../core/sound/samples";
import { partOf } from "../../core/testing/sample";
import { originalKey, samplesKey, workKey } from "../storage/keys";
import { store } from "../storage/store";
import { ingestClip } from "./clipIngest";
import { samplesOf, samplesPath } from "./soundSamples";
import { versionNamed, versionPath } from "./soundVersions";
import { sniffType } from "./sniff";

let folder: string;
beforeEach(async () => {
  folder = await mkdtemp(join(tmpdir(), "stencilcraft-test-"));
});
afterEach(() => rm(folder, { recursive: true }));
const ffmpeg = (...args: string[]) => execa("ffmpeg", ["-v", "error", "-y", ...args]);

/** Keeps a file as one that was brought in. */
async function brought(path: string, name: string) {
  const sha256 = createHash("sha256").update(randomUUID()).digest("hex");
  await store().keep(originalKey(sha256), path);
  const local = await store().local(originalKey(sha256));
  return { path: local, sha256, name, folder, type: await sniffType(local, name) };
}

/**
 * A clip that is white from one second of its picture on, and loud from one second of its sound on.
 * @param delays when each of the two begins, in seconds
 */
async function clip(delays: { readonly picture: number; readonly sound: number }): Promise<string> {
  const path = join(folder, "brought.mp4");
  const picture = "color=c=black:s=64x36:r=30:d=1[b];color=c=white:s=64x36:r=30:d=1[w];[b][w]concat=n=2[v]";
  const sound = "aevalsrc=if(gte(t\\,1)\\,0.5*sin(2*PI*440*t)\\,0):d=2:s=44100[a]";
  const shifted = `[v]setpts=PTS+${delays.picture}/TB[vs];[a]asetpts=PTS+${delays.sound}/TB[as]`;
  const graph = `${picture};${sound};${shifted}`;
  await ffmpeg(
    "-filter_complex",
    graph,
    "-map",
    "[vs]",
    "-map",
    "[as]",
    "-c:v",
    "libx264",
    "-pix_fmt",
    "yuv420p",
    path,
  );
  return path;
}

const BEGINNINGS = [
  ["both begin at once", { picture: 0, sound: 0 }],
  ["the sound begins later", { picture: 0, sound: 0.4 }],
  ["the picture begins later", { picture: 0.5, sound: 0 }],
] as const;
test.each(partOf(BEGINNINGS, 2))("what is heard stays with what is seen where %s", async (_, delays) => {
  const file = await brought(await clip(delays), "clip.mp4");
  const facts = await ingestClip(file, () => undefined);
  expect(facts.hasSound).toBe(true);
  const { stdout } = await execa(
    "ffmpeg",
    [
      "-v",
      "error",
      "-i",
      await store().local(workKey(file.sha256)),
      "-vf",
      "scale=1:1,format=gray",
      "-f",
      "rawvideo",
      "-",
    ],
    { encoding: "buffer" },
  );
  const white = Array.from(stdout).findIndex((grey) => grey > 128);
  const { left } = await samplesOf(await samplesPath(file), { from: 0, to: null });
  const loud = left.findIndex((sample) => Math.abs(sample) > 0.2);
  // In the file they are apart by their delays, to a frame.
  const apart = loud / SAMPLE_RATE - white / 30;
  expect(Math.abs(apart - (delays.sound - delays.picture))).toBeLessThan(1 / 30);
  const levels = facts.soundLevels ?? [];
  const first = levels.findIndex((level) => level > 20) / levels.length;
  expect(first).toBeCloseTo(loud / left.length, 1);
});

test("samples are made when they are first asked for, from any sound, and read in parts", async () => {
  const path = join(folder, "tune.flac");
  // One second of 1/4, one of −1/2, at another rate and of one channel.
  await ffmpeg("-f", "lavfi", "-i", "aevalsrc=if(lt(t\\,1)\\,0.25\\,-0.5):d=2:s=96000", path);
  const file = await brought(path, "tune.flac");
  expect(await store().has(samplesKey(file.sha256))).toBe(false);
  const kept = await samplesPath(file);
  expect(await readFile(kept)).toHaveLength(2 * SAMPLE_RATE * 4);
  const part = await samplesOf(kept, { from: SAMPLE_RATE - 100, to: SAMPLE_RATE + 100 });
  expect([part.first, part.left.length, part.right.length]).toEqual([SAMPLE_RATE - 100, 200, 200]);
  // One channel goes to both sides at equal power, so that it stays as loud as it was measured.
  for (const channel of [part.left, part.right]) {
    expect(channel[0]).toBeCloseTo(0.25 * Math.SQRT1_2, 3);
    expect(channel[199]).toBeCloseTo(-0.5 * Math.SQRT1_2, 3);
  }
  // What is asked past its end is not there.
  expect((await samplesOf(kept, { from: 2 * SAMPLE_RATE - 5, to: 3 * SAMPLE_RATE })).left).toHaveLength(5);
  expect((await samplesOf(kept, { from: 3 * SAMPLE_RATE, to: 4 * SAMPLE_RATE })).left).toHaveLength(0);
});

const SWELLING =
  "aevalsrc=if(lt(mod(t\\,1)\\,0.12)\\,0.5*sin(2*PI*880*t)*pow(sin(PI*mod(t\\,1)/0.12)\\,2)\\,0):d=6:s=48000";

test.each(partOf([0.25, 0.6, 1.5, 4], 2))(
  "%d times as fast a sound is as high as it was, and each of it where it is to be",
  async (tempo) => {
    const path = join(folder, "beeps.flac");
    // A tone of 880 Hz at the start of each second, which swells and falls within 120 ms.
    await ffmpeg("-f", "lavfi", "-i", SWELLING, path);
    const file = await brought(path, "beeps.flac");
    const { left } = await samplesOf(await versionPath(file, { tempo }), { from: 0, to: null });
    expect(left).toHaveLength(Math.round((6 * SAMPLE_RATE) / tempo));
    for (const second of [1, 2, 3, 4]) {
      const start = Math.round((second * SAMPLE_RATE) / tempo);
      const lasts = Math.round((0.12 * SAMPLE_RATE) / tempo);
      // What sounds lies where it should, to a frame; before it and after it there is silence.
      const around = left.subarray(start - lasts, start + 2 * lasts);
      const energy = around.reduce((sum, value) => sum + value * value, 0);
      const middle = around.reduce((sum, value, at) => sum + value * value * at, 0) / energy - lasts;
      expect(Math.abs(middle - lasts / 2)).toBeLessThan(SAMPLE_RATE / 30);
      const inside = left.subarray(start + lasts * 0.3, start + lasts * 0.7);
      const rises = Array.from(inside.keys()).filter(
        (at) => (inside[at - 1] ?? 1) < 0 && (inside[at] ?? -1) >= 0,
      ).length;
      expect(Math.abs((rises * SAMPLE_RATE) / inside.length / 880 - 1)).toBeLessThan(0.12);
    }
  },
);

test("a speed that no shot can have, or is none, names no samples", () => {
  expect(["samples-x0.6", "samples-x8", "samples-x2.125"].map(versionNamed)).toEqual([
    { tempo: 0.6 },
    { tempo: 8 },
    { tempo: 2.125 },
  ]);
  expect(versionNamed("samples")).toEqual({});
  expect(versionNamed("samples-hum-gate-deeper")).toEqual({ treated: "hum-gate-deeper" });
  for (const name of [
    "sample",
    "samples-deeper-hum",
    "samples-x",
    "samples-x0.1",
    "samples-x9",
    "samples-x1e0",
    "samples-x0.12345",
    "samples-x-1",
  ])
    expect(versionNamed(name)).toBeNull();
});
