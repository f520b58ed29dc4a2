import { type MediaFacts, type SoundFacts } from "../document/facts";
import { type SoundPiece, type Lanes } from "../document/lanes";
import { listedMembers } from "../document/ordered";
import { type SoundPlan } from "../document/template";
import { ticksOf } from "../time/ticks";
import { type Span } from "../time/tracks";
import { type SoundingScene, clipSounds } from "./clipSounds";
import { type Mix, type MixedPiece, faded } from "./mixedPiece";
import { samplesIn } from "./samples";

/** Peaks stay below this, in dBTP (common practice for online channels). */
export const MOST_PEAK = -1;
const MOST_GAIN = 20;

/** The share of its own level that a clip is heard with while music plays, unless somebody said otherwise. */
const UNDER_MUSIC = 0.3;

/** What a promotion sounds like. */
interface Sounding {
  readonly lanes: Lanes;
  /** In their order in time. */
  readonly scenes: readonly SoundingScene[];
}

/**
 * What is heard of a promotion: the sounds on its lanes and those of the clips it shows. Sounds that are not there any more
 * are left out.
 * @param length in milliseconds
 */
export function mixOf(
  { lanes, scenes }: Sounding,
  media: Readonly<Record<string, MediaFacts>>,
  { plan, length }: { readonly plan: SoundPlan; readonly length: number },
): Mix {
  const pieces = listedMembers<string, SoundPiece>(lanes).flatMap((piece): Span<MixedPiece>[] => {
    const sound = media[piece.media];
    const { at = 0, length: wanted } = piece;
    const end = wanted === undefined ? length : Math.min(length, at + wanted);
    if (sound?.kind !== "sound" || end <= at) return [];
    const what = mixedPiece(piece, sound, { plan, lasts: end - at });
    return [{ from: ticksOf(at), to: ticksOf(end), what }];
  });
  return { track: [...pieces, ...clipSounds(scenes, { usual: usualClipLevel(lanes, media), length })], length };
}

/** How loud the clips of a promotion are where nobody said so: 1 is as loud as they are themselves. */
export const usualClipLevel = (lanes: Lanes, media: Readonly<Record<string, MediaFacts>>): number =>
  Object.values(lanes).some((piece) => piece.lane === "music" && media[piece.media]?.kind === "sound")
    ? UNDER_MUSIC
    : 1;

function mixedPiece(
  { lane, media, from, gain = 0, fadeIn, fadeOut, loop }: Omit<SoundPiece, "order">,
  sound: SoundFacts,
  { plan, lasts }: { readonly plan: SoundPlan; readonly lasts: number },
): MixedPiece {
  // Music that says nothing of its fades has the template's.
  const usual = lane === "music" ? plan : { fadeIn: 0, fadeOut: 0 };
  const fades = { in: samplesIn(fadeIn ?? usual.fadeIn), out: samplesIn(fadeOut ?? usual.fadeOut) };
  return {
    sound: media,
    position: samplesIn(from ?? 0),
    speed: 1,
    used: { from: 0, to: null },
    isLooped: loop === true,
    levels: faded(10 ** ((gain + levelling(sound, plan)) / 20), samplesIn(lasts), fades),
  };
}

/** The decibels that bring a sound to the wanted loudness without its peaks passing the limit. */
function levelling({ loudness, peak }: SoundFacts, plan: SoundPlan): number {
  const wanted = loudness === null ? 0 : plan.loudness - loudness;
  const room = peak === null ? MOST_GAIN : MOST_PEAK - peak;
  return Math.min(wanted, room, MOST_GAIN);
}
