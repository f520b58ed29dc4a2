import { stat, writeFile } from "node:fs/promises";
import { join } from "node:path";
import { onceAsked } from "../../core/onceAsked";
import { resolvePromotion } from "../../core/document/resolve";
import { type Mix } from "../../core/sound/mixedPiece";
import { sampleAt } from "../../core/sound/samples";
import { FILE_KINDS } from "../../core/output/fileKinds";
import { type Output } from "../../core/output/output";
import { RATES } from "../../core/output/rates";
import { type FormatName } from "../../core/placement/formats";
import { outputSize } from "../../core/placement/quality";
import { Refusal } from "../../core/refusal";
import { settledTime } from "../../core/scene/preparePromotion";
import { frameStart, ticksOf } from "../../core/time/ticks";
import { preparedInput } from "./preparedInput";
import { segmentKey } from "../storage/keys";
import { store } from "../storage/store";
import { type OutputChoice, type RenderInput, paintedFor } from "./renderInput";
import { type RenderPlan, renderPlan } from "./renderPlan";
import { type RenderedFile } from "./renderedFile";
import { type SegmentPainter, missingSegments } from "./segmentPainter";
import { type PackedSound, packFile } from "./packFile";
import { paintStillTo } from "./stillFile";
import { soundTrack, writeHeard } from "./soundTrack";
import { inWorkFolder } from "../workFolder";

/** A file that was made, and how much of it had to be painted. */
export interface MadeFile {
  readonly file: RenderedFile;
  readonly freshFrames: number;
}

/** What a file is made from and how, and where it goes. */
export interface FileWish {
  readonly input: RenderInput;
  readonly choice: { readonly format: FormatName; readonly output: Output };
  readonly path: string;
}

/**
 * Renders a promotion in a format to a local file: segments that are not in the store yet are painted and encoded, all are
 * made into one file, and the sound is mixed and added last. `path` exists only when the whole is done.
 */
export async function renderFile(
  painter: SegmentPainter,
  { input, choice: { format, output }, path }: FileWish,
  onProgress: (share: number) => void = () => undefined,
  signal: AbortSignal = new AbortController().signal,
): Promise<MadeFile> {
  const { kind } = output;
  if (kind === "still") return paintedStill({ input, choice: { format, output }, path }, onProgress);
  const painted = paintedFor(format, output);
  const plan = await renderPlan(input, painted, RATES[output.rate]);
  const { width, height, rate } = plan;
  const fps = rate.numerator / rate.denominator;
  const isFilm = FILE_KINDS[kind].isMoving;
  const frames = isFilm ? plan.frames : 0;
  const seconds = plan.frames / fps;
  const freshFrames = await inWorkFolder("render", async (folder) => {
    const made = isFilm ? await paintedSegments(painter, { input, painted, plan }, onProgress, signal) : null;
    const list = join(folder, "segments.txt");
    await writeFile(list, concatList(made?.files ?? [], plan));
    const heard = { input, mix: mixFor(input, output.loudness), count: sampleAt(frameStart(plan.frames, rate)) };
    const sound: PackedSound = {
      samples: onceAsked(() => writeHeard(join(folder, "sound.f32"), heard)),
      track: () => soundTrack(heard, signal),
    };
    await packFile({ list, sound, input, output, rate, seconds, folder, path }, signal);
    return made?.freshFrames ?? 0;
  });
  const { size: bytes } = await stat(path);
  onProgress(1);
  return { file: { format, width, height, fps, frames, seconds, bytes }, freshFrames };
}

/** A still of the first scene when it has settled, as a file. */
async function paintedStill(
  { input, choice: { format, output }, path }: FileWish,
  onProgress: (share: number) => void,
): Promise<MadeFile> {
  const { spans } = await preparedInput(input, format);
  const [first] = spans;
  if (!first) throw new Refusal("This promotion has no scene to make a still of.");
  const size = outputSize(format, output.quality);
  await paintStillTo({ input, format, time: ticksOf(settledTime(first)), size, path });
  const { size: bytes } = await stat(path);
  onProgress(1);
  return { file: { format, ...size, fps: 0, frames: 1, seconds: 0, bytes }, freshFrames: 0 };
}

/**
 * Segments in order, as ffmpeg's concat reads them. How long each is, is said to the microsecond: what their files say of
 * themselves is rounded to milliseconds, which shifts all that follows.
 */
function concatList(files: readonly string[], { segments, rate }: RenderPlan): string {
  return files
    .map((file, at) => {
      const { from, to } = segments[at] ?? { from: 0, to: 0 };
      const seconds = ((to - from) * rate.denominator) / rate.numerator;
      return `file '${file.replaceAll("'", String.raw`'\''`)}'\nduration ${seconds.toFixed(6)}\n`;
    })
    .join("");
}

interface Painting {
  readonly input: RenderInput;
  readonly painted: OutputChoice;
  readonly plan: RenderPlan;
}

/** All segments of a plan as local files, in order: those that were painted before, and those that are painted now. */
async function paintedSegments(
  painter: SegmentPainter,
  { input, painted, plan: { segments, frames, rate, width, height } }: Painting,
  onProgress: (share: number) => void,
  signal: AbortSignal,
): Promise<{ readonly files: readonly string[]; readonly freshFrames: number }> {
  const missing = await missingSegments(segments);
  const freshFrames = missing.reduce((sum, { from, to }) => sum + to - from, 0);
  const onPainted = (painted: number): void => onProgress((PAINTING_SHARE * (frames - freshFrames + painted)) / frames);
  onPainted(0);
  if (missing.length > 0)
    await painter.paint({ input, ...painted, rate, width, height, segments: missing }, onPainted, signal);
  const files = await Promise.all(segments.map(({ key }) => store().local(segmentKey(key))));
  return { files, freshFrames };
}

/** Of all that there is to do, so much is done when all is painted. */
const PAINTING_SHARE = 0.9;

/** What is heard of a promotion. @param loudness of the whole, in LUFS, where something else is asked for than it has */
function mixFor({ document, facts }: RenderInput, loudness: number | null): Mix {
  const { mix } = resolvePromotion(document, facts);
  return loudness === null ? mix : { ...mix, finish: { ...mix.finish, loudness } };
}
