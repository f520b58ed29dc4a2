import { levelOfAllClips, setAllClips } from "../document/clipLevelEdits";
import { type Edit, together } from "../document/edit";
import { FOR_ALL, adjust } from "../document/edits";
import { heardMedia } from "../document/heardMedia";
import { GAINS, type SoundPiece, heardFor } from "../document/lanes";
import { membersInOrder } from "../document/ordered";
import { placementsOf } from "../document/placementsPart";
import { type Promotion } from "../document/promotion";
import { changeSound } from "../document/soundEdits";
import { factorOf } from "../sound/decibels";
import { MOMENT_MS, MOMENT_STEP_MS } from "../sound/loudness";
import { usualClipLevel } from "../sound/mix";
import { type HeardPromotion, type SoundRule } from "./finding";

/** So far from what is asked for nobody minds, in LU: where it was asked for in so many words, and where a placement asks. */
const NEAR_TARGET = 0.5;
const NEAR_PLACEMENT = 1;
const inLufs = (lufs: number): string => `${lufs.toFixed(1).replace("-", "−").replace(".0", "")} LUFS`;

export const loudnessOnTarget: SoundRule = {
  id: "loudness-on-target",
  about: "The whole is as loud as the placements it is made for ask.",
  listen: ({ document, promotion: { mix, facts }, measured: { integrated } }) => {
    if (integrated === null) return [];
    const { loudness } = mix.finish;
    const [placement] = placementsOf(document, facts);
    const asked = loudness ?? placement?.loudness;
    if (asked === undefined) return [];
    const off = integrated - asked;
    if (Math.abs(off) <= (loudness === null ? NEAR_PLACEMENT : NEAR_TARGET)) return [];
    const who = loudness === null && placement ? `${placement.title} asks for` : "it is to be";
    const set = loudness === null ? [{ ...adjust("loudness", asked, FOR_ALL), label: `Make it ${inLufs(asked)}` }] : [];
    return [
      {
        severity: "warning",
        words: `it is ${inLufs(integrated)} loud as a whole, ${who} ${inLufs(asked)}`,
        numbers: { integratedLufs: integrated, askedLufs: asked },
        cures: set,
      },
    ];
  },
};

/** Peaks that are turned down by more can be heard to be, in decibels. */
const TURNED_DOWN_MOST = 6;

export const peaksKept: SoundRule = {
  id: "peaks-kept",
  about: "What is heard at once is not so loud that its peaks are lost.",
  listen: ({ document, promotion, measured: { turnedDown } }) => {
    if (turnedDown <= TURNED_DOWN_MOST) return [];
    const isAsMixed = promotion.mix.finish.loudness === null;
    return [
      {
        severity: "warning",
        words: `it is too loud together: peaks are turned down by up to ${turnedDown.toFixed(1)} dB`,
        numbers: { turnedDownDb: turnedDown },
        // What is made as loud as is asked for would be made louder again.
        cures: isAsMixed ? [softer(document, promotion, Math.ceil(turnedDown))] : [],
      },
    ];
  },
};

/** All that is heard softer by so many decibels. */
function softer(document: Promotion, { facts }: HeardPromotion["promotion"], by: number): Edit {
  const pieces = Object.entries(document.lanes).flatMap(([id, { gain = 0 }]) => {
    const edit = changeSound(document, id, { gain: Math.max(GAINS.least, gain - by) });
    return edit ? [edit] : [];
  });
  const clips = (levelOfAllClips(document) ?? usualClipLevel(document.lanes, facts.media)) * factorOf(-by);
  return together(`All softer by ${by} dB`, [...pieces, setAllClips(document, Number(clips.toFixed(2)))]);
}

/** What is softer is not heard in a room, in LUFS; a pause that is longer is noticed, in milliseconds. */
const HEARD = -60;
const LONGEST_PAUSE_MS = 1000;

export const noSilence: SoundRule = {
  id: "no-silence",
  about: "Where something is heard, it is not silent for longer than a second.",
  listen: (heard) => {
    const pause = longestPause(heard.measured.moments, heard.promotion.length);
    if (heard.measured.integrated === null || !pause || pause.to - pause.from <= LONGEST_PAUSE_MS) return [];
    const seconds = (ms: number): string => (ms / 1000).toFixed(1);
    const music = musicBefore(heard, pause.from);
    return [
      {
        severity: "warning",
        words: `nothing is heard from ${seconds(pause.from)} to ${seconds(pause.to)} s`,
        numbers: { fromMs: pause.from, toMs: pause.to },
        cures: music ? [music] : [],
      },
    ];
  },
};

/** The longest stretch in which nothing is heard, in milliseconds; null where there is none. */
function longestPause(moments: readonly number[], length: number): { from: number; to: number } | null {
  let longest: { from: number; to: number } | null = null;
  let since: number | null = null;
  for (const [at, moment] of [...moments, 0].entries()) {
    if (moment <= HEARD) {
      since ??= at;
      continue;
    }
    if (since === null) continue;
    const isLast = at === moments.length;
    const pause = {
      from: since * MOMENT_STEP_MS,
      to: isLast ? length : (at - 1) * MOMENT_STEP_MS + MOMENT_MS,
    };
    if (!longest || pause.to - pause.from > longest.to - longest.from) longest = pause;
    since = null;
  }
  return longest;
}

/** Has the music that ended last before a time go on to the end; null where none did. */
function musicBefore({ document, promotion: { facts, length } }: HeardPromotion, time: number): Edit | null {
  const ended = membersInOrder<string, SoundPiece>(document.lanes).filter((piece) => {
    const sound = heardMedia(facts.media[piece.media]);
    if (piece.lane !== "music" || piece.muted || !sound) return false;
    // A moment is silent once all of it is: the music may end a little after its beginning.
    return (piece.at ?? 0) + heardFor(piece, sound, length) <= time + MOMENT_MS;
  });
  const last = ended.sort((one, other) => (one.at ?? 0) - (other.at ?? 0)).at(-1);
  return last ? changeSound(document, last.id, { loop: true, length: null }, "Let the music go on to the end") : null;
}

/** So much softer from one speaker than from two, much of it is lost, in LU: what comes from one side alone loses 3. */
const LOST_MOST = 4;

export const heardFromOneSpeaker: SoundRule = {
  id: "heard-from-one-speaker",
  about: "From one speaker, as most phones have, as much is heard.",
  listen: ({ measured: { integrated, mono } }) => {
    if (integrated === null) return [];
    const lost = mono === null ? Infinity : integrated - mono;
    if (lost <= LOST_MOST) return [];
    const says = Number.isFinite(lost) ? `it is ${lost.toFixed(1)} LU softer` : "nothing is heard";
    return [
      {
        severity: "warning",
        words: `from one speaker ${says}: its two sides take each other away`,
        numbers: { integratedLufs: integrated, ...(mono === null ? {} : { monoLufs: mono }) },
        cures: [],
      },
    ];
  },
};
