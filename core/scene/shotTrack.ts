import { type ClipFacts, type PictureFacts } from "../document/facts";
import { LEAST_LENGTH_MS, type ShotCut, usedOf } from "../document/shots";
import { type Ticks, frameOn, ticks, ticksOf, ticksPerFrame } from "../time/ticks";
import { type Span, type Track, spansAt } from "../time/tracks";

/** A shot with what is known of its picture or clip. */
export interface CutMedia {
  readonly media: PictureFacts | ClipFacts;
  readonly cut: ShotCut;
}

/**
 * When the shots of a slot are on screen, counted from its scene's start: one after the other, the last to the scene's
 * end. A clip without a length of its own plays what is used of it; stills share what is left.
 *
 * @param length of the scene, in milliseconds
 */
export function shotTrack<Shot extends CutMedia>(shots: readonly Shot[], length: number): Track<Shot> {
  const own = shots.map((shot, index) => (index === shots.length - 1 ? null : ownLength(shot)));
  const open = own.filter((one) => one === null).length;
  const left = length - own.reduce<number>((sum, one) => sum + (one ?? 0), 0);
  const share = Math.max(LEAST_LENGTH_MS, left / Math.max(1, open));
  const end = ticksOf(length);
  const track: Span<Shot>[] = [];
  let from = ticks(0);
  shots.forEach((shot, index) => {
    const isLast = index === shots.length - 1;
    const to = isLast ? end : ticks(Math.min(end, from + ticksOf(own[index] ?? share)));
    if (to > from) track.push({ from, to, what: shot });
    from = to;
  });
  return track;
}

/** How long a shot wants to be on screen, in milliseconds; null where it says nothing of it. */
export function ownLength({ media, cut }: CutMedia): number | null {
  if (cut.length !== undefined) return cut.length;
  if (media.kind !== "clip" || cut.held !== undefined) return null;
  const { from, to } = usedOf(media, cut);
  const frames = to - from;
  return (frames * 1000 * media.rate.denominator) / (media.rate.numerator * (cut.speed ?? 1));
}

/**
 * The frame of a clip that a shot shows at a time from its own start. Past what is used of the clip the last frame is held:
 * the first where it runs backwards.
 */
export function sourceFrame(clip: ClipFacts, cut: ShotCut, time: Ticks): number {
  if (cut.held !== undefined) return Math.min(clip.frames - 1, cut.held);
  const { from: first, to } = usedOf(clip, cut);
  const last = to - 1;
  const passed = cut.speed === undefined ? frameOn(time, clip.rate) : framesAtSpeed(clip, cut.speed, time);
  const step = Math.min(last - first, Math.max(0, passed));
  return cut.reversed ? last - step : first + step;
}

/** A hair more than nothing, so that a frame that begins now is not missed for the last bit of a product. */
const HAIR = 1e-9;
const framesAtSpeed = ({ rate }: ClipFacts, speed: number, time: Ticks): number =>
  Math.floor((time * speed) / ticksPerFrame(rate) + HAIR);

/**
 * The shot of a track that is on screen, since when, and the frame that it shows where it is a clip. A scene that is on
 * screen past its end, by the rounding of a frame, shows its last shot.
 */
export function shotOn<Shot extends CutMedia>(
  track: Track<Shot>,
  time: Ticks,
): { readonly span: Span<Shot>; readonly passed: Ticks; readonly frame: number } | null {
  const span = spansAt(track, time)[0] ?? track.at(-1);
  if (!span) return null;
  const { media, cut } = span.what;
  const passed = ticks(Math.max(0, time - span.from));
  return { span, passed, frame: media.kind === "clip" ? sourceFrame(media, cut, passed) : 0 };
}
