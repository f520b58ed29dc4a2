import { type MixPlan, MOST_PEAK } from "../../core/sound/mixPlan";
import { SAFE_INPUT } from "../media/program";

/** How ffmpeg is asked for a sound: what it reads, and what it does with it. */
export interface SoundInput {
  readonly input: readonly string[];
  readonly filter: string;
}

/** ffmpeg arguments that read a tune and give the finished bed: gained, faded, exactly as long as the promotion. */
export function soundInput(tune: string | null, plan: MixPlan | null, length: number): SoundInput {
  const seconds = (length / 1000).toFixed(6);
  if (!tune || !plan)
    return {
      input: ["-f", "lavfi", "-i", "anullsrc=channel_layout=stereo:sample_rate=48000"],
      filter: `atrim=duration=${seconds}`,
    };
  const fadeOut = ((plan.length - plan.fadeOut) / 1000).toFixed(6);
  const filter = [
    "aresample=48000",
    "aformat=sample_fmts=fltp:channel_layouts=stereo",
    `volume=${plan.gain.toFixed(3)}dB`,
    "apad",
    `atrim=duration=${seconds}`,
    `afade=t=in:d=${(plan.fadeIn / 1000).toFixed(6)}:curve=tri`,
    `afade=t=out:st=${fadeOut}:d=${(plan.fadeOut / 1000).toFixed(6)}:curve=tri`,
    `alimiter=limit=${(10 ** ((MOST_PEAK - 0.3) / 20)).toFixed(5)}:level=disabled`,
  ].join(",");
  return { input: [...SAFE_INPUT, "-i", tune], filter };
}
