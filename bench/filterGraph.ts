import { spawn } from "node:child_process";
import { once } from "node:events";
import { writeFile } from "node:fs/promises";
import { availableParallelism } from "node:os";
import { join } from "node:path";
import { createCanvas } from "@napi-rs/canvas";
import { frameStart } from "../core/time/ticks";
import { encodeSettings } from "../server/render/encoder";
import { type FrameSource } from "../server/render/frameSource";
import { type RenderPlan } from "../server/render/renderPlan";

/** Frames of a joint. */
const JOINT = 15;

/**
 * Seconds that ffmpeg needs for the same kind of promotion when somebody writes it by hand as a filter graph: each scene a
 * still that is slowly zoomed, a card over it that fades in, crossfades between, encoded as a render is.
 *
 * @param source of the promotion's frames: the scenes' stills are taken from it
 * @param folder where files may be written
 */
export async function graphAlone(source: FrameSource, plan: RenderPlan, folder: string): Promise<number> {
  // Stretches in which nothing comes or goes are scenes, but for the joints between them.
  const scenes = plan.segments.filter(({ from, to }) => to - from > 2 * JOINT);
  for (const [number, { from, to }] of scenes.entries())
    await writeFile(join(folder, `scene-${number}.png`), await source.pngAt(frameStart((from + to) >> 1, plan.rate)));
  await writeFile(join(folder, "card.png"), await card(plan.width));
  const frames = scenes.map(({ from, to }) => to - from + JOINT);
  const input = ["-f", "lavfi", "-i", graphOf(frames, plan)];
  const started = performance.now();
  const settings = encodeSettings(plan.rate, { filter: "format=yuv420p,setsar=1", threads: availableParallelism() });
  const args = [...["-v", "error", "-y", "-nostdin"], ...input, ...settings, "graph.mp4"];
  const child = spawn("ffmpeg", args, { cwd: folder, stdio: ["ignore", "ignore", "inherit"] });
  await once(child, "close");
  if (child.exitCode !== 0) throw new Error("ffmpeg refused the filter graph.");
  return (performance.now() - started) / 1000;
}

function card(width: number): Promise<Buffer> {
  const canvas = createCanvas(Math.round(width * 0.7), Math.round(width * 0.2));
  const context = canvas.getContext("2d");
  context.fillStyle = "rgba(255, 250, 240, 0.85)";
  context.fillRect(0, 0, canvas.width, canvas.height);
  return canvas.encode("png");
}

/** @param frames of each scene, the joint after it included */
function graphOf(frames: readonly number[], { width, height, rate }: RenderPlan): string {
  const perSecond = rate.numerator / rate.denominator;
  const cards = `movie=card.png,loop=-1:1,setpts=N/${perSecond}/TB,format=rgba,fade=in:st=0.3:d=0.4:alpha=1`;
  const shown = frames.flatMap((count, number) => [
    `movie=scene-${number}.png,zoompan=z=1+0.0005*on:d=${count}:s=${width}x${height}:fps=${perSecond}[still${number}]`,
    `[still${number}][card${number}]overlay=x=(W-w)/2:y=H*0.6:shortest=1,format=yuv420p,settb=AVTB[shown${number}]`,
  ]);
  let [joined, at] = ["[shown0]", 0];
  const joins = frames.slice(1).map((_, index) => {
    at += ((frames[index] ?? 0) - JOINT) / perSecond;
    const made = `${joined}[shown${index + 1}]xfade=duration=${JOINT / perSecond}:offset=${at}`;
    joined = `[joined${index}]`;
    return index === frames.length - 2 ? made : made + joined;
  });
  return [`${cards},split=${frames.length}${frames.map((_, n) => `[card${n}]`).join("")}`, ...shown, ...joins].join(
    ";",
  );
}
