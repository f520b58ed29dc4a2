import { type MediaFacts, type SoundFacts } from "../document/facts";
import { type SoundPiece, type Lanes } from "../document/lanes";
import { listedMembers } from "../document/ordered";
import { type SoundPlan } from "../document/template";
import { type Ticks, msOf, ticks, ticksOf } from "../time/ticks";
import { type Track } from "../time/tracks";

/** A piece of sound as it is heard. Times are milliseconds. */
export interface MixedPiece {
  /** The media item it is. */
  readonly sound: string;
  /** Where it is taken from, in the sound. */
  readonly from: number;
  readonly isLooped: boolean;
  /** Decibels added to it. */
  readonly gain: number;
  /** Straight-line fades at the two ends of its span. */
  readonly fadeIn: number;
  readonly fadeOut: number;
}

/** What is heard over time, and how long the whole lasts in milliseconds. */
export interface Mix {
  readonly track: Track<MixedPiece>;
  readonly length: number;
}

/** Peaks stay below this, in dBTP (common practice for online channels). */
export const MOST_PEAK = -1;
const MOST_GAIN = 20;

/** What is heard of a promotion. Sounds that are not there any more are left out. @param length in milliseconds */
export function mixOf(
  { lanes }: { readonly lanes: Lanes },
  media: Readonly<Record<string, MediaFacts>>,
  { plan, length }: { readonly plan: SoundPlan; readonly length: number },
): Mix {
  const track = listedMembers<string, SoundPiece>(lanes).flatMap((piece) => {
    const sound = media[piece.media];
    const { at = 0, length: wanted } = piece;
    const end = wanted === undefined ? length : Math.min(length, at + wanted);
    if (sound?.kind !== "sound" || end <= at) return [];
    return [{ from: ticksOf(at), to: ticksOf(end), what: mixedPiece(piece, sound, { plan, lasts: end - at }) }];
  });
  return { track, length };
}

function mixedPiece(
  { lane, media, from, gain = 0, fadeIn, fadeOut, loop }: Omit<SoundPiece, "order">,
  sound: SoundFacts,
  { plan, lasts }: { readonly plan: SoundPlan; readonly lasts: number },
): MixedPiece {
  // Music that says nothing of its fades has the template's.
  const usual = lane === "music" ? plan : { fadeIn: 0, fadeOut: 0 };
  const [opening, closing] = [fadeIn ?? usual.fadeIn, fadeOut ?? usual.fadeOut];
  const share = opening + closing > lasts ? lasts / (opening + closing) : 1;
  return {
    sound: media,
    from: from ?? 0,
    isLooped: loop === true,
    gain: gain + levelling(sound, plan),
    fadeIn: opening * share,
    fadeOut: closing * share,
  };
}

/** The decibels that bring a sound to the wanted loudness without its peaks passing the limit. */
function levelling({ loudness, peak }: SoundFacts, plan: SoundPlan): number {
  const wanted = loudness === null ? 0 : plan.loudness - loudness;
  const room = peak === null ? MOST_GAIN : MOST_PEAK - peak;
  return Math.min(wanted, room, MOST_GAIN);
}

/** The linear factor that a piece is played with at a time of the promotion: gain and fades; none outside its span. */
export function levelAt({ from, to, what }: Track<MixedPiece>[number], time: Ticks): number {
  if (time < from || time > to) return 0;
  const [passed, left] = [msOf(ticks(time - from)), msOf(ticks(to - time))];
  const opening = what.fadeIn > 0 ? passed / what.fadeIn : 1;
  const closing = what.fadeOut > 0 ? left / what.fadeOut : 1;
  return 10 ** (what.gain / 20) * Math.min(1, opening, closing);
}
