import { MOST_PEAK, type Mix, type MixedPiece } from "../../core/sound/mix";
import { type Span } from "../../core/time/tracks";
import { TICKS_PER_SECOND, ticksOf } from "../../core/time/ticks";
import { SAFE_INPUT } from "../media/program";

/** How ffmpeg is asked for a sound: what it reads, and the graph that makes `[sound]` of it. */
export interface SoundInput {
  readonly input: readonly string[];
  readonly graph: string;
}

const RATE = 48_000;
const TICKS_PER_SAMPLE = TICKS_PER_SECOND / RATE;

/**
 * ffmpeg arguments that read the sounds of a mix and give what is heard: each in its place, gained and faded, exactly as
 * long as the promotion.
 *
 * @param fileOf where the file of a sound is
 * @param before how many inputs come before these
 */
export function soundInput({ track, length }: Mix, fileOf: (sound: string) => string, before: number): SoundInput {
  const samples = Math.round(ticksOf(length) / TICKS_PER_SAMPLE);
  const whole = `apad=whole_len=${samples},atrim=end_sample=${samples}`;
  if (track.length === 0)
    return {
      input: ["-f", "lavfi", "-i", `anullsrc=channel_layout=stereo:sample_rate=${RATE}`],
      graph: `[${before}:a]${whole}[sound]`,
    };
  const pieces = track.map((span, index) => `[${before + index}:a]${pieceFilter(span)}[piece${index}]`);
  const all = track.map((_, index) => `[piece${index}]`).join("");
  const joined = `${all}amix=inputs=${track.length}:duration=longest:normalize=0`;
  // Its delay by what it looks ahead is taken back.
  const limiter = `alimiter=limit=${(10 ** ((MOST_PEAK - 0.3) / 20)).toFixed(5)}:level=disabled:latency=1`;
  return {
    input: track.flatMap(({ what }) => [
      ...(what.isLooped ? ["-stream_loop", "-1"] : []),
      ...SAFE_INPUT,
      "-i",
      fileOf(what.sound),
    ]),
    graph: `${pieces.join(";")};${joined},${whole},${limiter}[sound]`,
  };
}

/** A piece by itself, silent until it begins. */
function pieceFilter({ from, to, what }: Span<MixedPiece>): string {
  const samples = Math.round((to - from) / TICKS_PER_SAMPLE);
  const seconds = (ms: number): string => (ms / 1000).toFixed(6);
  const fadesOutAt = samples / RATE - what.fadeOut / 1000;
  return [
    `aresample=${RATE}`,
    "aformat=sample_fmts=fltp:channel_layouts=stereo",
    `atrim=start=${seconds(what.from)}`,
    "asetpts=PTS-STARTPTS",
    `volume=${what.gain.toFixed(3)}dB`,
    `apad=whole_len=${samples}`,
    `atrim=end_sample=${samples}`,
    `afade=t=in:d=${seconds(what.fadeIn)}:curve=tri`,
    `afade=t=out:st=${fadesOutAt.toFixed(6)}:d=${seconds(what.fadeOut)}:curve=tri`,
    `adelay=delays=${Math.round(from / TICKS_PER_SAMPLE)}S:all=1`,
  ].join(",");
}
