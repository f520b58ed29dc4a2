import { type ClipFacts } from "../document/facts";
import { type ShotCut, usedOf } from "../document/shots";
import { type CutMedia, shotTrack } from "../scene/shotTrack";
import { type FrameRate } from "../time/frames";
import { type SceneSpan } from "../time/timeline";
import { type Ticks, ticks, ticksOf } from "../time/ticks";
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
    for (const { shots, level = usual } of slots)
      for (const shot of shotTrack(shots, span.end - span.start)) {
        const piece = level > 0 ? clipPiece(shot, { span, fades, level, length }) : null;
        if (!piece) continue;
        const key = [piece.from, piece.what.sound, piece.what.position, piece.what.speed].join("/");
        if (level > (heard.get(key)?.level ?? 0)) heard.set(key, { piece, level });
      }
    return [...heard.values()].map(({ piece }) => piece);
  });
}

const overlapAfter = (span: SceneSpan, next: SceneSpan | undefined): number =>
  next ? Math.max(0, span.end - next.start) : 0;

interface Within {
  readonly span: SceneSpan;
  /** How long the scene shares the screen with those beside it, in milliseconds. */
  readonly fades: { readonly in: number; readonly out: number };
  readonly level: number;
  readonly length: number;
}

/** A shot as it is heard; null where it has no sound. */
function clipPiece(shot: Span<CutMedia>, { span, fades, level, length }: Within): Span<MixedPiece> | null {
  const { media, cut } = shot.what;
  if (media.kind !== "clip" || !media.hasSound || cut.held !== undefined) return null;
  const { used, speed } = usedSamples(media, cut);
  const start = ticksOf(span.start);
  const from = ticks(start + shot.from);
  const sounds = ticksOf((((used.to - used.from) / Math.abs(speed)) * 1000) / SAMPLE_RATE);
  const to = ticks(Math.min(start + shot.to, from + sounds, ticksOf(length)));
  if (to <= from) return null;
  return {
    from,
    to,
    what: {
      sound: media.id,
      position: speed > 0 ? used.from : used.to - 1,
      speed,
      used,
      isLooped: false,
      levels: levelsOf({ from, to }, { span, fades, level }),
    },
  };
}

/** The levels of a piece: as its scene comes and goes, and softened where the piece itself begins and ends. */
function levelsOf(piece: Stretch, { span, fades, level }: Pick<Within, "span" | "fades" | "level">): LevelPoint[] {
  const scene = { from: ticksOf(span.start), to: ticksOf(span.end) };
  const own = { in: CUT_MS, out: CUT_MS };
  const turns = [scene.from + ticksOf(fades.in), scene.to - ticksOf(fades.out)];
  const ends = [piece.from, piece.from + ticksOf(CUT_MS), piece.to - ticksOf(CUT_MS), piece.to];
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
function shareAt(time: number, { from, to }: Stretch, fades: Within["fades"]): number {
  const coming = fades.in > 0 ? (time - from) / ticksOf(fades.in) : 1;
  const going = fades.out > 0 ? (to - time) / ticksOf(fades.out) : 1;
  return Math.max(0, Math.min(1, coming, going));
}

/** The samples of a clip that go with the frames that a shot uses, and how fast they pass. */
function usedSamples(
  clip: ClipFacts,
  cut: ShotCut,
): Pick<MixedPiece, "speed"> & { used: { from: number; to: number } } {
  const frames = usedOf(clip, cut);
  const speed = (cut.speed ?? 1) * (cut.reversed ? -1 : 1);
  return { speed, used: { from: ofFrame(frames.from, clip.rate), to: ofFrame(frames.to, clip.rate) } };
}

const ofFrame = (frame: number, { numerator, denominator }: FrameRate): number =>
  Math.round((frame * SAMPLE_RATE * denominator) / numerator);
