import { FOR_ALL, adjust } from "../document/edits";
import { FIELDS } from "../document/fields";
import { heardMedia } from "../document/heardMedia";
import { type Lanes, heardFor } from "../document/lanes";
import { type ResolvedPromotion } from "../document/resolve";
import { decibelsOf } from "../sound/decibels";
import { type MixedPiece, levelAt } from "../sound/mixedPiece";
import { type Ticks, msOf, ticksOf } from "../time/ticks";
import { type Span } from "../time/tracks";
import { type WholeRule, everywhere } from "./finding";

/** A voice is understood over music that is softer by so much, in LU (common practice of broadcasters: 7 to 10). */
const LEAST_APART = 6;
const LOOK_EVERY_MS = 100;
/** Less of a voice than that may be covered: music comes and goes at its ends. Milliseconds. */
const MAY_BE_COVERED_MS = 400;

export const voiceAboveMusic: WholeRule = {
  id: "voice-above-music",
  about: "While somebody speaks, music is soft enough for the words to be understood.",
  lookAtAll: ({ document, promotion }) => {
    const least = leastApart(document.lanes, promotion);
    if (!least || least.apart >= LEAST_APART) return [];
    const { field } = FIELDS.stepsBack;
    const set =
      document.adjustments["@all"]?.stepsBack ?? promotion.base.adjustments["@all"]?.stepsBack ?? field.initial;
    const depth = Math.min(field.most, Math.ceil(set + LEAST_APART - least.apart) + 1);
    return [
      {
        severity: "warning",
        where: everywhere(null),
        words: `the voice at ${(least.from / 1000).toFixed(1)} s is ${inWords(least.apart)} the music: hard to understand`,
        numbers: { apartLu: least.apart, fromMs: least.from },
        cures: depth > set ? [{ ...adjust("stepsBack", depth, FOR_ALL), label: `Music back by ${depth} dB` }] : [],
      },
    ];
  },
};

const inWords = (apart: number): string =>
  apart >= 0 ? `only ${apart.toFixed(1)} dB over` : `${(-apart).toFixed(1)} dB under`;

/** How long somebody speaks in a piece, in milliseconds. */
function spokenFor(
  { what }: Span<MixedPiece>,
  { lanes, facts, length }: Pick<ResolvedPromotion, "facts" | "length"> & { readonly lanes: Lanes },
): number {
  const [piece, sound] = [lanes[what.piece ?? ""], heardMedia(facts.media[what.sound])];
  return piece && sound ? heardFor(piece, sound, length) : 0;
}

/** The piece of voice that stands least above the music for a while: by how much, in LU; null where there is none. */
function leastApart(
  lanes: Lanes,
  { mix, facts, length }: ResolvedPromotion,
): { readonly apart: number; readonly from: number } | null {
  const on = (lane: string): Span<MixedPiece>[] =>
    mix.track.filter(({ what }) => what.piece !== undefined && lanes[what.piece]?.lane === lane);
  const loudAt = ({ what, ...span }: Span<MixedPiece>, time: Ticks): number => {
    const own = heardMedia(facts.media[what.sound])?.loudness ?? null;
    return own === null ? -Infinity : own + decibelsOf(levelAt({ ...span, what }, time));
  };
  const music = on("music");
  const covered = on("voice").flatMap((voice) => {
    const from = Math.round(msOf(voice.from));
    const to = from + spokenFor(voice, { lanes, facts, length });
    const apart: number[] = [];
    for (let time = from; time < to; time += LOOK_EVERY_MS) {
      const at = ticksOf(time);
      const loudest = Math.max(-Infinity, ...music.map((piece) => loudAt(piece, at)));
      const own = loudAt(voice, at);
      if (Number.isFinite(loudest) && Number.isFinite(own)) apart.push(own - loudest);
    }
    // The least for so long: what is covered for less than that is passed over.
    const least = apart.sort((one, other) => one - other)[MAY_BE_COVERED_MS / LOOK_EVERY_MS];
    return least === undefined ? [] : [{ apart: least, from }];
  });
  return covered.sort((one, other) => one.apart - other.apart)[0] ?? null;
}
