import { ExecaError, execa } from "execa";
import { type SubjectPath } from "../../core/geometry/subjectPath";
import { SAMPLES_A_SECOND, type SampledPiece, followSubject } from "../../core/picture/subject/followSubject";
import { type SmallFrame } from "../../core/picture/subject/smallFrame";
import { type FrameRate } from "../../core/time/frames";
import { ProgramFailed, SAFE_INPUT, lastLines } from "./program";

/** The longer side of the frames that are looked at. */
const LONGER_SIDE = 96;
const TIME_LIMIT_MS = 10 * 60_000;

/** What is known of a clip before its subject is looked for. */
export interface MeasuredClip {
  readonly width: number;
  readonly height: number;
  readonly frames: number;
  readonly rate: FrameRate;
  /** Where another picture begins, in milliseconds. */
  readonly cuts: readonly number[];
}

/**
 * Where the subject of a clip is from frame to frame.
 *
 * @param path a file with all of its frames, one after the other
 * @param onProgress told how much of it was looked at, 0 to 1
 */
export async function clipSubject(
  path: string,
  clip: MeasuredClip,
  onProgress: (share: number) => void = () => undefined,
): Promise<SubjectPath> {
  const fps = clip.rate.numerator / clip.rate.denominator;
  const step = Math.max(1, Math.round(fps / SAMPLES_A_SECOND));
  const starts = startsOf(clip, fps);
  const pieces = starts.map((from): SampledPiece & { readonly frames: SmallFrame[] } => ({ from, frames: [] }));
  let at = 0;
  let piece = 0;
  for await (const frame of smallFrames(path, clip)) {
    while ((starts[piece + 1] ?? Infinity) <= at) piece++;
    if ((at - (starts[piece] ?? 0)) % step === 0) pieces[piece]?.frames.push(frame);
    at++;
    if (at % 50 === 0) onProgress(Math.min(1, at / clip.frames));
  }
  return followSubject(
    pieces.filter(({ frames }) => frames.length > 0),
    step,
  );
}

/** The first frame of each piece between cuts. */
const startsOf = ({ cuts, frames }: MeasuredClip, fps: number): number[] => [
  ...new Set([0, ...cuts.map((ms) => Math.round((ms * fps) / 1000)).filter((frame) => frame > 0 && frame < frames)]),
];

async function* smallFrames(path: string, { width, height }: MeasuredClip): AsyncGenerator<SmallFrame> {
  const scale = LONGER_SIDE / Math.max(width, height);
  const size = { width: Math.max(8, Math.round(width * scale)), height: Math.max(8, Math.round(height * scale)) };
  const bytes = size.width * size.height * 3;
  const child = execa(
    "ffmpeg",
    [
      ...["-v", "error", "-nostdin", ...SAFE_INPUT, "-i", path, "-an"],
      ...["-vf", `scale=${size.width}:${size.height}:flags=area:in_color_matrix=bt709:in_range=tv`],
      ...["-fps_mode", "passthrough", "-f", "rawvideo", "-pix_fmt", "rgb24", "pipe:1"],
    ],
    { stdin: "ignore", buffer: { stdout: false }, encoding: "buffer", timeout: TIME_LIMIT_MS, killSignal: "SIGKILL" },
  );
  let rest = Buffer.alloc(0);
  try {
    for await (const chunk of child.iterable({ binary: true })) {
      rest = Buffer.concat([rest, chunk]);
      for (; rest.length >= bytes; rest = rest.subarray(bytes))
        yield { ...size, rgb: Uint8Array.from(rest.subarray(0, bytes)) };
    }
    await child;
  } catch (error) {
    if (!(error instanceof ExecaError)) throw error;
    throw new ProgramFailed(`The subject could not be looked for: ${lastLines(error.message)}`);
  }
}
