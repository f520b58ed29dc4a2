import { type MediaFacts, type SoundFacts } from "../document/facts";
import { heardMedia } from "../document/heardMedia";
import { type SoundPiece, type Lanes, heardFor } from "../document/lanes";
import { listedMembers } from "../document/ordered";
import { type SoundPlan } from "../document/template";
import { ticksOf } from "../time/ticks";
import { type Span } from "../time/tracks";
import { type SoundingScene, clipSounds } from "./clipSounds";
import { type Envelope, fadedEnds, pointsOf, steady, throughPoints } from "./envelope";
import { type Mix, type MixedPiece } from "./mixedPiece";
import { factorOf } from "./decibels";
import { type Finish, USUAL_CEILING } from "./finish";
import { type SteppingBack, type Stretch, steppedBack } from "./stepsBack";
import { samplesIn } from "./samples";
import { treatmentName } from "./treatment";

const MOST_GAIN = 20;

/** The share of its own level that a clip is heard with while music plays, unless somebody said otherwise. */
const UNDER_MUSIC = 0.3;

/** What a promotion sounds like. */
interface Sounding {
  readonly lanes: Lanes;
  /** In their order in time. */
  readonly scenes: readonly SoundingScene[];
}

/** What holds for all sounds of a promotion. */
export interface MixPlan {
  readonly plan: SoundPlan;
  /** Milliseconds. */
  readonly length: number;
  /** How music steps back under a voice: times in milliseconds. */
  readonly stepsBack: SteppingBack;
  readonly finish: Finish;
}

/** A piece of sound whose item is there, and when it is heard, in milliseconds. */
interface HeardPiece extends Stretch {
  readonly piece: Omit<SoundPiece, "order"> & { readonly id: string };
  readonly sound: SoundFacts;
}

/**
 * What is heard of a promotion: the sounds on its lanes and those of the clips it shows. Sounds that are not there any more
 * are left out. Music steps back while a voice is heard.
 */
export function mixOf(
  { lanes, scenes }: Sounding,
  media: Readonly<Record<string, MediaFacts>>,
  { plan, length, stepsBack, finish }: MixPlan,
): Mix {
  const heard = listedMembers<string, SoundPiece>(lanes).flatMap((piece): HeardPiece[] => {
    const sound = heardMedia(media[piece.media]);
    const { at = 0, length: wanted } = piece;
    const end = wanted === undefined ? length : Math.min(length, at + wanted);
    return !sound || end <= at || piece.muted ? [] : [{ piece, sound, from: at, to: end }];
  });
  const voice = heard
    .filter(({ piece }) => piece.lane === "voice")
    .map(({ piece, sound, from }): Stretch => ({ from, to: from + heardFor(piece, sound, length) }));
  const pieces = heard.map((one): Span<MixedPiece> => {
    const back = one.piece.lane === "music" ? steppedBack(voice.map(after(one.from)), inSamples(stepsBack)) : null;
    return { from: ticksOf(one.from), to: ticksOf(one.to), what: mixedPiece(one, plan, back) };
  });
  return { track: [...pieces, ...clipSounds(scenes, { usual: usualClipLevel(lanes, media), length })], length, finish };
}

/** A stretch of the promotion in samples, counted from a time. */
const after =
  (start: number) =>
  ({ from, to }: Stretch): Stretch => ({ from: samplesIn(from - start), to: samplesIn(to - start) });

const inSamples = ({ depth, attack, release }: SteppingBack): SteppingBack => ({
  depth,
  attack: samplesIn(attack),
  release: samplesIn(release),
});

/** How loud the clips of a promotion are where nobody said so: 1 is as loud as they are themselves. */
export const usualClipLevel = (lanes: Lanes, media: Readonly<Record<string, MediaFacts>>): number =>
  Object.values(lanes).some((piece) => piece.lane === "music" && heardMedia(media[piece.media]) !== null)
    ? UNDER_MUSIC
    : 1;

function mixedPiece({ piece, sound, from, to }: HeardPiece, plan: SoundPlan, back: Envelope | null): MixedPiece {
  const {
    lane,
    media,
    from: taken,
    gain = 0,
    fadeIn,
    fadeOut,
    curve = "even",
    points,
    loop,
    cleaned,
    character,
  } = piece;
  const treated = treatmentName({ cleaned: cleaned ?? [], character: character ?? null });
  // Music that says nothing of its fades has the template's.
  const usual = lane === "music" ? plan : { fadeIn: 0, fadeOut: 0 };
  const fades = { in: samplesIn(fadeIn ?? usual.fadeIn), out: samplesIn(fadeOut ?? usual.fadeOut) };
  const lasts = samplesIn(to - from);
  const drawn = points?.map((point) => ({ at: samplesIn(point.at), level: factorOf(point.gain) }));
  const envelopes = [
    steady(factorOf(gain + levelling(sound, plan))),
    fadedEnds(lasts, fades, curve),
    ...(drawn ? [throughPoints(drawn)] : []),
    ...(back ? [back] : []),
  ];
  return {
    piece: piece.id,
    sound: media,
    ...(treated === null ? {} : { treated }),
    position: samplesIn(taken ?? 0),
    speed: 1,
    used: { from: 0, to: null },
    isLooped: loop === true,
    levels: pointsOf(envelopes, lasts),
  };
}

/** The decibels that bring a sound to the wanted loudness without its peaks passing the limit. */
function levelling({ loudness, peak }: SoundFacts, plan: SoundPlan): number {
  const wanted = loudness === null ? 0 : plan.loudness - loudness;
  const room = peak === null ? MOST_GAIN : USUAL_CEILING - peak;
  return Math.min(wanted, room, MOST_GAIN);
}
