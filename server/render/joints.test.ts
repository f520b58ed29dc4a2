import { mkdtemp, readFile, rm, writeFile } from "node:fs/promises";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { ALL_FORMATS, EncodedPacketSink, FilePathSource, Input, type InputTrack } from "mediabunny";
import sharp from "sharp";
import { FILE_KINDS, type FileKindName } from "../../core/output/fileKinds";
import { isMarkedDraft, usualOutput } from "../../core/output/output";
import { SAMPLE_RATE } from "../../core/sound/samples";
import { partOf } from "../../core/testing/sample";
import { runProgram } from "../media/program";
import { shortInput } from "../testing/shortRender";
import { packFile } from "./packFile";
import { type PaintPool, openPaintPool } from "./paintPool";
import { renderFile } from "./renderFile";
import { type RenderInput } from "./renderInput";
import { type RenderPlan, renderPlan } from "./renderPlan";
import { localPainter } from "./segmentPainter";
import { encodeTrack } from "./soundTrack";

/**
 * A file that was joined of segments against one that was painted and encoded in one go: ffmpeg's `ssim` compares their
 * frames, and mediabunny, which shares nothing with ffmpeg, reads what is in them.
 */
let pool: PaintPool;
let folder: string;
let input: RenderInput;
let plan: RenderPlan;
/** A film, which is a draft and says so. */
let inOneGo: string;
/** What loops are made of. */
let unmarked: string;
beforeAll(async () => {
  [pool, folder] = [openPaintPool(2), await mkdtemp(join(tmpdir(), "stencilcraft-unit-"))];
  input = shortInput(1000);
  const choice = { format: "square", quality: "480p" } as const;
  plan = await renderPlan(input, choice);
  [inOneGo, unmarked] = [join(folder, "in-one-go.mp4"), join(folder, "unmarked.mp4")];
  const { frames, rate, width, height } = plan;
  const whole = { ...choice, input, rate, width, height, from: 0, to: frames };
  for (const [path, isMarked] of [
    [inOneGo, true],
    [unmarked, false],
  ] as const)
    await pool.render({ ...whole, path, isMarked }, () => undefined, new AbortController().signal);
});
afterAll(async () => {
  await pool.close();
  await rm(folder, { recursive: true });
});

const seconds = (): number => (plan.frames * plan.rate.denominator) / plan.rate.numerator;

/** Of 10 ms, at a second. */
const CLICK_S = 1;
/** Silence, as long as the picture, with a click in both channels. */
function clickAt(second: number): Buffer {
  const samples = new Float32Array(Math.round(seconds() * SAMPLE_RATE) * 2);
  for (let at = 0; at < SAMPLE_RATE / 100; at++)
    samples.fill(
      0.8 * Math.sin((2 * Math.PI * 1000 * at) / SAMPLE_RATE),
      (second * SAMPLE_RATE + at) * 2,
      (second * SAMPLE_RATE + at + 1) * 2,
    );
  return Buffer.from(samples.buffer);
}

type Both = readonly [segmented: string, whole: string];
const made = new Map<FileKindName, Promise<Both>>();
/** The same file twice: of segments, and of the one that was made in one go. */
function both(kind: FileKindName): Promise<Both> {
  const files = made.get(kind) ?? makeBoth(kind);
  made.set(kind, files);
  return files;
}
async function makeBoth(kind: FileKindName): Promise<Both> {
  const output = { ...usualOutput("480p"), kind };
  const [segmented, whole] = ["segmented", "whole"].map((name) =>
    join(folder, `${name}-${kind}.${FILE_KINDS[kind].ending}`),
  );
  if (!segmented || !whole) throw new Error("There are two.");
  await renderFile(localPainter(pool), { input, choice: { format: "square", output }, path: segmented });
  const [list, samples, track] = ["one.txt", "silence.f32", "silence.m4a"].map((name) => join(folder, name));
  if (!list || !samples || !track) throw new Error("There are three.");
  await writeFile(list, `file '${isMarkedDraft(output) ? inOneGo : unmarked}'\nduration ${seconds().toFixed(6)}\n`);
  await writeFile(samples, clickAt(CLICK_S));
  await encodeTrack(samples, track);
  const sound = { samples: () => Promise.resolve(samples), track: () => Promise.resolve(track) };
  await packFile(
    { list, sound, input, output, rate: plan.rate, seconds: seconds(), folder, path: whole },
    new AbortController().signal,
  );
  return [segmented, whole];
}

/** How alike each two frames are (SSIM over all planes), as ffmpeg says it. */
async function alike(one: readonly string[], other: readonly string[]): Promise<readonly number[]> {
  const args = ["-nostdin", "-v", "error", ...one, ...other, "-lavfi", "ssim=stats_file=-", "-f", "null", "-"];
  const { stdout } = await runProgram("ffmpeg", args, { timeLimitMs: 60_000 });
  return [...stdout.matchAll(/ All:([\d.]+)/g)].map(([, value]) => Number(value));
}

const fileIn = (path: string): readonly string[] => ["-i", path];

/** @param share how many frames the file has for each of the plan */
function expectAlikeAtJoints(frames: readonly number[], share: number): void {
  expect(Math.abs(frames.length - plan.frames * share)).toBeLessThan(1);
  const joints = plan.segments.slice(1).map(({ from }) => Math.round(from * share));
  const near = joints.flatMap((joint) => frames.slice(Math.max(0, joint - 2), joint + 2));
  expect(near.length).toBeGreaterThan(joints.length * 3);
  expect(Math.min(...near)).toBeGreaterThanOrEqual(0.995);
}

