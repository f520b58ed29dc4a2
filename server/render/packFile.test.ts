import { mkdtemp, rm, stat } from "node:fs/promises";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { type Promotion } from "../../core/document/promotion";
import { FILE_KINDS, type FileKindName } from "../../core/output/fileKinds";
import { type Output, usualOutput } from "../../core/output/output";
import { partOf } from "../../core/testing/sample";
import { millis } from "../../core/units";
import { runProgram } from "../media/program";
import { loadRenderInput } from "../promotions/loadFacts";
import { createPromotion } from "../promotions/promotionStore";
import { shortScenes } from "../testing/shortRender";
import { type TestTeam, testTeam } from "../testing/team";
import { type PaintPool, openPaintPool } from "./paintPool";
import { renderFile } from "./renderFile";
import { type RenderInput } from "./renderInput";
import { localPainter } from "./segmentPainter";
import { budgetOf, leastBytes, withinBytes } from "./withinBytes";

let team: TestTeam;
let pool: PaintPool;
let folder: string;
let input: RenderInput;
const SECONDS = 2;
beforeAll(async () => {
  [team, folder] = [await testTeam(), await mkdtemp(join(tmpdir(), "stencilcraft-unit-"))];
  pool = openPaintPool(2);
  await team.brand("Ash");
  const product = await team.product("Pot", 2400);
  const { document } = await createPromotion(team.scope, { template: "opening-hours", product, offer: null }, null);
  const captions: Promotion["captions"] = {
    one: { language: "de", from: millis(200), to: millis(1400), text: "Wir haben offen" },
  };
  input = await loadRenderInput(team.scope, {
    ...document,
    ...shortScenes(1000),
    captions,
    name: "Offen & warm",
  });
});
afterAll(async () => {
  await pool.close();
  await team.close();
  await rm(folder, { recursive: true });
});

interface Stream {
  readonly codec_name: string;
  readonly codec_type: string;
  readonly width?: number;
  readonly avg_frame_rate: string;
  readonly nb_read_frames?: string;
  readonly tags?: Readonly<Record<string, string>>;
}
interface Probed {
  readonly streams: readonly Stream[];
  readonly format: { readonly duration?: string; readonly tags?: Readonly<Record<string, string>> };
}

interface Made {
  readonly path: string;
  readonly probed: Probed;
  readonly bytes: number;
}
const files = new Map<string, Promise<Made>>();
/** A file of a kind; one that several tests look at is made once. */
function made(change: Partial<Output>): Promise<Made> {
  const key = JSON.stringify(change);
  const file = files.get(key) ?? make(change);
  files.set(key, file);
  return file;
}
async function make(change: Partial<Output>): Promise<Made> {
  const output = { ...usualOutput("480p"), ...change };
  const path = join(folder, `${Object.values(change).join("-")}.${FILE_KINDS[output.kind].ending}`);
  await renderFile(localPainter(pool), { input, choice: { format: "square", output }, path });
  const args = ["-v", "error", "-count_frames", "-show_streams", "-show_format", "-of", "json", path];
  const { stdout } = await runProgram("ffprobe", args, { timeLimitMs: 60_000 });
  return { path, probed: JSON.parse(stdout) as Probed, bytes: (await stat(path)).size };
}
const codecs = ({ streams }: Probed): string[] => streams.map(({ codec_name }) => codec_name);

type Streams = readonly [kind: FileKindName, codecs: readonly string[], frames: string | undefined];
const FILMS: readonly Streams[] = [
  ["hevc", ["hevc", "aac"], "60"],
  ["webm", ["vp9", "opus"], "60"],
  ["av1", ["av1", "opus"], "60"],
];
const OTHERS: readonly Streams[] = [
  ["gif", ["gif"], "25"],
  ["still", ["png"], "1"],
  ["sound", ["aac"], undefined],
];
test.each([["mp4", ["h264", "aac"], "60"], ...partOf(FILMS, 2), ...OTHERS] satisfies readonly Streams[])(
  "as %s a file has the streams of its kind, every frame, and its full length (read by ffprobe)",
  async (kind, streams, frames) => {
    const { probed } = await made({ kind });
    expect(codecs(probed)).toEqual(streams);
    if (frames !== undefined) expect(probed.streams[0]?.nb_read_frames).toBe(frames);
    if (kind !== "still") expect(Number(probed.format.duration)).toBeCloseTo(SECONDS, 1);
    if (kind !== "sound") expect(probed.streams[0]?.width).toBe(480);
  },
);

