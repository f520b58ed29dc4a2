import { writeFile } from "node:fs/promises";
import { join } from "node:path";
import { writeSrt } from "../../core/captions/writeCaptions";
import { captionsIn } from "../../core/document/captionsPart";
import { type FileKindName } from "../../core/output/fileKinds";
import { type Output } from "../../core/output/output";
import { type FrameRate } from "../../core/time/frames";
import { SAMPLE_RATE } from "../../core/sound/samples";
import { BT709 } from "../media/clipIngest";
import { SAFE_INPUT, runProgram } from "../media/program";
import { type RenderInput } from "./renderInput";
import { SOUND_FORMAT } from "./soundFile";
import { AAC, SOUND_BITS } from "./soundTrack";
import { type Budget, withinBytes } from "./withinBytes";

const TIME_LIMIT_MS = 1_800_000;
/** Loops move less often than films: every frame is a picture of its own in them. Whole hundredths of a second, as GIF counts. */
const LOOP_RATE: FrameRate = { numerator: 25, denominator: 2 };
/** Loops are shown small; their longer side has no more pixels than that. */
const LOOP_SIDE = 720;

/** What is heard in a file, as a local file that is made when it is asked for. */
export interface PackedSound {
  /** As `writeSound` writes it. */
  samples(): Promise<string>;
  /** As AAC at the usual rate. */
  track(): Promise<string>;
}

/** What a file is made from: segments that were painted and encoded, and the sound of the whole. */
export interface Packed {
  /** A file that names the segments in order, as ffmpeg's concat reads it. */
  readonly list: string;
  readonly sound: PackedSound;
  readonly input: RenderInput;
  readonly output: Output;
  readonly rate: FrameRate;
  readonly seconds: number;
  /** A folder for what is needed on the way. */
  readonly folder: string;
  readonly path: string;
}

/**
 * Makes a file of finished segments and their sound. What is H.264 already is joined as it is; all other kinds are encoded
 * from it, so that nothing is painted again. A file with a limit of bytes is under it. Throws a Refusal where that can't be.
 */
export async function packFile(packed: Packed, signal: AbortSignal): Promise<void> {
  const { output } = packed;
  const captions = await captionsFile(packed);
  const plainly = async (): Promise<void> => {
    await run(packed, captions, signal, PICTURE[output.kind](packed, null), await soundOf(packed, SOUND_BITS));
  };
  if (output.mostBytes === null) return plainly();
  const { kind, mostBytes } = output;
  if (!isLimited(kind)) return plainly();
  const budgeted = async ({ picture, sound }: Budget): Promise<void> => {
    for (const pass of PASSES[kind]) {
      const rated = PICTURE[kind](packed, { bits: picture, pass });
      if (pass === 1) await run(packed, captions, signal, [...rated, "-f", "null"], null);
      else await run(packed, captions, signal, rated, await soundOf(packed, sound));
    }
  };
  return withinBytes({ path: packed.path, mostBytes, seconds: packed.seconds, plainly, budgeted });
}

type Limited = "mp4" | "hevc" | "webm" | "av1";
const isLimited = (kind: FileKindName): kind is Limited => kind in PASSES;
/** A first pass over the whole finds where bits are needed; an encoder without one is given one pass. */
const PASSES: Readonly<Record<Limited, readonly (1 | 2 | null)[]>> = {
  mp4: [1, 2],
  hevc: [1, 2],
  webm: [1, 2],
  av1: [null],
};

interface Rated {
  /** Bits a second. */
  readonly bits: number;
  readonly pass: 1 | 2 | null;
}

const log = ({ folder }: Packed): string => join(folder, "passes");
const passOf = (packed: Packed, { pass }: Rated): string[] =>
  pass === null ? [] : ["-pass", String(pass), "-passlogfile", log(packed)];
