import { ticks, type Ticks } from "../time/ticks";
import { type Finish } from "./finish";
import { type Span, type Track } from "../time/tracks";
import { sampleAt } from "./samples";

/** A level at a sample counted from where a piece begins: a linear factor. Between two it changes evenly. */
export interface LevelPoint {
  readonly at: number;
  readonly level: number;
}

/** A piece of sound as it is heard. */
export interface MixedPiece {
  /** The piece on the lanes that it is, by its id; not there for what is heard of a clip. */
  readonly piece?: string | undefined;
  /** The media item whose sound it is: a sound, or a clip. */
  readonly sound: string;
  /** The sample of it that is heard first, counted in the sound; between two where it is a fraction. */
  readonly position: number;
  /** How many samples of it pass with each that is heard; backwards where there are less than none. */
  readonly speed: number;
  /** By how much that changes with each sample; not there where it stays. */
  readonly speedsUp?: number | undefined;
  /** How many times as fast it is made before it is heard, as high as it was; positions count in what comes out. */
  readonly tempo?: number | undefined;
  /** How it is worked on before it is heard, by its name (see `treatment.ts`); not there where it is as it is. */
  readonly treated?: string | undefined;
  /** The samples of it that are used: from one on, up to and without another; to its end where that is null. */
  readonly used: { readonly from: number; readonly to: number | null };
  /** Whether it begins again where what is used of it ends; else silence follows. */
  readonly isLooped: boolean;
  /** In order; before the first and after the last nothing is heard. */
  readonly levels: readonly LevelPoint[];
}

/** What is heard over time, and how long the whole lasts in milliseconds. */
export interface Mix {
  readonly track: Track<MixedPiece>;
  readonly length: number;
  /** What is done with the whole. */
  readonly finish: Finish;
}

/** The file that the samples of a sound are in, made as it is heard. */
export function samplesFile({ tempo, treated }: Omit<SoundVersion, "sound">): string {
  if (treated !== undefined) return `samples-${treated}`;
  return tempo === undefined ? "samples" : `samples-x${tempo}`;
}

/** A sound as it is made to be heard, by one name for who keeps several: where it lies among the files of media. */
export const soundName = (version: SoundVersion): string => `${version.sound}/${samplesFile(version)}`;

/** What of a piece says which samples it needs made. */
export type SoundVersion = Pick<MixedPiece, "sound" | "tempo" | "treated">;

/** Which sample of its sound is heard at a sample of a piece: at a speed that changes evenly, as far as v·n + a·n² / 2. */
export const positionAt = ({ position, speed, speedsUp = 0 }: MixedPiece, at: number): number =>
  position + speed * at + (speedsUp * at * at) / 2;

/** The linear factor that a piece is heard with at a time of the promotion; none outside its span. */
export function levelAt({ from, to, what }: Span<MixedPiece>, time: Ticks): number {
  if (time < from || time > to) return 0;
  const at = sampleAt(ticks(time - from));
  const after = what.levels.findIndex((point) => point.at >= at);
  const [before, next] = [what.levels[after - 1], what.levels[after]];
  if (!next) return 0;
  if (!before) return next.at === at ? next.level : 0;
  return before.level + ((next.level - before.level) * (at - before.at)) / (next.at - before.at);
}
