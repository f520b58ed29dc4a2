import { fork, spawn } from "node:child_process";
import { once } from "node:events";
import { createWriteStream } from "node:fs";
import { mkdtemp, readFile, rm } from "node:fs/promises";
import { availableParallelism, tmpdir } from "node:os";
import { join } from "node:path";
import { USUAL_FORMATS, type FormatName } from "../core/placement/formats";
import { millis } from "../core/units";
import { type Promotion } from "../core/document/promotion";
import { type TeamScope } from "../server/db/teamScope";
import { type RawFrames } from "../server/media/frameEncoder";
import { type RenderInput } from "../server/render/renderInput";
import { type RenderPlan } from "../server/render/renderPlan";
import { RENDERING_OPTIONS } from "../server/threads/renderingOptions";
import { richPromotion } from "./richPromotion";
import { openDemoData } from "./demoInstance";
import { frameStart } from "../core/time/ticks";

export const BENCH_PROMOTION = "potting-week-terracotta";

/** How ffmpeg makes of canvases' pixels what it encodes. */
const FROM_RGBA =
  "scale=out_color_matrix=bt709:out_range=tv:flags=bicubic+accurate_rnd+full_chroma_int,format=yuv420p,setsar=1";

/** Takes all segments out of a demo world's store, so that a render paints them again. */
export const forgetSegments = (data: string): Promise<void> =>
  rm(join(data, "files", "segments"), { recursive: true, force: true });

/**
 * The demo promotion with scenes `stretch` times as long.
 * @param make another promotion made of it
 */
export async function benchInput(
  stretch = 1,
  make: (model: Promotion, scope: TeamScope) => Promise<Promotion> = (model) => Promise.resolve(model),
): Promise<RenderInput> {
  const { database } = await import("../server/db/connect");
  const { teamScope } = await import("../server/db/teamScope");
  const { loadRenderInput } = await import("../server/promotions/loadFacts");
  const { promotionBySlug } = await import("../server/promotions/promotionStore");
  const { team_id } = await database()
    .selectFrom("promotion")
    .select("team_id")
    .where("slug", "=", BENCH_PROMOTION)
    .executeTakeFirstOrThrow();
  const scope = teamScope(database(), team_id);
  const { document } = await promotionBySlug(scope, BENCH_PROMOTION);
  const input = await loadRenderInput(scope, await make(document, scope));
  const templates = Object.fromEntries(
    Object.entries(input.facts.templates).map(([key, template]) => [
      key,
      {
        ...template,
        scenes: template.scenes.map((scene) => ({ ...scene, length: millis(scene.length * stretch) })),
      },
    ]),
  );
  return { ...input, facts: { ...input.facts, templates } };
}

/** Measures the whole render of three formats, then ffmpeg alone on the very frames and on a filter graph, then memory at 15 s and 60 s. */
export async function benchRender(data: string): Promise<void> {
  const demo = await openDemoData(data);
  const folder = await mkdtemp(join(tmpdir(), "stencilcraft-bench-"));
  try {
    const plain = await measured("plain", { data, folder });
    console.log(`plain promotion: ${inWords(plain)}`);
    const rich = await measured("rich", { data, folder });
    console.log(`with clips, captions, letters and a look: ${inWords(rich)}`);
    const [short, long] = [await peakMemory(1, data), await peakMemory(4, data)];
    console.log(`peak memory: ${short} MB for 15 s, ${long} MB for 60 s, ratio ${(long / short).toFixed(3)}`);
    console.log(`ratio ${(plain.whole / plain.rgba).toFixed(2)}`);
  } finally {
    await rm(folder, { recursive: true, force: true });
    await demo.close();
  }
}

/** Seconds that a promotion in three formats at 1080p takes. */
interface Measured {
  /** To render it: the first time in a process, and on average when it has rendered before. */
  readonly first: number;
  readonly whole: number;
  /** For ffmpeg alone to encode its frames, on average: as canvases have them, and as planes. */
  readonly rgba: number;
  readonly planes: number;
  /** For ffmpeg to make and encode the like of it by a filter graph. */
  readonly graph: number;
  /** To paint them, in one thread. */
  readonly paint: number;
}

