import { join } from "node:path";
import { type ClipFacts } from "../../core/document/facts";
import { type FrameRate, frameCount } from "../../core/time/frames";
import { config } from "../config";
import { proxyKey, workKey } from "../storage/keys";
import { store } from "../storage/store";
import { type BroughtFile } from "./broughtFile";
import { type ClipLook, clipLook } from "./clipLook";
import { clipSubject } from "./clipSubject";
import { makePyramid } from "./pictureIngest";
import { type PictureLook, pictureLook } from "./pictureLook";
import { type Probed, type ProbedStream, checkEnd, probe } from "./probe";
import { writeFrame } from "./clipFrame";
import { ProgramFailed, SAFE_INPUT, runProgram } from "./program";
import { samplesPath, soundShape } from "./soundSamples";
import { UploadProblem } from "./uploadProblem";
import { workingRate } from "./workingRate";

export type IngestedClip = Omit<ClipFacts, "kind" | "id" | "name" | "focal"> &
  ClipLook & { readonly look: PictureLook };

const PROXY_SHORT_SIDE = 480;
const TIME_LIMIT_MS = 30 * 60_000;

/** Marks of BT.709, limited range: what every file we make carries. */
export const BT709 = [
  "-color_primaries",
  "bt709",
  "-color_trc",
  "bt709",
  "-colorspace",
  "bt709",
  "-color_range",
  "tv",
] as const;

/**
 * Makes the working copy (constant rate, square pixels, upright, 8-bit BT.709), a small proxy of the same frames with
 * short groups of pictures for exact seeking, and a poster. Throws an UploadProblem naming file and limit.
 */
export async function ingestClip(brought: BroughtFile, onProgress: (share: number) => void): Promise<IngestedClip> {
  const { path, type, sha256, name, folder } = brought;
  const probed = await probe(path, type, name);
  const picture = checkClip(probed, name);
  await checkEnd(path, type, picture.length, name);
  const rate = workingRate(picture.rate, picture.finestRate);
  const work = join(folder, "work.mp4");
  await transcode(brought, { ...probed, picture }, work, (share) => onProgress(share * 0.7));
  const made = await probe(work, { ...type, demuxer: "mov" }, name);
  if (!made.picture) throw new UploadProblem(`“${name}” holds no picture that can be read.`);
  // What is heard may go on after the last frame; the clip ends with its picture.
  const frames = made.picture.frames ?? frameCount(made.picture.length * 1000, rate);
  const seconds = (frames * rate.denominator) / rate.numerator;
  if (frames < 1)
    throw new UploadProblem(`“${name}” has no length: it is cut short or damaged. Export or copy it again.`);
  if (seconds < picture.length * 0.9 - 0.2)
    throw new UploadProblem(
      `“${name}” is cut short: ${seconds.toFixed(1)} s of ${picture.length.toFixed(1)} s can be read. Export or copy it again.`,
    );
  const proxy = join(folder, "proxy.mp4");
  await makeProxy(work, proxy, { rate, length: seconds }, (share) => onProgress(0.7 + share * 0.25));
  const poster = join(folder, "poster.png");
  await writeFrame({ path: work, rate }, Math.floor(frames * 0.4), "scale=in_color_matrix=bt709:in_range=tv", poster);
  const { levels } = await makePyramid(poster, { hasAlpha: false, hasHalfColor: true }, brought);
  const look = await pictureLook(poster);
  const moves = await clipLook(proxy);
  const { width, height } = made.picture;
  const subject = await clipSubject(proxy, { width, height, frames, rate, cuts: moves.cuts });
  const shape = probed.hasSound ? await soundShape(await samplesPath(brought), folder, 1) : null;
  await store().keep(workKey(sha256), work);
  await store().keep(proxyKey(sha256), proxy);
  return {
    width,
    height,
    frames,
    rate,
    hasSound: probed.hasSound,
    soundLevels: shape?.levels,
    levels,
    subject,
    ...moves,
    look,
  };
}

function checkClip(probed: Probed, name: string): NonNullable<Probed["picture"]> {
  const { LIMIT_CLIP_SECONDS, LIMIT_CLIP_PIXELS, LIMIT_CLIP_TRACKS } = config();
  if (!probed.picture || probed.picture.width === 0)
    throw new UploadProblem(`“${name}” holds no picture that can be read.`);
  if (probed.length > LIMIT_CLIP_SECONDS)
    throw new UploadProblem(
      `“${name}” lasts ${clock(probed.length)}; the limit is ${clock(LIMIT_CLIP_SECONDS)}. Cut out the part you need.`,
    );
  if (probed.tracks > LIMIT_CLIP_TRACKS)
    throw new UploadProblem(`“${name}” has ${probed.tracks} tracks; the limit is ${LIMIT_CLIP_TRACKS}.`);
  const { width, height } = probed.picture;
  if (width * height > LIMIT_CLIP_PIXELS)
    throw new UploadProblem(`“${name}” is ${width} × ${height} pixels; the limit is 4096 × 2304.`);
  return probed.picture;
}

