import { type FrameRate } from "../../core/time/frames";
import { BT709 } from "../media/clipIngest";

/** Bumped when the settings below change, so that stored segments are not mixed with new ones. */
export const ENCODER_VERSION = 1;

/** Bitstream settings shared by every segment, so that segments join without re-encoding. Closed groups of at most 2 s. */
export function encodeSettings(rate: FrameRate): string[] {
  const keyEvery = Math.round((2 * rate.numerator) / rate.denominator);
  return [
    "-an",
    "-vf",
    "scale=out_color_matrix=bt709:out_range=tv:flags=bicubic+accurate_rnd+full_chroma_int,format=yuv420p,setsar=1",
    ...["-c:v", "libx264", "-preset", "veryfast", "-profile:v", "high", "-crf", "19", "-threads", "2"],
    ...["-g", String(keyEvery), "-keyint_min", "1", "-x264-params", "open-gop=0"],
    ...BT709,
    ...["-video_track_timescale", String(rate.numerator * (rate.denominator === 1 ? 512 : 1))],
  ];
}
