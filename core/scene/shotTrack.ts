import { type ClipFacts, type PictureFacts } from "../document/facts";
import { LEAST_LENGTH_MS, type ShotCut, USUAL_COMES_OVER, meanSpeed, speedsOf, usedOf } from "../document/shots";
import { type Ticks, ticks, ticksOf, ticksPerFrame } from "../time/ticks";
import { type Span, type Track, spansAt } from "../time/tracks";

/** A shot with what is known of its picture or clip. */
export interface CutMedia {
  readonly media: PictureFacts | ClipFacts;
  readonly cut: ShotCut;
}

/**
 * When the shots of a slot are on screen, counted from its scene's start: one after the other, the last to the scene's
 * end; one that comes in by a join shares its time with the one before. A clip without a length of its own plays what is
 * used of it; stills share what is left.
 *
 * @param length of the scene, in milliseconds
 */
export function shotTrack<Shot extends CutMedia>(shots: readonly Shot[], length: number): Track<Shot> {
  const own = shots.map((shot, index) => (index === shots.length - 1 ? null : ownLength(shot)));
  const open = own.filter((one) => one === null).length;
  const joins = shots.map(({ cut }, index) => (index === 0 ? 0 : comesOver(cut, [own[index - 1], own[index]])));
  const shared = joins.reduce((sum, one) => sum + one, 0);
  const left = length + shared - own.reduce<number>((sum, one) => sum + (one ?? 0), 0);
  const share = Math.max(LEAST_LENGTH_MS, left / Math.max(1, open));
  const end = ticksOf(length);
  const track: Span<Shot>[] = [];
  let before = ticks(0);
  shots.forEach((shot, index) => {
    const isLast = index === shots.length - 1;
    const from = ticks(Math.max(0, before - ticksOf(joins[index] ?? 0)));
    const to = isLast ? end : ticks(Math.min(end, from + ticksOf(own[index] ?? share)));
    if (to > from) track.push({ from, to, what: shot });
    before = to;
  });
  return track;
}

/** How long shots that each say how long they are take together, in milliseconds. */
export function lengthOfShots(shots: readonly CutMedia[]): number {
  const own = shots.map(ownLength);
  return shots.reduce((sum, { cut }, index) => {
    const shared = index === 0 ? 0 : comesOver(cut, [own[index - 1], own[index]]);
    return sum + (own[index] ?? 0) - shared;
  }, 0);
}

/** How long a shot comes in, in milliseconds: half of one of the two at most. @param lasts how long those are, where it is known */
function comesOver(
  { comesBy, comesOver: wanted = USUAL_COMES_OVER }: ShotCut,
  lasts: readonly (number | null | undefined)[],
): number {
  if (comesBy === undefined) return 0;
  return Math.min(wanted, ...lasts.map((one) => (one ?? Infinity) / 2));
}

/** How long a shot wants to be on screen, in milliseconds; null where it says nothing of it. */
export function ownLength({ media, cut }: CutMedia): number | null {
  if (cut.length !== undefined) return cut.length;
  if (media.kind !== "clip" || cut.held !== undefined) return null;
  const { from, to } = usedOf(media, cut);
  const frames = to - from;
  return (frames * 1000 * media.rate.denominator) / (media.rate.numerator * meanSpeed(cut));
}

/** A frame of a clip, and how much is seen of the one that follows it in the shot, 0 to 1. */
export interface SourceFrame {
  readonly frame: number;
  readonly next: number;
  readonly share: number;
}

/**
 * The frame of a clip that a shot shows at a time from its own start. Past what is used of the clip the last frame is held:
 * the first where it runs backwards.
 */
export function sourceFrame(clip: ClipFacts, cut: ShotCut, time: Ticks): number {
  return sourceFrames(clip, cut, time).frame;
}

/** As `sourceFrame`, with the frame that comes after it and how near that is. */
export function sourceFrames(clip: ClipFacts, cut: ShotCut, time: Ticks): SourceFrame {
  if (cut.held !== undefined) {
    const frame = Math.min(clip.frames - 1, cut.held);
    return { frame, next: frame, share: 0 };
  }
  const { from: first, to } = usedOf(clip, cut);
  const last = to - 1;
  const passed = framesPassed(clip, cut, time);
  const step = Math.min(last - first, Math.max(0, Math.floor(passed + HAIR)));
  const after = Math.min(last - first, step + 1);
  const at = (steps: number): number => (cut.reversed ? last - steps : first + steps);
  const share = after === step ? 0 : Math.min(1, Math.max(0, passed - step));
  return { frame: at(step), next: at(after), share: share < NEAR ? 0 : share };
}

/** A hair more than nothing, so that a frame that begins now is not missed for the last bit of a product. */
const HAIR = 1e-9;
/** So little is seen of a frame that it is not shown. */
const NEAR = 1 / 512;

/** How fast a clip passes at a time of a shot, times its own speed. */
export function speedAt(clip: ClipFacts, cut: ShotCut, time: Ticks): number {
  const { first, last } = speedsOf(cut);
  return first + ((last - first) * Math.min(time, lastsFor(clip, cut))) / lastsFor(clip, cut);
}

/** How long what is used of a clip takes to pass, in ticks. */
function lastsFor(clip: ClipFacts, cut: ShotCut): number {
  const { from, to } = usedOf(clip, cut);
  return ((to - from) * ticksPerFrame(clip.rate)) / meanSpeed(cut);
}

/** How many frames of a clip a shot has gone through at a time: a fraction of one between two. */
export function framesPassed(clip: ClipFacts, cut: ShotCut, time: Ticks): number {
  if (cut.speed === undefined && cut.endSpeed === undefined) return time / ticksPerFrame(clip.rate);
  const { first, last } = speedsOf(cut);
  const whole = lastsFor(clip, cut);
  // At a speed that changes evenly from v to w over a time T, v·t + (w − v)·t² / 2T has passed after t.
  const passed = first * time + ((last - first) * Math.min(time, whole) ** 2) / (2 * whole);
  return passed / ticksPerFrame(clip.rate);
}

/**
 * The shot of a track that is on screen, of two the one that comes, since when, and the frame that it shows where it is a clip. A scene that is on
 * screen past its end, by the rounding of a frame, shows its last shot.
 */
export function shotOn<Shot extends CutMedia>(
  track: Track<Shot>,
  time: Ticks,
): { readonly span: Span<Shot>; readonly passed: Ticks; readonly frame: number } | null {
  const span = spansAt(track, time).at(-1) ?? track.at(-1);
  if (!span) return null;
  const { media, cut } = span.what;
  const passed = ticks(Math.max(0, time - span.from));
  return { span, passed, frame: media.kind === "clip" ? sourceFrame(media, cut, passed) : 0 };
}
