import { createHash } from "node:crypto";
import { join } from "node:path";
import { type Mix } from "../../core/sound/mixedPiece";
import { neededSamples } from "../../core/sound/mixSamples";
import { runProgram } from "../media/program";
import { soundTrackKey } from "../storage/keys";
import { store } from "../storage/store";
import { inWorkFolder } from "../workFolder";
import { SOUND_FORMAT, writeSound } from "./soundFile";
import { soundFiles } from "./soundFiles";
import { type RenderInput } from "./renderInput";

/** The usual rate of a file's sound, in bits a second. */
export const SOUND_BITS = 192_000;
/** How sound is encoded that films of H.264 or HEVC have. */
export const AAC = ["-c:a", "aac", "-profile:a", "aac_low", "-ar", "48000", "-ac", "2"] as const;
const TIME_LIMIT_MS = 600_000;
/** Bumped whenever the same mix would sound or be encoded otherwise, so that stored tracks are not used again. */
const SOUND_VERSION = 1;

/** What is heard in a file: a mix, and how many samples of it. */
export interface HeardSound {
  readonly input: RenderInput;
  readonly mix: Mix;
  readonly count: number;
}

/** By their keys. Files of one render ask for the same track at about the same time: it is encoded once. */
const underWay = new Map<string, Promise<void>>();

/**
 * A local file with what is heard, as AAC at the usual rate. It is kept in the store by a hash over all that decides it, as
 * segments of the picture are: the formats of a promotion sound alike, and encoding takes longer than joining them.
 */
export async function soundTrack(heard: HeardSound, signal: AbortSignal): Promise<string> {
  const key = soundTrackKey(hashOf(heard));
  if (!(await store().has(key))) await encodeOnce(key, heard);
  signal.throwIfAborted();
  return store().local(key);
}

function hashOf({ input, mix, count }: HeardSound): string {
  const sounds = [...neededSamples(mix).values()].map(({ version }) => [version, input.hashes[version.sound]]);
  return createHash("sha256")
    .update(JSON.stringify([SOUND_VERSION, SOUND_BITS, mix, count, sounds]))
    .digest("hex");
}

function encodeOnce(key: string, heard: HeardSound): Promise<void> {
  const encoding = underWay.get(key) ?? encodeAndKeep(key, heard).finally(() => underWay.delete(key));
  underWay.set(key, encoding);
  return encoding;
}

async function encodeAndKeep(key: string, heard: HeardSound): Promise<void> {
  await inWorkFolder("sound", async (folder) => {
    const track = join(folder, "sound.m4a");
    await encodeTrack(await writeHeard(join(folder, "sound.f32"), heard), track);
    await store().keep(key, track);
  });
}

/** Writes the samples of what is heard to a file, and gives its path. */
export async function writeHeard(path: string, { input, mix, count }: HeardSound): Promise<string> {
  await writeSound(path, mix, { fileOf: soundFiles(input), count });
  return path;
}

/** Encodes what `writeSound` wrote as AAC at the usual rate. */
export async function encodeTrack(samples: string, to: string): Promise<void> {
  const bits = ["-b:a", String(SOUND_BITS)];
  const args = ["-v", "error", "-y", "-nostdin", ...SOUND_FORMAT, "-i", samples, ...AAC, ...bits, "-f", "mp4", to];
  await runProgram("ffmpeg", args, { timeLimitMs: TIME_LIMIT_MS });
}
