import { stat } from "node:fs/promises";
import { array, number, object, string } from "yup";
import { type SniffedType } from "./sniff";
import { ProgramFailed, SAFE_INPUT, runProgram } from "./program";
import { UploadProblem } from "./uploadProblem";

const stream = object({
  codec_type: string().default(""),
  codec_name: string().default("unknown"),
  width: number().default(0),
  height: number().default(0),
  avg_frame_rate: string().default("0/0"),
  r_frame_rate: string().default("0/0"),
  color_transfer: string().optional(),
  color_space: string().optional(),
  duration: number().optional(),
  nb_frames: number().optional(),
  tags: object({ DURATION: string().optional() }).default({}),
  disposition: object({ attached_pic: number().default(0) }).default({ attached_pic: 0 }),
  side_data_list: array(object({ rotation: number().optional() })).optional(),
});
const report = object({
  streams: array(stream.required()).default([]),
  format: object({ duration: number().optional() }).default({}),
});

export interface ProbedStream {
  readonly codec: string;
  readonly width: number;
  readonly height: number;
  /** Frames a second, on average; and the least with which every frame falls on a step of its own. */
  readonly rate: number;
  readonly finestRate: number;
  readonly transfer: string | undefined;
  /** The matrix that its colours are said to be written with; undefined where nothing is said. */
  readonly matrix: string | undefined;
  /** Seconds that the picture itself lasts; that of the file where its own is not told. */
  readonly length: number;
  /** How many frames it says it has. */
  readonly frames: number | undefined;
}
export interface Probed {
  readonly tracks: number;
  /** Seconds. */
  readonly length: number;
  readonly picture: ProbedStream | null;
  readonly hasSound: boolean;
}

/** What ffprobe says of a file. Throws an UploadProblem, naming the file, when it can't be read. */
export async function probe(path: string, type: SniffedType, name: string): Promise<Probed> {
  const args = ["-v", "error", ...SAFE_INPUT, "-f", type.demuxer, "-show_streams", "-show_format", "-of", "json", path];
  const { stdout } = await runProgram("ffprobe", args, { timeLimitMs: 60_000 }).catch((error: unknown) => {
    if (error instanceof ProgramFailed)
      throw new UploadProblem(`“${name}” is cut short or damaged: its index can't be read. Export or copy it again.`);
    throw error;
  });
  const parsed: unknown = JSON.parse(stdout);
  const { streams, format } = report.validateSync(parsed);
  const picture = streams.find((one) => one.codec_type === "video" && one.disposition.attached_pic === 0);
  const length = format.duration ?? Math.max(0, ...streams.map((one) => lengthOf(one) ?? 0));
  return {
    tracks: streams.length,
    length,
    picture: picture
      ? {
          codec: picture.codec_name,
          width: picture.width,
          height: picture.height,
          rate: fraction(picture.avg_frame_rate) || fraction(picture.r_frame_rate),
          finestRate: fraction(picture.r_frame_rate) || fraction(picture.avg_frame_rate),
          transfer: picture.color_transfer,
          matrix: picture.color_space === "unknown" ? undefined : picture.color_space,
          length: lengthOf(picture) ?? length,
          frames: picture.nb_frames,
        }
      : null,
    hasSound: streams.some((one) => one.codec_type === "audio"),
  };
}

/** How long a track lasts: MP4 says it of the track, Matroska in a tag (`00:00:05.040000000`). */
function lengthOf({
  duration,
  tags,
}: {
  readonly duration?: number | undefined;
  readonly tags: { DURATION?: string | undefined };
}): number | undefined {
  if (duration !== undefined) return duration;
  const [, hours, minutes, seconds] = /^(\d+):(\d+):([\d.]+)$/.exec(tags.DURATION ?? "") ?? [];
  return seconds === undefined ? undefined : Number(hours) * 3600 + Number(minutes) * 60 + Number(seconds);
}

/**
 * Checks, before anything is decoded, that a file holds the end that its index promises. Throws an UploadProblem where it
 * was cut short; containers without an index are told by decoding them.
 */
export async function checkEnd(path: string, { demuxer }: SniffedType, length: number, name: string): Promise<void> {
  if (demuxer !== "mov" || length < 2) return;
  const args = ["-v", "error", ...SAFE_INPUT, "-f", demuxer, "-select_streams", "v:0"];
  const last = [
    "-read_intervals",
    `${(length - 1).toFixed(3)}%`,
    "-show_entries",
    "packet=pos,size",
    "-of",
    "csv=p=0",
    path,
  ];
  const { stdout } = await runProgram("ffprobe", [...args, ...last], { timeLimitMs: 60_000 });
  const { size: whole } = await stat(path);
  const ends = stdout
    .trim()
    .split("\n")
    .map((line) => line.split(",").slice(0, 2).map(Number))
    .map(([size = NaN, at = NaN]) => size + at);
  if (!ends.some((end) => end <= whole))
    throw new UploadProblem(`“${name}” is cut short: its end is not in the file. Export or copy it again.`);
}

function fraction(text: string): number {
  const [over = 0, under = 0] = text.split("/").map(Number);
  return under > 0 ? over / under : 0;
}
