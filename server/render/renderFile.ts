import { mkdtemp, stat, writeFile, rm } from "node:fs/promises";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { mixOf } from "../../core/sound/mix";
import { frameStart, msOf } from "../../core/time/ticks";
import { templateOf } from "../../core/document/design";
import { SAFE_INPUT, runProgram } from "../media/program";
import { originalKey, segmentKey } from "../storage/keys";
import { store } from "../storage/store";
import { type PaintPool } from "./paintPool";
import { type OutputChoice, type RenderInput } from "./renderInput";
import { type RenderPlan, renderPlan } from "./renderPlan";
import { type SoundInput, soundInput } from "./soundMix";

/** What a finished file is. */
export interface RenderedFile {
  readonly format: string;
  readonly width: number;
  readonly height: number;
  readonly fps: number;
  readonly frames: number;
  readonly seconds: number;
  readonly bytes: number;
}

/**
 * Renders a promotion in a format to a local file: segments that are not in the store yet are painted and encoded, all
 * are joined without re-encoding, and the sound is mixed and added last. `path` exists only when the whole is done.
 */
export async function renderFile(
  pool: PaintPool,
  { input, choice, path }: { readonly input: RenderInput; readonly choice: OutputChoice; readonly path: string },
  onProgress: (share: number) => void = () => undefined,
  signal: AbortSignal = new AbortController().signal,
): Promise<RenderedFile> {
  const plan = await renderPlan(input, choice);
  const folder = await mkdtemp(join(tmpdir(), "stencilcraft-render-"));
  try {
    let done = 0;
    const onFrame = (): void => onProgress((0.98 * ++done) / plan.frames);
    const files = await Promise.all(
      plan.segments.map(async (segment) => {
        const key = segmentKey(segment.key);
        if (await store().has(key)) for (let frame = segment.from; frame < segment.to; frame++) onFrame();
        else {
          const file = join(folder, `${segment.from}.mp4`);
          const { from, to } = segment;
          await pool.render(
            { ...choice, input, from, to, rate: plan.rate, width: plan.width, height: plan.height, path: file },
            onFrame,
            signal,
          );
          await store().keep(key, file);
        }
        return store().local(key);
      }),
    );
    const list = join(folder, "segments.txt");
    await writeFile(list, files.map((file) => `file '${file.replaceAll("'", String.raw`'\''`)}'\n`).join(""));
    await joinSegments(list, await soundOf(input, plan), path, signal);
    const { size } = await stat(path);
    onProgress(1);
    const fps = plan.rate.numerator / plan.rate.denominator;
    return {
      format: choice.format,
      width: plan.width,
      height: plan.height,
      fps,
      frames: plan.frames,
      seconds: plan.frames / fps,
      bytes: size,
    };
  } finally {
    await rm(folder, { recursive: true, force: true });
  }
}

/** The sound of a promotion as ffmpeg is asked for it, after one input. */
async function soundOf({ document, facts, hashes }: RenderInput, { frames, rate }: RenderPlan): Promise<SoundInput> {
  const length = msOf(frameStart(frames, rate));
  const plan = templateOf(facts.templates, document.template).sound;
  const mix = mixOf(document, facts.media, { plan, length });
  const files = new Map<string, string>();
  for (const { what } of mix.track) files.set(what.sound, await store().local(originalKey(hashes[what.sound] ?? "")));
  return soundInput(mix, (sound) => files.get(sound) ?? "", 1);
}

/** @param list a file that names the segments in order, as ffmpeg's concat reads it */
async function joinSegments(list: string, sound: SoundInput, path: string, signal: AbortSignal): Promise<void> {
  const args = [
    "-v",
    "error",
    "-y",
    "-nostdin",
    ...SAFE_INPUT,
    "-f",
    "concat",
    "-safe",
    "0",
    "-i",
    list,
    ...sound.input,
    "-filter_complex",
    sound.graph,
    "-map",
    "0:v:0",
    "-map",
    "[sound]",
    "-c:v",
    "copy",
    "-c:a",
    "aac",
    "-profile:a",
    "aac_low",
    "-b:a",
    "192k",
    "-ar",
    "48000",
    "-ac",
    "2",
    "-map_metadata",
    "-1",
    "-movflags",
    "+faststart",
    "-f",
    "mp4",
    path,
  ];
  await runProgram("ffmpeg", args, { timeLimitMs: 300_000, signal });
}
