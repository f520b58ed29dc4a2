import { type ClipFacts } from "../document/facts";
import { type ShotCut, meanSpeed, speedsOf, usedOf } from "../document/shots";
import { type CutMedia, shotTrack } from "../scene/shotTrack";
import { type FrameRate } from "../time/frames";
import { type SceneSpan } from "../time/timeline";
import { type Ticks, msOf, ticks, ticksOf } from "../time/ticks";
import { type Span, type Track } from "../time/tracks";
import { type LevelPoint, type MixedPiece } from "./mixedPiece";
import { SAMPLE_RATE, sampleAt } from "./samples";

/** What may be heard of a scene. */
export interface SoundingScene {
  readonly span: SceneSpan;
  /** What each of its slots shows, one after the other, and how loud that is: 1 is as loud as the clip itself. */
  readonly slots: readonly { readonly shots: readonly CutMedia[]; readonly level: number | undefined }[];
}

/** So short a fade is not heard, but spares the click that a wave makes where it is cut. */
const CUT_MS = 4;

/**
 * What is heard of the clips that scenes show: cut, as fast and as long as their pictures, faded over as the scenes are. A
 * frame that is held is silent, and so is what follows the end of a clip. The same stretch of a clip in two slots of a scene
 * is heard once.
 *
 * @param usual the level of what nobody gave one
 * @param length of the promotion, in milliseconds
 */
export function clipSounds(
  scenes: readonly SoundingScene[],
  { usual, length }: { readonly usual: number; readonly length: number },
): Track<MixedPiece> {
  return scenes.flatMap(({ span, slots }, index) => {
    const fades = { in: span.entered - span.start, out: overlapAfter(span, scenes[index + 1]?.span) };
    const heard = new Map<string, { readonly piece: Span<MixedPiece>; readonly level: number }>();
    for (const { shots, level = usual } of slots) {
      const track = shotTrack(shots, span.end - span.start);
      for (const [at, shot] of track.entries()) {
        const own = { in: sharedBy(track[at - 1], shot), out: sharedBy(shot, track[at + 1]) };
        const piece = level > 0 ? clipPiece(shot, { span, fades, own, level, length }) : null;
        if (!piece) continue;
        const { sound, position, speed, speedsUp, tempo } = piece.what;
        const key = [piece.from, sound, position, speed, speedsUp, tempo].join("/");
        if (level > (heard.get(key)?.level ?? 0)) heard.set(key, { piece, level });
      }
    }
    return [...heard.values()].map(({ piece }) => piece);
  });
}

const overlapAfter = (span: SceneSpan, next: SceneSpan | undefined): number =>
  next ? Math.max(0, span.end - next.start) : 0;

/** How long two shots are on screen together, in milliseconds: as long as a cut is softened at least. */
const sharedBy = (one: Span<CutMedia> | undefined, next: Span<CutMedia> | undefined): number =>
  one && next ? Math.max(CUT_MS, msOf(ticks(Math.max(0, one.to - next.from)))) : CUT_MS;

interface Fades {
  readonly in: number;
  readonly out: number;
}

interface Within {
  readonly span: SceneSpan;
  /** How long the scene shares the screen with those beside it, in milliseconds. */
  readonly fades: Fades;
  /** The same of the shot. */
  readonly own: Fades;
  readonly level: number;
  readonly length: number;
}

/** A shot as it is heard; null where it has no sound. */
function clipPiece(shot: Span<CutMedia>, { span, fades, own, level, length }: Within): Span<MixedPiece> | null {
  const { media, cut } = shot.what;
  if (media.kind !== "clip" || !media.hasSound || cut.held !== undefined) return null;
  const heard = heardOf(media, cut);
  const start = ticksOf(span.start);
  const from = ticks(start + shot.from);
  const sounds = ticksOf((heard.lasts * 1000) / SAMPLE_RATE);
  const to = ticks(Math.min(start + shot.to, from + sounds, ticksOf(length)));
  if (to <= from) return null;
  return {
    from,
    to,
    what: {
      sound: media.id,
      ...heard.piece,
      isLooped: false,
      levels: levelsOf({ from, to }, { span, fades, own, level }),
    },
  };
}

/** The levels of a piece: as its scene comes and goes, and softened where the piece itself begins and ends. */
function levelsOf(piece: Stretch, { span, fades, own, level }: Omit<Within, "length">): LevelPoint[] {
  const scene = { from: ticksOf(span.start), to: ticksOf(span.end) };
  const turns = [scene.from + ticksOf(fades.in), scene.to - ticksOf(fades.out)];
  const ends = [piece.from, piece.from + ticksOf(own.in), piece.to - ticksOf(own.out), piece.to];
  const times = [...turns, ...ends].filter((time) => time >= piece.from && time <= piece.to);
  return [...new Set(times)]
    .sort((one, other) => one - other)
    .map((time) => ({
      at: sampleAt(ticks(time - piece.from)),
      level: level * shareAt(time, scene, fades) * shareAt(time, piece, own),
    }));
}

interface Stretch {
  readonly from: Ticks;
  readonly to: Ticks;
}

/** How much of what comes and goes at the ends of a stretch is there at a time. @param fades in milliseconds */
function shareAt(time: number, { from, to }: Stretch, fades: Fades): number {
  const coming = fades.in > 0 ? (time - from) / ticksOf(fades.in) : 1;
  const going = fades.out > 0 ? (to - time) / ticksOf(fades.out) : 1;
  return Math.max(0, Math.min(1, coming, going));
}

type HeardOf = Pick<MixedPiece, "position" | "speed" | "speedsUp" | "tempo"> & {
  readonly used: { readonly from: number; readonly to: number };
};

/** The samples of a clip that go with the frames that a shot uses, how fast they pass, and how long that lasts in samples. */
function heardOf(clip: ClipFacts, cut: ShotCut): { readonly piece: HeardOf; readonly lasts: number } {
  const frames = usedOf(clip, cut);
  const own = { from: ofFrame(frames.from, clip.rate), to: ofFrame(frames.to, clip.rate) };
  const lasts = (own.to - own.from) / meanSpeed(cut);
  const { first, last } = speedsOf(cut);
  const way = cut.reversed ? -1 : 1;
  // What has been made as fast as it is to be passes sample by sample.
  const tempo = cut.pitchKept && first === last && first !== 1 ? first : undefined;
  const used = tempo === undefined ? own : { from: Math.round(own.from / tempo), to: Math.round(own.to / tempo) };
  return {
    lasts,
    piece: {
      position: way > 0 ? used.from : used.to - 1,
      speed: way * (tempo === undefined ? first : 1),
      used,
      ...(first === last ? {} : { speedsUp: (way * (last - first)) / lasts }),
      ...(tempo === undefined ? {} : { tempo }),
    },
  };
}

const ofFrame = (frame: number, { numerator, denominator }: FrameRate): number =>
  Math.round((frame * SAMPLE_RATE * denominator) / numerator);
