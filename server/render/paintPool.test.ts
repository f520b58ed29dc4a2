import { existsSync } from "node:fs";
import { mkdtemp, rm } from "node:fs/promises";
import { getPriority, tmpdir } from "node:os";
import { join } from "node:path";
import { execa } from "execa";
import { outputSize } from "../../core/placement/quality";
import { FPS_30 } from "../../core/time/frames";
import { probedFrames } from "../testing/probedFrames";
import { shortInput } from "../testing/shortRender";
import { until } from "../testing/until";
import { GIVES_WAY } from "./givesWay";
import { type PaintPool, openPaintPool } from "./paintPool";
import { type SegmentTask } from "./segmentRender";

/** Threads take seconds to start: one pool of one thread serves all tests that do not ask for more. */
let folder: string;
let pool: PaintPool;
beforeAll(async () => {
  folder = await mkdtemp(join(tmpdir(), "stencilcraft-unit-"));
  pool = openPaintPool(1);
});
afterAll(async () => {
  await pool.close();
  await rm(folder, { recursive: true });
});

const NEVER = new AbortController().signal;
const input = shortInput(4000);
const segment = (name: string, frames: number, change: Partial<SegmentTask> = {}): SegmentTask => ({
  input,
  format: "square",
  quality: "480p",
  ...outputSize("square", "480p"),
  rate: FPS_30,
  from: 0,
  to: frames,
  path: join(folder, `${name}.mp4`),
  ...change,
});

/** The encoders that are at work on files of this test. */
async function encoders(): Promise<string[]> {
  const { stdout } = await execa("ps", ["-eo", "args="]);
  return stdout.split("\n").filter((line) => line.startsWith("ffmpeg") && line.includes(folder));
}

test("what is rendered, and its encoder, give way to what people wait for; what else its process does, does not", async () => {
  const own = getPriority();
  const seen = new Set<number>();
  const rendering = pool.render(segment("gives-way", 60), () => undefined, NEVER);
  await until(async () => {
    const { stdout } = await execa("ps", ["-eo", "ni=,args="]);
    for (const line of stdout.split("\n"))
      if (line.includes("gives-way.mp4") && line.includes("ffmpeg")) seen.add(Number.parseInt(line, 10));
    return seen.size > 0;
  });
  // Nobody may be given more than they have.
  expect([...seen]).toEqual([Math.max(GIVES_WAY, own)]);
  expect(getPriority()).toBe(own);
  await rendering;
});

/** Calls `seen` once the first frame is painted. */
function atFirstFrame(seen: () => void): () => void {
  let first = true;
  return () => {
    if (first) seen();
    first = false;
  };
}

test("segments become files of just their frames, each frame told as it is done", async () => {
  const told = { one: 0, two: 0 };
  await Promise.all([
    pool.render(segment("one", 7), () => told.one++, NEVER),
    pool.render(segment("two", 12, { from: 3 }), () => told.two++, NEVER),
  ]);
  expect(told).toEqual({ one: 7, two: 9 });
  expect([await probedFrames(join(folder, "one.mp4")), await probedFrames(join(folder, "two.mp4"))]).toEqual([7, 9]);
});

test("of the segments that wait, the one with most to paint goes first", async () => {
  const ended: string[] = [];
  const render = (name: string, frames: number): Promise<void> =>
    pool.render(segment(name, frames), () => undefined, NEVER).then(() => void ended.push(name));
  await Promise.all([render("running", 4), render("small", 2), render("large", 9), render("middle", 5)]);
  expect(ended).toEqual(["running", "large", "middle", "small"]);
});

test("a running segment that is stopped takes its encoder with it, and leaves the thread to the next", async () => {
  const stop = new AbortController();
  const stopped = pool.render(
    segment("stopped", 120),
    atFirstFrame(() => stop.abort()),
    stop.signal,
  );
  const next = pool.render(segment("after", 3), () => undefined, NEVER);
  await expect(stopped).rejects.toThrow("The render was stopped.");
  expect((await encoders()).filter((line) => line.includes("stopped.mp4"))).toEqual([]);
  await next;
  expect(await probedFrames(join(folder, "after.mp4"))).toBe(3);
});

test("a segment that waits and is stopped is never begun; so is one that is stopped before it is asked for", async () => {
  const stop = new AbortController();
  const running = pool.render(segment("going", 20), () => undefined, NEVER);
  const waiting = pool.render(segment("waiting", 20), () => undefined, stop.signal);
  stop.abort();
  await expect(waiting).rejects.toThrow("The render was stopped.");
  await expect(pool.render(segment("late", 20), () => undefined, stop.signal)).rejects.toThrow(
    "The render was stopped.",
  );
  await running;
  expect([existsSync(join(folder, "waiting.mp4")), existsSync(join(folder, "late.mp4"))]).toEqual([false, false]);
});

test("a segment that can't be written fails with the encoder's reason, beside others that go on", async () => {
  const lost = segment("lost", 30, { path: join(folder, "no-such-folder", "lost.mp4") });
  const [failed, made] = await Promise.allSettled([
    pool.render(lost, () => undefined, NEVER),
    pool.render(segment("made", 3), () => undefined, NEVER),
  ]);
  expect(failed.status === "rejected" && String(failed.reason)).toContain("No such file or directory");
  expect(made.status).toBe("fulfilled");
});

test("closing stops what runs and what waits, and leaves no encoder behind", async () => {
  let begun = (): void => undefined;
  const first = new Promise<void>((resolve) => (begun = resolve));
  const rendering = Promise.allSettled([
    pool.render(
      segment("endless", 200),
      atFirstFrame(() => begun()),
      NEVER,
    ),
    pool.render(segment("behind", 200), () => undefined, NEVER),
  ]);
  await first;
  await pool.close();
  const reasons = (await rendering).map((result) =>
    result.status === "rejected" ? (result.reason as Error).message : "done",
  );
  expect(reasons).toEqual(["The render was stopped.", "The render was stopped."]);
  expect(await encoders()).toEqual([]);
});