test("there are joints to look at, and a frame that came too late would be seen", async () => {
  expect(plan.segments.length).toBeGreaterThan(3);
  const late = join(folder, "late.mp4");
  const args = ["-nostdin", "-v", "error", "-i", inOneGo, "-vf", "tpad=start=1:start_mode=clone", "-crf", "12", late];
  await runProgram("ffmpeg", args, { timeLimitMs: 60_000 });
  expect(Math.min(...(await alike(fileIn(inOneGo), fileIn(late))))).toBeLessThan(0.97);
});

const FILMS = partOf(
  [
    { kind: "mp4", picture: "avc", sound: "aac" },
    { kind: "hevc", picture: "hevc", sound: "aac" },
    { kind: "webm", picture: "vp9", sound: "opus" },
    { kind: "av1", picture: "av1", sound: "opus" },
  ] as const,
  2,
);

test.each([
  ...FILMS.map(({ kind }) => [kind, 1] as const),
  // A loop has twelve and a half frames a second, in 256 colours of its own.
  ["gif", 12.5 / 30] as const,
])("frames at the joints of %s are those of the whole, and none is doubled or missing", async (kind, share) => {
  const [segmented, whole] = await both(kind);
  expectAlikeAtJoints(await alike(fileIn(segmented), fileIn(whole)), share);
});

/** The frames of a loop as WebP (decoded by sharp, that is libwebp), each as long as another, as ffmpeg reads raw pixels. */
async function rawFrames(path: string, everyMs: number): Promise<readonly string[]> {
  const image = sharp(path, { animated: true });
  const { width, pageHeight = 0, delay = [] } = await image.metadata();
  const pixels = await image.ensureAlpha().raw().toBuffer();
  const bytes = width * pageHeight * 4;
  const raw = `${path}.rgba`;
  const shown = delay.flatMap((ms, page) => Array.from({ length: Math.round(ms / everyMs) }, () => page));
  await writeFile(raw, Buffer.concat(shown.map((page) => pixels.subarray(page * bytes, (page + 1) * bytes))));
  return ["-f", "rawvideo", "-pix_fmt", "rgba", "-s", `${width}x${pageHeight}`, ...fileIn(raw)];
}

test("frames at the joints of webp are those of the whole, and none is doubled or missing", async () => {
  const [segmented, whole] = await both("webp");
  const delays = (await sharp(segmented, { animated: true }).metadata()).delay ?? [];
  const everyMs = Math.min(...delays);
  const [one, other] = [await rawFrames(segmented, everyMs), await rawFrames(whole, everyMs)];
  expectAlikeAtJoints(await alike(one, other), 1000 / everyMs / 30);
});

/** When each packet of a track begins and how long it is, in seconds, in the order of their times. */
async function packetsOf(
  track: InputTrack | null,
): Promise<readonly { readonly at: number; readonly length: number }[]> {
  if (!track) throw new Error("There is no such track.");
  const packets: { at: number; length: number }[] = [];
  for await (const { timestamp, duration } of new EncodedPacketSink(track).packets(undefined, undefined, {
    metadataOnly: true,
  }))
    packets.push({ at: timestamp, length: duration });
  return packets.sort((one, other) => one.at - other.at);
}

test.each(FILMS)(
  "another reader finds in $kind each frame at its time, and sound without a gap from beginning to end",
  async ({ kind, picture, sound }) => {
    const [segmented] = await both(kind);
    const file = new Input({ formats: ALL_FORMATS, source: new FilePathSource(segmented) });
    const [video, audio] = [await file.getPrimaryVideoTrack(), await file.getPrimaryAudioTrack()];
    expect([await video?.getCodec(), await audio?.getCodec()]).toEqual([picture, sound]);
    const frames = await packetsOf(video);
    expect(frames).toHaveLength(plan.frames);
    // WebM counts in milliseconds.
    frames.forEach(({ at }, frame) => expect(Math.abs(at - frame / 30)).toBeLessThan(0.0011));
    const heard = await packetsOf(audio);
    // Opus has something before the first sound, which WebM says beside the packets (RFC 7845, 4.2).
    const begun = sound === "opus" ? heard.slice(1) : heard;
    begun.slice(1).forEach(({ at }, index) => {
      const before = begun[index];
      expect(Math.abs(at - (before ? before.at + before.length : 0))).toBeLessThan(0.0011);
    });
    const last = heard.at(-1);
    expect(last && last.at + last.length).toBeGreaterThan(seconds() - 0.001);
    file.dispose();
  },
);

test.each(FILMS)(
  "what is heard at a second of $kind is heard a second after its first picture (decoded by ffmpeg)",
  async ({ kind }) => {
    const [, whole] = await both(kind);
    const shown = [
      "-v",
      "error",
      "-select_streams",
      "v",
      "-show_entries",
      "stream=start_time",
      "-of",
      "csv=p=0",
      whole,
    ];
    const { stdout: begins } = await runProgram("ffprobe", shown, { timeLimitMs: 60_000 });
    const heard = join(folder, "heard.f32");
    const mono = ["-map", "0:a", "-af", "aresample=first_pts=0", "-f", "f32le", "-ac", "1", heard];
    await runProgram("ffmpeg", ["-v", "error", "-y", "-copyts", "-i", whole, ...mono], { timeLimitMs: 60_000 });
    const bytes = await readFile(heard);
    const samples = new Float32Array(bytes.buffer, bytes.byteOffset, bytes.length / 4);
    const loud = samples.findIndex((value) => Math.abs(value) > 0.2) / SAMPLE_RATE;
    expect(Math.abs(loud - Number(begins) - CLICK_S)).toBeLessThan(0.002);
  },
);