interface Where {
  readonly data: string;
  readonly folder: string;
}

/** Promotions that are measured: the demo's, and one made of it with all that a promotion can have. */
export const MEASURED = { plain: () => benchInput(), rich: () => benchInput(1, richPromotion) } as const;

/** So many turns of what is compared, for each format. */
const TURNS = 2;

async function measured(promotion: keyof typeof MEASURED, where: Where): Promise<Measured> {
  const input = await MEASURED[promotion]();
  const renders = await openRenders(promotion, where.data);
  const first = await renders.next();
  // By turns and all of them counted: a machine's own speed changes from minute to minute, and should do so for all alike.
  const wholes: number[] = [];
  const alone = { rgba: 0, planes: 0, graph: 0, paint: 0 };
  for (const format of USUAL_FORMATS) {
    const frames = await paintedFrames(input, format, where.folder);
    alone.graph += frames.graph;
    alone.paint += frames.paint;
    for (let turn = 0; turn < TURNS; turn++) {
      wholes.push(await renders.next());
      alone.planes += (await encoded(frames.planes, frames.plan)) / TURNS;
      alone.rgba += (await encoded(frames.rgba, frames.plan)) / TURNS;
    }
    await Promise.all([frames.rgba.remove(), frames.planes.remove()]);
  }
  await renders.close();
  return { first, whole: wholes.reduce((sum, one) => sum + one, 0) / wholes.length, ...alone };
}

/** Whole renders in a process of their own. */
interface Renders {
  /** Renders once more, in so many seconds. */
  next(): Promise<number>;
  close(): Promise<void>;
}

async function openRenders(promotion: keyof typeof MEASURED, data: string): Promise<Renders> {
  const child = fork("bench/renderingProcess.ts", [promotion, data], {
    execArgv: [...RENDERING_OPTIONS, "--import", "tsx"],
  });
  const ended = once(child, "exit").then(([code]) => {
    throw new Error(`The process that renders ended with ${code}.`);
  });
  ended.catch(() => undefined);
  const answer = async (): Promise<unknown> => (await Promise.race([once(child, "message"), ended]))[0];
  await answer();
  return {
    async next() {
      child.send("render");
      return Number(await answer());
    },
    async close() {
      child.disconnect();
      await once(child, "exit");
    },
  };
}

const inWords = ({ first, whole, rgba, planes, graph, paint }: Measured): string =>
  [
    `whole render ${whole.toFixed(1)} s on average (${first.toFixed(1)} s the first time in a process)`,
    `ffmpeg alone on the same frames as RGBA ${rgba.toFixed(1)} s, as planes ${planes.toFixed(1)} s`,
    `a filter graph of the like ${graph.toFixed(1)} s`,
    `painting alone in one thread ${paint.toFixed(1)} s`,
    `ratio ${(whole / rgba).toFixed(2)} of RGBA, ${(whole / planes).toFixed(2)} of planes`,
  ].join(", ");

/** A format's frames in raw files, and the seconds that it took to paint them and that its filter graph takes. */
interface PaintedFrames {
  readonly plan: RenderPlan;
  readonly rgba: RawFile;
  readonly planes: RawFile;
  readonly graph: number;
  readonly paint: number;
}