const groupOf = ({ rate }: Packed): string[] => ["-g", String(Math.round((2 * rate.numerator) / rate.denominator))];
const rated = ({ bits }: Rated): string[] => ["-b:v", String(bits)];
/** Players with little room in front of them must not run dry: no second takes much more than its share. */
const even = ({ bits }: Rated): string[] => ["-maxrate", String(Math.round(bits * 1.6)), "-bufsize", String(bits * 2)];
const loop = (filter: string): string[] => {
  const { numerator, denominator } = LOOP_RATE;
  const smaller = `scale=w='min(iw,${LOOP_SIDE})':h='min(ih,${LOOP_SIDE})':force_original_aspect_ratio=decrease`;
  return ["-vf", `fps=${numerator}/${denominator},${smaller}${filter}`, "-loop", "0"];
};

/** No dots: flat colours stay flat, which is nearer to the film, moves less from frame to frame, and takes fewer bytes. */
const DITHER = "dither=none";

/** How the picture of each kind is made, to a rate of bits where there is one, else to a quality that stays. */
const PICTURE: Readonly<Record<FileKindName, (packed: Packed, to: Rated | null) => string[]>> = {
  mp4: (packed, to) =>
    to === null
      ? ["-c:v", "copy"]
      : [
          ...["-c:v", "libx264", "-preset", "medium", "-profile:v", "high", "-x264-params", "open-gop=0"],
          ...[...groupOf(packed), ...BT709, ...rated(to), ...even(to), ...passOf(packed, to)],
        ],
  hevc: (packed, to) => [
    ...["-c:v", "libx265", "-preset", "fast", "-tag:v", "hvc1", ...groupOf(packed), ...BT709],
    ...["-x265-params", ["log-level=error", ...(to?.pass ? [`pass=${to.pass}:stats=${log(packed)}`] : [])].join(":")],
    ...(to === null ? ["-crf", "23"] : [...rated(to), ...even(to)]),
  ],
  webm: (packed, to) => [
    ...["-c:v", "libvpx-vp9", "-row-mt", "1", "-deadline", "good", "-cpu-used", "4", ...groupOf(packed), ...BT709],
    ...(to === null ? ["-crf", "31", "-b:v", "0"] : [...rated(to), ...even(to), ...passOf(packed, to)]),
  ],
  av1: (packed, to) => [
    ...["-c:v", "libsvtav1", "-preset", "9", ...groupOf(packed), ...BT709],
    ...(to === null ? ["-crf", "33"] : ["-svtav1-params", "rc=1", ...rated(to)]),
  ],
  // At 72, frames at the joints of segments were less like those of a loop made in one go (SSIM 0.99498) than films' are.
  webp: () => [...loop(""), "-c:v", "libwebp_anim", "-quality", "84", "-compression_level", "4"],
  gif: () => loop(`,split[all][some];[some]palettegen=stats_mode=diff[few];[all][few]paletteuse=${DITHER}`),
  still: () => [],
  sound: () => [],
};

/** How a file gets its sound: what ffmpeg reads, and what it makes of that. */
interface SoundArguments {
  readonly input: readonly string[];
  readonly settings: readonly string[];
}

/** @param bits a second */
async function soundOf({ output: { kind }, sound }: Packed, bits: number): Promise<SoundArguments | null> {
  if (kind === "webp" || kind === "gif") return null;
  const isOpus = kind === "webm" || kind === "av1";
  if (!isOpus && bits === SOUND_BITS) return { input: ["-i", await sound.track()], settings: ["-c:a", "copy"] };
  const input = [...leadOf(kind), ...SOUND_FORMAT, "-i", await sound.samples()];
  const rate = ["-b:a", String(bits)];
  // Without its mark WebM names the encoder; AAC, which does not, is made a little worse by it.
  const opus = ["-c:a", "libopus", "-ar", "48000", "-ac", "2", "-flags:a", "+bitexact"];
  return { input, settings: [...(isOpus ? opus : AAC), ...rate] };
}

/**
 * What Opus has before the first sound, 312 samples, is told to players as a delay that they take off again (RFC 7845, 4.2).
 * ffmpeg's WebM does not put that delay onto the times that it writes: it would show all pictures 7 ms late.
 */
const leadOf = (kind: FileKindName): string[] =>
  kind === "webm" || kind === "av1" ? ["-itsoffset", String(312 / SAMPLE_RATE)] : [];

