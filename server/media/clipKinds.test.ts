import { execFile } from "node:child_process";
import { mkdtemp, rm } from "node:fs/promises";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { promisify } from "node:util";
import { workKey } from "../storage/keys";
import { store } from "../storage/store";
import { type TestTeam, testTeam } from "../testing/team";
import { ingestMedia } from "./ingest";
import { receiveMedia } from "./receive";
import { mediaFacts } from "./storedFacts";

const run = promisify(execFile);
const ffmpeg = (...args: string[]) =>
  run("ffmpeg", ["-v", "error", "-y", ...args], { encoding: "buffer", maxBuffer: 1 << 24 });

let folder: string;
let team: TestTeam;
beforeAll(async () => {
  folder = await mkdtemp(join(tmpdir(), "stencilcraft-unit-"));
  team = await testTeam();
});
afterAll(async () => {
  await team.close();
  await rm(folder, { recursive: true });
});

/** What a file that ffmpeg makes is read in as. */
async function readIn(name: string, ...made: string[]) {
  const path = join(folder, name);
  await ffmpeg(...made, path);
  const { id } = await receiveMedia(team.scope, name, path);
  await ingestMedia(team.scope.connection, id);
  const row = await team.scope.media().selectAll().where("id", "=", id).executeTakeFirstOrThrow();
  return { ...row, read: mediaFacts(row) };
}
const picture = (source: string): string[] => ["-f", "lavfi", "-i", source];

test("a moving GIF and an AVI are clips, a still GIF a picture", async () => {
  const moving = await readIn("moving.gif", ...picture("testsrc2=size=160x120:rate=10:duration=2"));
  expect([moving.problem, moving.kind]).toEqual([null, "clip"]);
  expect(Math.abs(Number(moving.length_ms) - 2000)).toBeLessThanOrEqual(100);
  const still = await readIn("still.gif", ...picture("testsrc2=size=160x120:rate=10:duration=2"), "-frames:v", "1");
  expect([still.problem, still.kind]).toEqual([null, "picture"]);
  const old = await readIn("old.avi", ...picture("testsrc2=size=320x240:rate=25:duration=2"), "-c:v", "mpeg4");
  expect([old.problem, old.kind, old.length_ms]).toEqual([null, "clip", 2000]);
});

test("sound that goes on after the picture leaves no frames that are not there, and is no damage", async () => {
  const sound = picture("sine=frequency=440:duration=6");
  const longer = ["-c:v", "libx264", "-pix_fmt", "yuv420p", "-c:a", "aac"];
  const clip = await readIn(
    "outlasting.mp4",
    ...picture("testsrc2=size=320x240:rate=30:duration=2"),
    ...sound,
    ...longer,
  );
  expect(clip.problem).toBeNull();
  expect(clip.read).toMatchObject({ kind: "clip", frames: 60, hasSound: true });
  const matroska = ["-c:v", "libx264", "-pix_fmt", "yuv420p", "-c:a", "libopus"];
  const other = await readIn(
    "outlasting.mkv",
    ...picture("testsrc2=size=320x240:rate=30:duration=3"),
    ...sound,
    ...matroska,
  );
  expect(other.problem).toBeNull();
  expect(other.read).toMatchObject({ kind: "clip", frames: 90 });
});

test("a clip of one frame is one", async () => {
  const one = ["-frames:v", "1", "-c:v", "libx264", "-pix_fmt", "yuv420p"];
  const clip = await readIn("one-frame.mp4", ...picture("testsrc2=size=320x240:rate=30:duration=1"), ...one);
  expect([clip.problem, clip.read]).toMatchObject([null, { kind: "clip", frames: 1 }]);
});

test.each([
  ["HD", "1280x720", "bt709"],
  ["smaller", "640x360", "smpte170m"],
])("colours of an untagged clip of %s size are read as players read them", async (_name, size, matrix) => {
  // Written with one matrix, and nothing said of it.
  const write = `scale=out_color_matrix=${matrix}:out_range=tv,format=yuv420p,setparams=colorspace=unknown`;
  const made = ["-vf", write, "-c:v", "libx264", "-colorspace", "unknown"];
  const clip = await readIn(
    `untagged-${size}.mp4`,
    ...picture(`color=c=0x00b020:size=${size}:rate=30:duration=1`),
    ...made,
  );
  expect(clip.problem).toBeNull();
  const frame = ["-vf", "scale=in_color_matrix=bt709:in_range=tv", "-frames:v", "1"];
  const { stdout } = await ffmpeg(
    "-i",
    await store().local(workKey(clip.sha256)),
    ...frame,
    "-f",
    "rawvideo",
    "-pix_fmt",
    "rgb24",
    "pipe:1",
  );
  const [r = 0, g = 0, b = 0] = stdout.subarray(0, 3);
  expect([Math.abs(r - 0), Math.abs(g - 0xb0), Math.abs(b - 0x20)].every((off) => off <= 4)).toBe(true);
});
