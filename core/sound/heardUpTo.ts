import { type Loudness, MOMENT_MS, MOMENT_STEP_MS, integratedOf } from "./loudness";

/**
 * What a meter shows at a time of what plays: the 400 ms that end there and all up to there, in LUFS; null for silence and
 * before 400 ms were heard.
 *
 * @param time in milliseconds
 */
export function heardUpTo(
  { moments }: Pick<Loudness, "moments">,
  time: number,
): { readonly moment: number | null; readonly integrated: number | null } {
  const count = Math.floor((time - MOMENT_MS) / MOMENT_STEP_MS) + 1;
  const moment = moments[count - 1] ?? -Infinity;
  return {
    moment: Number.isFinite(moment) ? moment : null,
    integrated: integratedOf(moments.slice(0, Math.max(0, count))),
  };
}
