import { stat } from "node:fs/promises";
import { formatOf, formatTitle } from "../../core/placement/formats";
import { type Placement } from "../../core/placement/placements";
import { type PostWords, postProblems } from "../../core/post/postWords";
import { FILE_KINDS, type FileKindName } from "../../core/output/fileKinds";
import { RATES } from "../../core/output/rates";
import { SAFE_INPUT, runProgram } from "../../server/media/program";
import { array, number, object, string } from "yup";

const report = object({
  streams: array(
    object({
      codec_name: string().optional(),
      codec_type: string().optional(),
      width: number().optional(),
      height: number().optional(),
      avg_frame_rate: string().optional(),
    }),
  ).default([]),
  format: object({ duration: number().optional(), format_name: string().default("") }).required(),
});

/** Which kind of file has a picture encoded so. */
const KIND_OF: Readonly<Record<string, FileKindName>> = {
  ...{ h264: "mp4", hevc: "hevc", vp9: "webm", av1: "av1", png: "still", gif: "gif", webp: "webp" },
};
/** So much of a shape may be off, of 1. */
const SHAPE_OFF = 0.01;
const LEAST_SIDE = 480;

/** What is wrong with a post for a place, in words; none where it is taken. */
export async function checkPost(path: string, words: PostWords, placement: Placement): Promise<string[]> {
  return [...(await fileProblems(path, placement)), ...postProblems(words, placement)];
}

async function fileProblems(path: string, placement: Placement): Promise<string[]> {
  const { title: place, format, kinds, rates, longest, shortest, mostBytes } = placement;
  const { size } = await stat(path);
  const tooLarge = mostBytes !== null && size > mostBytes ? [`${size} bytes, and ${place} takes ${mostBytes}`] : [];
  const args = ["-v", "error", ...SAFE_INPUT, "-show_streams", "-show_format", "-of", "json", path];
  const probed = await runProgram("ffprobe", args, { timeLimitMs: 30_000 }).catch(() => null);
  if (!probed) return [...tooLarge, "The file can’t be read"];
  const { streams, format: container } = report.validateSync(JSON.parse(probed.stdout));
  const picture = streams.find(({ codec_type }) => codec_type === "video");
  if (!picture?.width || !picture.height) return [...tooLarge, "The file has no picture"];
  const kind = KIND_OF[picture.codec_name ?? ""];
  const problems = [...tooLarge];
  if (!kind || !kinds.includes(kind))
    problems.push(
      `${picture.codec_name ?? "unknown"}, and ${place} takes ${kinds.map((one) => FILE_KINDS[one].title).join("; ")}`,
    );
  const { width, height } = formatOf(format);
  const [ratio, asked] = [picture.width / picture.height, width / height];
  if (Math.abs(ratio / asked - 1) > SHAPE_OFF)
    problems.push(`${picture.width} × ${picture.height} is not ${formatTitle(format)}, which ${place} takes`);
  if (Math.min(picture.width, picture.height) < LEAST_SIDE)
    problems.push(`${picture.width} × ${picture.height} is too small: the shorter side has ${LEAST_SIDE} at least`);
  const isStill = kinds.every((one) => !FILE_KINDS[one].isMoving);
  if (isStill) return problems;
  const seconds = container.duration ?? 0;
  // A frame more or less nobody counts.
  if (longest !== null && seconds > longest + 0.1)
    problems.push(`${seconds.toFixed(1)} s, and ${place} takes ${longest} s`);
  if (shortest !== null && seconds < shortest - 0.1)
    problems.push(`${seconds.toFixed(1)} s, and ${place} takes no less than ${shortest} s`);
  const rate = fraction(picture.avg_frame_rate ?? "");
  const isTaken = rates.some((name) => Math.abs(RATES[name].numerator / RATES[name].denominator - rate) < 0.01);
  if (!isTaken) problems.push(`${rate.toFixed(2)} frames a second, and ${place} takes ${rates.join(", ")}`);
  if (!streams.some(({ codec_type }) => codec_type === "audio")) problems.push("The film has no sound track");
  return problems;
}

function fraction(text: string): number {
  const [numerator = 0, denominator = 1] = text.split("/").map(Number);
  return denominator === 0 ? 0 : numerator / denominator;
}
