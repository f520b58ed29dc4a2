import { randomUUID } from "node:crypto";
import { createServer } from "node:http";
import { mkdtemp, readFile, readdir, rm, writeFile } from "node:fs/promises";
import { type AddressInfo } from "node:net";
import { hostname, tmpdir } from "node:os";
import { join } from "node:path";
import { crc32, deflateSync } from "node:zlib";
import { execa } from "execa";
import { zipSync } from "fflate";
import sharp from "sharp";
import { defined } from "../../core/testing/defined";
import { partOf } from "../../core/testing/sample";
import { config } from "../config";
import { levelKey } from "../storage/keys";
import { store } from "../storage/store";
import { type TestTeam, testTeam } from "../testing/team";
import { ingestMedia } from "./ingest";
import { receiveMedia } from "./receive";

/** Files that are broken, too large, lying about themselves or meant to harm: each gets clear words, and nothing is lost. */
let team: TestTeam;
let folder: string;
beforeAll(async () => {
  team = await testTeam();
  folder = await mkdtemp(join(tmpdir(), "stencilcraft-unit-"));
});
afterAll(async () => {
  await team.close();
  await rm(folder, { recursive: true });
});

const ffmpeg = (...args: string[]) => execa("ffmpeg", ["-v", "error", "-y", ...args]);

/** A file as it lies on disk once all of it was sent. */
async function asSent(contents: Buffer | string): Promise<string> {
  const path = join(folder, randomUUID());
  await writeFile(path, contents);
  return path;
}

/** Brings a file in as an upload does, and reads it in as the job does. Gives its row. */
async function brought(name: string, contents: Buffer | string) {
  const { id } = await receiveMedia(team.scope, name, await asSent(contents));
  await ingestMedia(team.scope.connection, id);
  return team.scope.media().selectAll().where("id", "=", id).executeTakeFirstOrThrow();
}

/** A PNG (W3C PNG, third edition) whose header names a size; what it holds is one empty row. */
function pngOfSize(width: number, height: number): Buffer {
  const chunk = (type: string, data: Buffer): Buffer => {
    const named = Buffer.concat([Buffer.from(type), data]);
    const [length, sum] = [Buffer.alloc(4), Buffer.alloc(4)];
    length.writeUInt32BE(data.length);
    sum.writeUInt32BE(crc32(named));
    return Buffer.concat([length, named, sum]);
  };
  const header = Buffer.alloc(13);
  header.writeUInt32BE(width, 0);
  header.writeUInt32BE(height, 4);
  header.set([8, 2, 0, 0, 0], 8);
  return Buffer.concat([
    Buffer.from([0x89, 0x50, 0x4e, 0x47, 13, 10, 26, 10]),
    chunk("IHDR", header),
    chunk("IDAT", deflateSync(Buffer.alloc(1 + width * 3))),
    chunk("IEND", Buffer.alloc(0)),
  ]);
}

test("a picture of 30 000 × 30 000 pixels is refused by its header, before anything is decoded", async () => {
  const { state, problem } = await brought("wall-sized.png", pngOfSize(30_000, 30_000));
  expect(state).toBe("failed");
  expect(problem).toContain("30000 × 30000 pixels; the limit is 120 million");
});

test("a picture that holds less than its header says is cut short", async () => {
  const { state, problem } = await brought("half.png", pngOfSize(640, 480));
  expect(state).toBe("failed");
  expect(problem).toContain("“half.png” is cut short or damaged");
});