function clock(seconds: number): string {
  if (seconds >= 3600) return `${Math.floor(seconds / 3600)} h ${Math.floor((seconds % 3600) / 60)} min`;
  return seconds >= 60 ? `${Math.floor(seconds / 60)} min` : `${Math.round(seconds)} s`;
}

/** Brings wide-range (HDR) pictures to the usual range; other pictures only to BT.709. */
function colorFilter({ transfer, matrix, width, height }: ProbedStream): string {
  // Where nothing is said, by size, as players do: what is smaller than HD was made for television as it was (BT.601).
  const from = matrix === undefined ? `in_color_matrix=${width >= 1280 || height >= 720 ? "bt709" : "smpte170m"}:` : "";
  const wide = transfer === "smpte2084" || transfer === "arib-std-b67";
  return wide
    ? "zscale=t=linear:npl=100,format=gbrpf32le,zscale=p=bt709,tonemap=hable:desat=0,zscale=t=bt709:m=bt709:r=tv,format=yuv420p"
    : `scale=${from}out_color_matrix=bt709:out_range=tv:flags=bicubic+accurate_rnd,format=yuv420p`;
}

async function transcode(
  { path, type, name }: BroughtFile,
  { picture, length }: Probed & { readonly picture: NonNullable<Probed["picture"]> },
  to: string,
  onProgress: (share: number) => void,
): Promise<void> {
  const rate = workingRate(picture.rate, picture.finestRate);
  const fps = `${rate.numerator}/${rate.denominator}`;
  const filter = `fps=${fps}:start_time=0,scale=trunc(iw*sar/2)*2:trunc(ih/2)*2:flags=bicubic,setsar=1,${colorFilter(picture)}`;
  const args = [
    "-v",
    "error",
    "-y",
    "-nostdin",
    ...SAFE_INPUT,
    "-f",
    type.demuxer,
    "-i",
    path,
    "-map",
    "0:v:0",
    "-map",
    "0:a:0?",
    "-sn",
    "-dn",
    "-map_metadata",
    "-1",
    "-vf",
    filter,
    "-c:v",
    "libx264",
    "-preset",
    "veryfast",
    // It is read for every format and every change: a quarter quicker, for a tenth more bytes.
    "-tune",
    "fastdecode",
    "-crf",
    "15",
    "-g",
    String(Math.max(1, Math.round(rate.numerator / rate.denominator / 2))),
    ...BT709,
    "-c:a",
    "aac",
    "-b:a",
    "192k",
    "-ar",
    "48000",
    "-ac",
    "2",
    "-movflags",
    "+faststart",
    "-progress",
    "pipe:1",
    to,
  ];
  await runProgram("ffmpeg", args, {
    timeLimitMs: TIME_LIMIT_MS,
    onLine: progressLines(length, onProgress),
  }).catch((error: unknown) => {
    if (error instanceof ProgramFailed)
      throw new UploadProblem(
        `“${name}” can't be read to its end: it is damaged or of a kind this machine can't decode. Export it as H.264 MP4.`,
      );
    throw error;
  });
}

async function makeProxy(
  work: string,
  to: string,
  { rate, length }: { readonly rate: FrameRate; readonly length: number },
  onProgress: (share: number) => void,
): Promise<void> {
  const scale = `scale='if(gt(iw,ih),-2,min(iw,${PROXY_SHORT_SIDE}))':'if(gt(iw,ih),min(ih,${PROXY_SHORT_SIDE}),-2)':flags=area`;
  const args = [
    "-v",
    "error",
    "-y",
    "-nostdin",
    ...SAFE_INPUT,
    "-i",
    work,
    "-an",
    "-vf",
    `${scale},format=yuv420p`,
    "-r",
    `${rate.numerator}/${rate.denominator}`,
    "-c:v",
    "libx264",
    "-preset",
    "veryfast",
    "-crf",
    "18",
    "-g",
    "8",
    "-bf",
    "0",
    "-sc_threshold",
    "0",
    ...BT709,
    "-movflags",
    "+faststart",
    "-progress",
    "pipe:1",
    to,
  ];
  await runProgram("ffmpeg", args, { timeLimitMs: TIME_LIMIT_MS, onLine: progressLines(length, onProgress) });
}

/** Reads ffmpeg's `-progress` lines. */
function progressLines(seconds: number, onProgress: (share: number) => void): (line: string) => void {
  return (line) => {
    const time = /^out_time_us=(\d+)$/.exec(line)?.[1];
    if (time && seconds > 0) onProgress(Math.min(1, Number(time) / 1e6 / seconds));
  };
}