test("a loop as WebP is moving, and begins again (read by sharp)", async () => {
  const { path } = await made({ kind: "webp" });
  const { default: sharp } = await import("sharp");
  const { pages, loop, delay } = await sharp(path, { animated: true }).metadata();
  // Frames that are alike are one.
  expect(pages).toBeGreaterThan(15);
  expect(loop).toBe(0);
  expect(delay?.reduce((sum, one) => sum + one, 0)).toBeCloseTo(SECONDS * 1000, -2);
});

const RATES = [
  ["24", "24/1", "48"],
  ["23.976", "24000/1001", "48"],
  ["29.97", "30000/1001", "60"],
  ["50", "50/1", "100"],
] as const;
test.each(partOf(RATES, 2))(
  "at %s frames a second the rate is exact, and no frame is missing",
  async (rate, exact, frames) => {
    const { probed } = await made({ rate });
    expect([probed.streams[0]?.avg_frame_rate, probed.streams[0]?.nb_read_frames]).toEqual([exact, frames]);
  },
);

test("a file says what it is called, and nothing of what made it", async () => {
  for (const kind of ["mp4", "webm"] as const) {
    const { probed } = await made({ kind });
    const tags = Object.fromEntries(
      Object.entries(probed.format.tags ?? {}).map(([name, value]) => [name.toLowerCase(), value]),
    );
    expect(tags["title"]).toBe("Offen & warm");
    expect(JSON.stringify(probed)).not.toMatch(/Lavf\d|Lavc\d|x264 -/);
  }
});

test.each([
  ["mp4", "mov_text"],
  ["webm", "webvtt"],
] as const)("captions lie inside %s, with their language (ISO 639-2)", async (kind, codec) => {
  const { probed } = await made({ kind, captions: "de" });
  const captions = probed.streams.find(({ codec_type }) => codec_type === "subtitle");
  expect(captions?.codec_name).toBe(codec);
  expect(Object.values(captions?.tags ?? {})).toContain("deu");
});

test.each(partOf(["mp4", "hevc", "webm", "av1"] as const, 1))(
  "a limit of bytes is kept by %s, and nearly filled",
  async (kind) => {
    const free = await made({ kind });
    const mostBytes = Math.max(leastBytes(SECONDS) + 4000, Math.round(free.bytes * 0.6));
    const { bytes } = await made({ kind, mostBytes });
    expect(bytes).toBeLessThanOrEqual(mostBytes);
    if (free.bytes > mostBytes) expect(bytes).toBeGreaterThanOrEqual(mostBytes * 0.9);
  },
  // Up to twelve passes of an encoder, whose threads share the cores with what runs beside.
  120_000,
);

test("what fits as it is, is not made worse", async () => {
  const free = await made({ kind: "mp4" });
  expect((await made({ kind: "mp4", mostBytes: free.bytes + 1 })).bytes).toBe(free.bytes);
});

test("the whole is as loud as is asked for (ITU-R BS.1770, measured by ffmpeg)", async () => {
  const { path } = await made({ kind: "sound", loudness: -23 });
  const args = ["-nostdin", "-i", path, "-af", "ebur128", "-f", "null", "-"];
  const { stderr } = await runProgram("ffmpeg", args, { timeLimitMs: 60_000 });
  const integrated = /I:\s+(-?[\d.]+) LUFS/.exec(stderr.slice(stderr.lastIndexOf("Summary")))?.[1];
  // A promotion without any sound is silence, which is not made louder.
  expect(Number(integrated)).toBeLessThan(-22);
});

test("a budget leaves the picture most of it, and one that leaves nothing is refused with what would do", () => {
  expect(budgetOf(1_000_000, 10)).toEqual({ picture: 656_000, sound: 128_000 });
  expect(() => budgetOf(50_000, 10)).toThrow(/10 s do not fit into 50 kB: allow \d+ kB or more\./);
});

test("an encoder that always makes too much is asked for less until it fits", async () => {
  const path = join(folder, "stubborn");
  const asked: number[] = [];
  const { writeFile } = await import("node:fs/promises");
  const write = (bytes: number) => writeFile(path, Buffer.alloc(Math.round(bytes)));
  await withinBytes({
    ...{ path, mostBytes: 1_000_000, seconds: 10 },
    plainly: () => write(5_000_000),
    budgeted: ({ picture, sound }) => {
      asked.push(picture);
      return write((((picture + sound) * 10) / 8) * 1.4);
    },
  });
  const { size } = await stat(path);
  expect(size).toBeLessThanOrEqual(1_000_000);
  expect(size).toBeGreaterThanOrEqual(900_000);
  expect(asked.length).toBeLessThanOrEqual(3);
});