test("an MP4 cut off in the middle is refused, wherever its index stands", async () => {
  const whole = join(folder, "whole.mp4");
  await ffmpeg("-f", "lavfi", "-i", "testsrc2=s=320x240:r=25:d=4", "-c:v", "libx264", "-pix_fmt", "yuv420p", whole);
  const bytes = await readFile(whole);
  const late = await brought("cut-off.mp4", bytes.subarray(0, bytes.length >> 1));
  expect([late.state, late.problem]).toEqual(["failed", expect.stringContaining("cut short or damaged")]);

  const early = join(folder, "early.mp4");
  await ffmpeg("-i", whole, "-c", "copy", "-movflags", "+faststart", early);
  const indexed = await readFile(early);
  const { state, problem } = await brought("cut-off-late.mp4", indexed.subarray(0, indexed.length >> 1));
  expect([state, problem]).toEqual(["failed", expect.stringMatching(/cut short|can't be read/)]);
});

test("a clip of three hours is refused, in hours", async () => {
  const path = join(folder, "all-day.mp4");
  const source = ["-f", "lavfi", "-i", "color=c=green:s=64x64:r=1/60:d=10800"];
  await ffmpeg(...source, "-c:v", "libx264", "-preset", "ultrafast", "-pix_fmt", "yuv420p", path);
  const { state, problem } = await brought("all-day.mp4", await readFile(path));
  expect([state, problem]).toEqual([
    "failed",
    expect.stringContaining("“all-day.mp4” lasts 3 h 0 min; the limit is 10 min"),
  ]);
});

test("an SVG with a script, and one that refers outside: refused, and nothing is fetched", async () => {
  let fetched = 0;
  const outside = createServer((_request, response) => {
    fetched++;
    response.end();
  });
  await new Promise<void>((done) => outside.listen(0, "127.0.0.1", done));
  const { port } = outside.address() as AddressInfo;
  const svg = (inside: string): string => `<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 10 10">${inside}</svg>`;
  expect((await brought("script.svg", svg("<script>alert(1)</script>"))).problem).toContain(
    "contains a script, which is not allowed",
  );
  expect((await brought("outside.svg", svg(`<image href="http://127.0.0.1:${port}/x.png"/>`))).problem).toContain(
    "refers to something outside of itself, which is never fetched",
  );
  expect(fetched).toBe(0);
  outside.close();
});

test("a picture that is an archive as well is only ever kept redrawn", async () => {
  const jpeg = await sharp({ create: { width: 200, height: 120, channels: 3, background: "#2f6b4f" } })
    .jpeg()
    .toBuffer();
  const archive = Buffer.from(zipSync({ "run.html": Buffer.from("<script>alert(1)</script>") }));
  const { state, sha256 } = await brought("two-in-one.jpg", Buffer.concat([jpeg, archive]));
  expect(state).toBe("ready");
  const shown = await readFile(await store().local(levelKey(sha256, 0)));
  expect((await sharp(shown).metadata()).format).toBe("webp");
  expect(shown.includes("run.html")).toBe(false);
});

test.each([
  ["one.webp", 4],
  ["two.avif", 4],
  ["three.png", 4],
  // A printing profile loses some of a colour.
  ["four.jpg", 45],
])("%s is read in, and brought to sRGB", async (name, most) => {
  const picture = sharp({ create: { width: 640, height: 480, channels: 3, background: "#c9603a" } });
  const made = {
    "one.webp": () => picture.webp(),
    "two.avif": () => picture.avif({ effort: 0 }),
    "three.png": () => picture.png(),
    "four.jpg": () => picture.toColourspace("cmyk").jpeg(),
  }[name];
  const { state, sha256 } = await brought(name, await defined(made)().toBuffer());
  expect(state).toBe("ready");
  const pixels = await sharp(await store().local(levelKey(sha256, 0)))
    .raw()
    .toBuffer();
  for (const [channel, value] of [0xc9, 0x60, 0x3a].entries())
    expect(Math.abs(defined(pixels[channel]) - value)).toBeLessThan(most);
});

const SOURCE = ["-f", "lavfi", "-i", "testsrc2=s=320x180:r=30:d=1"];
const H264 = ["-c:v", "libx264", "-pix_fmt", "yuv420p"];
type Kind = [name: string, what: string, make: (path: string) => Promise<unknown>, facts: object];
const KINDS: readonly Kind[] = [
  ["wide.mp4", "oddly shaped pixels", (path) => ffmpeg(...SOURCE, "-vf", "setsar=2/1", ...H264, path), { width: 640 }],
  [
    "ten-bit.mp4",
    "ten bits",
    (path) => ffmpeg(...SOURCE, "-c:v", "libx265", "-preset", "ultrafast", "-pix_fmt", "yuv420p10le", path),
    { frames: 30 },
  ],
  [
    "uneven.mp4",
    "a changing rate",
    (path) => ffmpeg(...SOURCE, "-vf", "select='not(mod(n\\,3))+lt(n\\,20)'", "-fps_mode", "vfr", ...H264, path),
    { width: 320 },
  ],
  [
    "garden.webm",
    "VP9",
    (path) => ffmpeg(...SOURCE, "-c:v", "libvpx-vp9", "-b:v", "300k", "-deadline", "realtime", path),
    { frames: 30, hasSound: false },
  ],
  ["edit.mov", "ProRes", (path) => ffmpeg(...SOURCE, "-c:v", "prores_ks", path), { frames: 30, height: 180 }],
  [
    "turned.mov",
    "a turn written beside the picture",
    async (path) => {
      await ffmpeg(...SOURCE, ...H264, join(folder, "plain.mp4"));
      const plain = ["-i", join(folder, "plain.mp4"), "-c", "copy"];
      // ffmpeg says it in two ways, before version 6 and since.
      await ffmpeg("-display_rotation", "90", ...plain, path).catch(() =>
        ffmpeg(...plain, "-metadata:s:v:0", "rotate=90", path),
      );
    },
    { width: 180, height: 320 },
  ],
];
test.each(partOf(KINDS, 2))("the clip %s, with %s, is read in", async (name, _, make, facts) => {
  const path = join(folder, name);
  await make(path);
  const row = await brought(name, await readFile(path));
  expect([row.state, row.problem]).toEqual(["ready", null]);
  expect(row.facts).toMatchObject(facts);
});

test("the same bytes are measured once, even for another team; the name in a refusal is the item's own", async () => {
  const png = await sharp({ create: { width: 90, height: 60, channels: 3, background: "#123456" } })
    .png()
    .toBuffer();
  const first = await brought("first.png", png);
  const other = await testTeam();
  const { id } = await receiveMedia(other.scope, "again.png", await asSent(png));
  await ingestMedia(other.scope.connection, id);
  const again = await other.scope.media().selectAll().where("id", "=", id).executeTakeFirstOrThrow();
  expect(again).toMatchObject({ state: "ready", facts: first.facts, look: first.look, name: "again.png" });
  await other.close();
  const refusals = [];
  for (const name of ["one.svg", "two.svg"])
    refusals.push((await brought(name, '<svg xmlns="http://www.w3.org/2000/svg"><script/></svg>')).problem);
  expect(refusals).toEqual([expect.stringContaining("“one.svg”"), expect.stringContaining("“two.svg”")]);
});

test("nothing is left where uploads come in, whatever became of them", async () => {
  await expect(brought("notes.mp4", "Dear diary, this is not a film.")).rejects.toThrow("plain text inside");
  await expect(brought("logo.svg", "<!-- <svg> --><html><script>alert(1)</script></html>")).rejects.toThrow(
    "“logo.svg” is plain text inside",
  );
  await expect(brought("empty.jpg", "")).rejects.toThrow("0 bytes");
  expect(await readdir(join(config().data, "work", `${hostname()}-${process.pid}`))).toEqual([]);
});

test("a name with slashes and control characters is kept tamed", async () => {
  const png = await sharp({ create: { width: 200, height: 160, channels: 3, background: "#2a6249" } })
    .png()
    .toBuffer();
  expect((await brought("../../etc/\u0000\u001bevil\u202egnp.png", png)).name).toBe("evilgnp.png");
});
