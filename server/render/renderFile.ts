import { stat, writeFile } from "node:fs/promises";
import { join } from "node:path";
import { resolvePromotion } from "../../core/document/resolve";
import { sampleAt } from "../../core/sound/samples";
import { frameStart } from "../../core/time/ticks";
import { SAFE_INPUT, runProgram } from "../media/program";
import { segmentKey } from "../storage/keys";
import { store } from "../storage/store";
import { type PaintPool } from "./paintPool";
import { allOrStop } from "./allOrStop";
import { type OutputChoice, type RenderInput } from "./renderInput";
import { type RenderPlan, renderPlan } from "./renderPlan";
import { type RenderedFile } from "./renderedFile";
import { soundFiles } from "./soundFiles";
import { SOUND_FORMAT, writeSound } from "./soundFile";
import { inWorkFolder } from "../workFolder";

/** A file that was made, and how much of it had to be painted. */
export interface MadeFile {
  readonly file: RenderedFile;
  readonly freshFrames: number;
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
): Promise<MadeFile> {
  const plan = await renderPlan(input, choice);
  return inWorkFolder("render", async (folder) => {
    let done = 0;
    let freshFrames = 0;
    const onFrame = (): void => onProgress((0.98 * ++done) / plan.frames);
    const files = await allOrStop(signal, (stop) =>
      plan.segments.map(async (segment) => {
        const key = segmentKey(segment.key);
        if (await store().has(key)) for (let frame = segment.from; frame < segment.to; frame++) onFrame();
        else {
          const file = join(folder, `${segment.from}.mp4`);
          const { from, to } = segment;
          freshFrames += to - from;
          await pool.render(
            { ...choice, input, from, to, rate: plan.rate, width: plan.width, height: plan.height, path: file },
            onFrame,
            stop,
          );
          await store().keep(key, file);
        }
        return store().local(key);
      }),
    );
    const list = join(folder, "segments.txt");
    await writeFile(list, files.map((file) => `file '${file.replaceAll("'", String.raw`'\''`)}'\n`).join(""));
    const sound = join(folder, "sound.f32");
    await mixSound(input, plan, sound);
    await joinSegments({ list, sound, path }, signal);
    const { size } = await stat(path);
    onProgress(1);
    const fps = plan.rate.numerator / plan.rate.denominator;
    const file = {
      format: choice.format,
      width: plan.width,
      height: plan.height,
      fps,
      frames: plan.frames,
      seconds: plan.frames / fps,
      bytes: size,
    };
    return { file, freshFrames };
  });
}

/** Writes what is heard of a promotion, exactly as long as its frames. */
async function mixSound(input: RenderInput, { frames, rate }: RenderPlan, to: string): Promise<void> {
  const count = sampleAt(frameStart(frames, rate));
  await writeSound(to, resolvePromotion(input.document, input.facts).mix, { fileOf: soundFiles(input), count });
}

interface Joining {
  /** A file that names the segments in order, as ffmpeg's concat reads it. */
  readonly list: string;
  /** What `writeSound` wrote. */
  readonly sound: string;
  readonly path: string;
}

async function joinSegments({ list, sound, path }: Joining, signal: AbortSignal): Promise<void> {
  const read = ["-v", "error", "-y", "-nostdin", ...SAFE_INPUT];
  const inputs = [...["-f", "concat", "-safe", "0", "-i", list], ...[...SOUND_FORMAT, "-i", sound]];
  const heard = ["-c:a", "aac", "-profile:a", "aac_low", "-b:a", "192k", "-ar", "48000", "-ac", "2"];
  const written = ["-map", "0:v:0", "-map", "1:a:0", "-c:v", "copy", ...heard];
  const file = ["-map_metadata", "-1", "-movflags", "+faststart", "-f", "mp4", path];
  await runProgram("ffmpeg", [...read, ...inputs, ...written, ...file], { timeLimitMs: 300_000, signal });
}
