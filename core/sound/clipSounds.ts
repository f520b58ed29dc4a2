import { type ClipFacts } from "../document/facts";
import { type ShotCut, meanSpeed, speedsOf, usedOf } from "../document/shots";
import { type CutMedia, shotTrack } from "../scene/shotTrack";
import { type FrameRate } from "../time/frames";
import { type SceneSpan } from "../time/timeline";
import { type Ticks, msOf, ticks, ticksOf } from "../time/ticks";
import { type Span, type Track } from "../time/tracks";
import { type Envelope, fadedEnds, pointsOf, steady } from "./envelope";
import { type FadeCurve } from "./fadeCurves";
import { type MixedPiece } from "./mixedPiece";
import { SAMPLE_RATE, sampleAt, samplesIn } from "./samples";

/** What may be heard of a scene. */
export interface SoundingScene {
  readonly span: SceneSpan;
  /** What each of its slots shows, one after the other, and how loud that is: 1 is as loud as the clip itself. */
  readonly slots: readonly { readonly shots: readonly CutMedia[]; readonly level: number | undefined }[];
}

/** So short a fade is not heard, but spares the click that a wave makes where it is cut. */
const CUT_MS = 4;

/**
 * What is heard of the clips that scenes show: cut, as fast and as long as their pictures, faded over at equal power as the
 * scenes are. A frame that is held is silent, and so is what follows the end of a clip. The same stretch of a clip in two
 * slots of a scene is heard once, and so is a clip that goes on in the next scene.
 *
 * @param usual the level of what nobody gave one
 * @param length of the promotion, in milliseconds
 */
export function clipSounds(
  scenes: readonly SoundingScene[],
  { usual, length }: { readonly usual: number; readonly length: number },
): Track<MixedPiece> {
  const heard = scenes.map((scene, index) => heardIn(scene, scenes[index + 1]?.span, { usual, length }));
  return heard.flatMap((pieces, index) =>
    pieces.map((piece) => {
      const next = (heard[index + 1] ?? []).find((one) => goesOnIn(piece, one));
      const isBegun = (heard[index - 1] ?? []).some((one) => goesOnIn(one, piece));
      return levelled(piece, { next, isBegun });
    }),
  );
}

/** A clip as it is heard in a scene, before it is known what is heard of it beside that. */
interface HeardClip extends Stretch {
  readonly what: Omit<MixedPiece, "levels">;
  readonly scene: Stretch;
  readonly level: number;
  /** How long its scene shares the screen with those beside it, and its shot with the others, in milliseconds. */
  readonly fades: Fades;
  readonly own: Fades;
}

function heardIn(
  { span, slots }: SoundingScene,
  next: SceneSpan | undefined,
  { usual, length }: { readonly usual: number; readonly length: number },
): HeardClip[] {
  const fades = { in: span.entered - span.start, out: overlapAfter(span, next) };
  const heard = new Map<string, HeardClip>();
  for (const { shots, level = usual } of slots) {
    const track = shotTrack(shots, span.end - span.start);
    for (const [at, shot] of track.entries()) {
      const stretch = level > 0 ? clipPiece(shot, span, length) : null;
      if (!stretch) continue;
      const { sound, position, speed, speedsUp, tempo } = stretch.what;
      const key = [stretch.from, sound, position, speed, speedsUp, tempo].join("/");
      const own = { in: sharedBy(track[at - 1], shot), out: sharedBy(shot, track[at + 1]) };
      const scene = { from: ticksOf(span.start), to: ticksOf(span.end) };
      if (level > (heard.get(key)?.level ?? 0)) heard.set(key, { ...stretch, scene, level, fades, own });
    }
  }
  return [...heard.values()];
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

interface Stretch {
  readonly from: Ticks;
  readonly to: Ticks;
}

/** A shot as it is heard; null where it has no sound. @param length of the promotion, in milliseconds */
function clipPiece(shot: Span<CutMedia>, span: SceneSpan, length: number): (Stretch & Pick<HeardClip, "what">) | null {
  const { media, cut } = shot.what;
  if (media.kind !== "clip" || !media.hasSound || cut.held !== undefined) return null;
  const heard = heardOf(media, cut);
  const start = ticksOf(span.start);
  const from = ticks(start + shot.from);
  const sounds = ticksOf((heard.lasts * 1000) / SAMPLE_RATE);
  const to = ticks(Math.min(start + shot.to, from + sounds, ticksOf(length)));
  return to <= from ? null : { from, to, what: { sound: media.id, ...heard.piece, isLooped: false } };
}

/** A clip that goes on begins again on one of its frames: so many samples off at most. */
const MOST_OFF = SAMPLE_RATE / 15;

/** Whether a clip goes on in another scene where it has come to in one: it is not heard over itself then. */
function goesOnIn(one: HeardClip, other: HeardClip): boolean {
  const { sound, speed, speedsUp, tempo } = one.what;
  const isSame = sound === other.what.sound && speed === other.what.speed && tempo === other.what.tempo;
  if (!isSame || speedsUp !== undefined || other.what.speedsUp !== undefined) return false;
  if (other.from <= one.from || other.from > one.to) return false;
  const passed = sampleAt(ticks(other.from - one.from));
  return Math.abs(one.what.position + speed * passed - other.what.position) <= MOST_OFF;
}

/** A clip with its levels: as its scene comes and goes, and softened where it itself begins and ends. */
function levelled(
  { from, to, what, scene, level, fades, own }: HeardClip,
  { next, isBegun }: { readonly next: HeardClip | undefined; readonly isBegun: boolean },
): Span<MixedPiece> {
  // Where it goes on it gives way at once.
  const end = next ? ticks(Math.min(to, next.from + ticksOf(CUT_MS))) : to;
  const lasts = sampleAt(ticks(end - from));
  const over = { in: isBegun ? 0 : fades.in, out: next ? 0 : fades.out };
  const shared = { in: isBegun ? CUT_MS : own.in, out: next ? CUT_MS : own.out };
  const envelopes = [
    steady(level),
    shifted(
      fadedEnds(sampleAt(ticks(scene.to - scene.from)), inSamples(over), "equal power"),
      sampleAt(ticks(from - scene.from)),
    ),
    fadedEnds(lasts, { in: samplesIn(shared.in), out: 0 }, curveOf(shared.in)),
    fadedEnds(lasts, { in: 0, out: samplesIn(shared.out) }, curveOf(shared.out)),
  ];
  return { from, to: end, what: { ...what, levels: pointsOf(envelopes, lasts) } };
}

const inSamples = ({ in: opening, out }: Fades): Fades => ({ in: samplesIn(opening), out: samplesIn(out) });
/** What only softens a cut does so evenly. */
const curveOf = (lasts: number): FadeCurve => (lasts > CUT_MS ? "equal power" : "even");

/** An envelope of something that began so many samples before. */
const shifted = ({ bends, at }: Envelope, by: number): Envelope => ({
  bends: bends.map((bend) => bend - by),
  at: (sample) => at(sample + by),
});

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
