import { type FrameRate } from "../../core/time/frames";
import { BT709 } from "../media/clipIngest";

/** Bumped when the settings below change, so that stored segments are not mixed with new ones. */
export const ENCODER_VERSION = 3;

/**
 * Settings shared by every segment, so that segments join without re-encoding. Closed groups of at most 2 s.
 *
 * @param filter what ffmpeg makes of the frames first: nothing but saying that their pixels are square
 * @param threads of the encoder. Segments are encoded side by side, by one each: two take a twentieth more of the processor
 */
export function encodeSettings(rate: FrameRate, { filter = "setsar=1", threads = 1 } = {}): string[] {
  const keyEvery = Math.round((2 * rate.numerator) / rate.denominator);
  return [
    "-an",
    ...["-vf", filter],
    ...["-c:v", "libx264", "-preset", "veryfast", "-profile:v", "high", "-crf", "19", "-threads", String(threads)],
    ...["-g", String(keyEvery), "-keyint_min", "1", "-x264-params", "open-gop=0"],
    ...BT709,
    ...["-video_track_timescale", String(rate.numerator * (rate.denominator === 1 ? 512 : 1))],
  ];
}