/** The container of each kind, by ffmpeg's name for it. */
const CONTAINER: Readonly<Record<FileKindName, readonly string[]>> = {
  mp4: ["-movflags", "+faststart", "-f", "mp4"],
  hevc: ["-movflags", "+faststart", "-f", "mp4"],
  webm: ["-f", "webm"],
  av1: ["-f", "webm"],
  webp: ["-f", "webp"],
  gif: ["-f", "gif"],
  still: [],
  sound: ["-movflags", "+faststart", "-f", "mp4"],
};

/** Captions that go into the file, as a file of their own; null where none do. */
async function captionsFile({ input, output: { kind, captions }, folder }: Packed): Promise<string | null> {
  if (captions === null || !isLimited(kind)) return null;
  const cues = captionsIn(input.document.captions, captions);
  if (cues.length === 0) return null;
  const path = join(folder, "captions.srt");
  await writeFile(path, writeSrt(cues));
  return path;
}

/** Runs ffmpeg from segments and sound to the file, with what is asked of picture and sound. */
async function run(
  { list, input, output: { kind, captions: language }, path }: Packed,
  captions: string | null,
  signal: AbortSignal,
  picture: readonly string[],
  sound: SoundArguments | null,
): Promise<void> {
  // What only measures writes nothing, and carries nothing.
  const isMeasuring = picture.includes("null");
  const takesPicture = kind !== "sound";
  const takesCaptions = captions !== null && language !== null && !isMeasuring;
  const inputs = [
    ...(takesPicture ? ["-f", "concat", "-safe", "0", "-i", list] : []),
    ...(sound?.input ?? []),
    ...(takesCaptions ? ["-f", "srt", "-i", captions] : []),
  ];
  const soundAt = takesPicture ? 1 : 0;
  const maps = [
    ...(takesPicture ? ["-map", "0:v:0"] : []),
    ...(sound ? ["-map", `${soundAt}:a:0`] : []),
    ...(takesCaptions
      ? ["-map", `${soundAt + 1}:s:0`, "-c:s", kind === "webm" || kind === "av1" ? "webvtt" : "mov_text"]
      : []),
    ...(takesCaptions ? ["-metadata:s:s:0", `language=${threeLetters(language)}`] : []),
  ];
  // What made it, and on which machine, is nobody's business: what it is called, is.
  const about = ["-map_metadata", "-1", "-fflags", "+bitexact", "-flags:v", "+bitexact"];
  const named = isMeasuring ? [] : ["-metadata", `title=${input.document.name}`];
  await runProgram(
    "ffmpeg",
    [
      ...["-v", "error", "-y", "-nostdin", ...SAFE_INPUT],
      ...[...inputs, ...maps, ...picture, ...(sound?.settings ?? ["-an"]), ...about, ...named],
      ...(isMeasuring ? ["-"] : [...CONTAINER[kind], path]),
    ],
    { timeLimitMs: TIME_LIMIT_MS, signal },
  );
}

/** A language as films name it (ISO 639-2); "und" for one that has no such name here. */
function threeLetters(language: string): string {
  const [two = ""] = language.toLowerCase().split("-");
  return ISO_639_2[two] ?? (/^[a-z]{3}$/.test(two) ? two : "und");
}
/** The languages that films are most often in; of two codes that ISO 639-2 has for one, the terminological. */
const ISO_639_2: Readonly<Record<string, string>> = {
  ...{ ar: "ara", bg: "bul", ca: "cat", cs: "ces", cy: "cym", da: "dan", de: "deu", el: "ell", en: "eng", es: "spa" },
  ...{ et: "est", eu: "eus", fa: "fas", fi: "fin", fr: "fra", ga: "gle", gl: "glg", he: "heb", hi: "hin", hr: "hrv" },
  ...{ hu: "hun", id: "ind", is: "isl", it: "ita", ja: "jpn", ko: "kor", lt: "lit", lv: "lav", nb: "nob", nl: "nld" },
  ...{ no: "nor", pl: "pol", pt: "por", ro: "ron", ru: "rus", sk: "slk", sl: "slv", sr: "srp", sv: "swe", ta: "tam" },
  ...{ th: "tha", tr: "tur", uk: "ukr", ur: "urd", vi: "vie", zh: "zho" },
};
