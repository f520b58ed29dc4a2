import { median } from "../../core/median";
import { SAFE_INPUT, runProgram } from "./program";

/** How a clip moves. */
export interface ClipLook {
  /** Where one picture gives way to another, in milliseconds from the start. */
  readonly cuts: readonly number[];
  /** How much moves from frame to frame, 0 (still) to 1, on average between cuts. */
  readonly movement: number;
}

/** From here on a frame is another picture, whatever is around it. */
const CUT_SCORE = 0.3;
/** Between pictures that are alike it is less; then it must stand out this far from the frames around it. */
const QUIET_CUT = { score: 0.1, times: 8 } as const;
/** How many frames before and after that are. */
const AROUND = 15;

/** Reads cuts and movement from ffmpeg's scene score (`lavfi.scene_score`, 0 to 1) of a small copy. */
export async function clipLook(path: string): Promise<ClipLook> {
  const { stdout } = await runProgram(
    "ffmpeg",
    [
      "-v",
      "error",
      "-nostdin",
      ...SAFE_INPUT,
      "-i",
      path,
      "-an",
      "-vf",
      "scale=160:-2,select='gte(scene,0)',metadata=print:key=lavfi.scene_score:file=-",
      "-f",
      "null",
      "-",
    ],
    { timeLimitMs: 600_000 },
  );
  return readSceneScores(stdout);
}

/** Takes the printed scores apart: a line with the time, then one with the score. */
export function readSceneScores(report: string): ClipLook {
  const frames = [...report.matchAll(/pts_time:([\d.]+)\s*\n\s*lavfi\.scene_score=([\d.]+)/g)].map(
    ([, time, score]) => ({ time: Number(time), score: Number(score) }),
  );
  const isCut = frames.map(({ score, time }, at) => {
    if (time === 0 || score < QUIET_CUT.score) return false;
    const around = frames.slice(Math.max(0, at - AROUND), at + AROUND + 1).map((one) => one.score);
    return score >= CUT_SCORE || score >= QUIET_CUT.times * median(around);
  });
  const still = frames.filter((_, at) => !isCut[at]);
  const mean = still.reduce((sum, { score }) => sum + score, 0) / Math.max(1, still.length);
  // Scores of plain movement are small: 0.02 from frame to frame is a lively picture.
  return {
    cuts: frames.filter((_, at) => isCut[at]).map(({ time }) => Math.round(time * 1000)),
    movement: Number(Math.min(1, mean / 0.02).toFixed(2)),
  };
}
