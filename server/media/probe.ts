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
  duration: number().optional(),
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
  readonly rate: number;
  readonly transfer: string | undefined;
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
  return {
    tracks: streams.length,
    length: format.duration ?? Math.max(0, ...streams.map((one) => one.duration ?? 0)),
    picture: picture
      ? {
          codec: picture.codec_name,
          width: picture.width,
          height: picture.height,
          rate: fraction(picture.avg_frame_rate) || fraction(picture.r_frame_rate),
          transfer: picture.color_transfer,
        }
      : null,
    hasSound: streams.some((one) => one.codec_type === "audio"),
  };
}

function fraction(text: string): number {
  const [over = 0, under = 0] = text.split("/").map(Number);
  return under > 0 ? over / under : 0;
}