async function paintedFrames(input: RenderInput, format: FormatName, folder: string): Promise<PaintedFrames> {
  const { graphAlone } = await import("./filterGraph");
  const { openPlanarFrames, wholeFrame } = await import("../server/render/planar/planarFrames");
  const { openFrameSource } = await import("../server/render/frameSource");
  const { renderPlan } = await import("../server/render/renderPlan");
  const plan = await renderPlan(input, { format, quality: "1080p" });
  const [rgba, planes] = [rawFile(folder, "rgba"), rawFile(folder, "yuv420p")];
  const [source, planar] = [await openFrameSource(input, { format, quality: "1080p" }), await openPlanarFrames(plan)];
  let paint = 0;
  for (let frame = 0; frame < plan.frames; frame++) {
    const started = performance.now();
    const pixels = await source.frameAt(frameStart(frame, plan.rate));
    paint += performance.now() - started;
    await rgba.write(pixels);
    planar.change(wholeFrame(pixels, plan));
    await planes.write(Uint8Array.from(planar.planes));
  }
  await Promise.all([rgba.end(), planes.end()]);
  // Or they would be written to the disk while something is measured.
  await once(spawn("sync"), "close");
  const graph = await graphAlone(source, plan, folder);
  source.stop();
  return { plan, rgba, planes, graph, paint: paint / 1000 };
}

interface RawFile {
  readonly path: string;
  readonly pixels: "rgba" | "yuv420p";
  write(frame: Uint8Array): Promise<void>;
  end(): Promise<unknown>;
  remove(): Promise<void>;
}

function rawFile(folder: string, pixels: RawFile["pixels"]): RawFile {
  const path = join(folder, `frames.${pixels}`);
  const file = createWriteStream(path);
  return {
    path,
    pixels,
    async write(frame) {
      if (!file.write(frame)) await once(file, "drain");
    },
    end: () => new Promise((done) => file.end(done)),
    remove: () => rm(path),
  };
}

/** The seconds in which ffmpeg encodes a file of raw frames, with the render's own settings. */
async function encoded(file: RawFile, { width, height, rate }: Omit<RawFrames, "pixels">): Promise<number> {
  const { encodeSettings } = await import("../server/render/encoder");
  const { rawFrames } = await import("../server/media/frameEncoder");
  // By itself, an encoder uses all that the machine has.
  const threads = availableParallelism();
  const settings = encodeSettings(rate, file.pixels === "rgba" ? { threads, filter: FROM_RGBA } : { threads });
  const input = [...rawFrames({ width, height, rate, pixels: file.pixels }), "-i", file.path];
  const args = [...["-v", "error", "-y", "-nostdin"], ...input, ...settings, `${file.path}.mp4`];
  const alone = spawn("ffmpeg", args, { stdio: ["ignore", "ignore", "inherit"] });
  // Its start takes this process, which has painted, longer than another.
  const started = performance.now();
  await once(alone, "close");
  if (alone.exitCode !== 0) throw new Error("ffmpeg refused the raw frames.");
  return (performance.now() - started) / 1000;
}

/** Peak memory in MB of a process, encoders included, that renders the square format with every scene `stretch` times as long. */
async function peakMemory(stretch: number, data: string): Promise<number> {
  const child = spawn(
    process.execPath,
    [...RENDERING_OPTIONS, "--import", "tsx", "bench/memory.ts", String(stretch), data],
    { stdio: ["ignore", "inherit", "inherit"] },
  );
  let peak = 0;
  const sampling = setInterval(
    () =>
      void treeMemory(child.pid ?? 0).then(
        (now) => (peak = Math.max(peak, now)),
        () => undefined,
      ),
    100,
  );
  await once(child, "close");
  clearInterval(sampling);
  if (child.exitCode !== 0) throw new Error("The render whose memory was measured failed.");
  return Math.round(peak);
}

/** Memory of a process and its children, in MB. Proportional set size, because a child just forked shares its parent's pages. */
async function treeMemory(pid: number): Promise<number> {
  const children = (await readFile(`/proc/${pid}/task/${pid}/children`, "utf8"))
    .trim()
    .split(" ")
    .filter(Boolean)
    .map(Number);
  const own = /^Pss:\s+(\d+) kB/m.exec(await readFile(`/proc/${pid}/smaps_rollup`, "utf8"))?.[1];
  const others = await Promise.all(children.map((child) => treeMemory(child).catch(() => 0)));
  return Number(own ?? 0) / 1024 + others.reduce((sum, one) => sum + one, 0);
}
