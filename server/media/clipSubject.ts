import { type SubjectPath } from "../../core/geometry/subjectPath";
import { SAMPLES_A_SECOND, type SampledPiece, followSubject } from "../../core/picture/subject/followSubject";
import { type SmallFrame } from "../../core/picture/subject/smallFrame";
import { type FrameRate, frameCount } from "../../core/time/frames";
import { readClip, readableSize } from "../render/clipReader";
import { ProgramFailed } from "./program";

/** The longer side of the frames that are looked at. */
const LONGER_SIDE = 96;

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
  const scale = LONGER_SIDE / Math.max(clip.width, clip.height);
  const size = readableSize({ width: clip.width * scale, height: Math.max(8, clip.height * scale) });
  const reader = readClip({ path, rate: clip.rate, frames: clip.frames, ...size });
  const pieces: SampledPiece[] = [];
  const starts = startsOf(clip);
  try {
    for (const [piece, from] of starts.entries()) {
      const frames: SmallFrame[] = [];
      for (let at = from; at < (starts[piece + 1] ?? clip.frames); at += step) {
        const rgba = await reader.frame(at);
        if (!rgba) throw new ProgramFailed("The subject could not be looked for: the clip can't be read.");
        frames.push({ ...size, rgb: withoutAlpha(rgba) });
        onProgress(at / clip.frames);
      }
      pieces.push({ from, frames });
    }
  } finally {
    reader.stop();
  }
  return followSubject(pieces, step);
}

/** The first frame of each piece between cuts. */
const startsOf = ({ cuts, frames, rate }: MeasuredClip): number[] => [
  ...new Set([0, ...cuts.map((ms) => frameCount(ms, rate)).filter((frame) => frame > 0 && frame < frames)]),
];

const withoutAlpha = (rgba: Uint8ClampedArray): Uint8Array => Uint8Array.from(rgba.filter((_, at) => at % 4 !== 3));
