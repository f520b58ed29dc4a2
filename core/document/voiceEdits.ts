import { inCaptions } from "../captions/breakLines";
import { type Cue } from "../captions/cue";
import { millis } from "../units";
import { type Edit, together } from "./edit";
import { type Facts, type SoundFacts } from "./facts";
import { heardMedia } from "./heardMedia";
import { type Lanes, MOST_SOUND_PIECES, SHORTEST_PIECE_MS, type SoundPiece, heardFor } from "./lanes";
import { applyEdit, putSound } from "./edits";
import { membersInOrder, ordersAt } from "./ordered";
import { type Promotion } from "./promotion";
import { freeId } from "./sceneIds";
import { type ListedPiece, piecesOn } from "./soundEdits";
import { Refusal } from "../refusal";

/** A sentence as it was spoken. */
export interface SpokenSentence {
  readonly media: string;
  readonly says: string;
  /** Milliseconds. */
  readonly length: number;
}

/** Between two sentences nobody speaks for so long, in milliseconds. */
export const BREATH_MS = 250;

/**
 * Puts spoken sentences on the voice lane, one after the other from a time on. Throws, naming the limit, when there would
 * be too many pieces.
 */
export function putVoice({ lanes }: Pick<Promotion, "lanes">, spoken: readonly SpokenSentence[], from: number): Edit {
  const taken = new Set(Object.keys(lanes));
  if (taken.size + spoken.length > MOST_SOUND_PIECES)
    throw new Refusal(`A promotion has at most ${MOST_SOUND_PIECES} pieces of sound.`);
  let at = Math.max(0, Math.round(from));
  const others = membersInOrder(lanes);
  const orders = ordersAt(others, others.length, spoken.length);
  const patch = spoken.flatMap(({ media, says, length }, index) => {
    const id = freeId("voice", taken);
    taken.add(id);
    const piece: SoundPiece = {
      order: orders[index] ?? "a0",
      lane: "voice",
      media,
      says,
      ...(at > 0 ? { at: millis(at) } : {}),
    };
    at += Math.round(length) + BREATH_MS;
    return putSound(id, piece).patch;
  });
  return { label: "Speak", patch, isUrgent: true };
}

/** What was spoken from a time on, in milliseconds. */
export interface SpokenFrom {
  readonly from: number;
  readonly spoken: readonly SpokenSentence[];
}

/** Puts what was spoken on the voice lane, each part from its time on. Throws as `putVoice` does. */
export function putVoices(document: Promotion, parts: readonly SpokenFrom[]): Edit {
  let shown = document;
  const edits = parts.map(({ spoken, from }) => {
    const edit = putVoice(shown, spoken, from);
    shown = applyEdit(shown, edit);
    return edit;
  });
  return { ...together("Speak", edits), isUrgent: true };
}

/** The pieces in which somebody is heard: on the voice lane, not muted, their sounds there. */
export const heardVoices = (
  lanes: Lanes,
  media: Facts["media"],
): { readonly piece: ListedPiece; readonly sound: SoundFacts }[] =>
  piecesOn(lanes, "voice").flatMap((piece) => {
    const sound = heardMedia(media[piece.media]);
    return sound && !piece.muted ? [{ piece, sound }] : [];
  });

/** A piece in which words are said, and when it is heard, in milliseconds of the promotion. */
export interface SaidPiece {
  readonly id: string;
  readonly says: string;
  readonly from: number;
  readonly to: number;
}

/** The pieces in which somebody says known words, in the order in which they are heard. Muted ones are not heard. */
export function saidPieces(lanes: Lanes, media: Facts["media"], length: number): SaidPiece[] {
  return heardVoices(lanes, media)
    .flatMap(({ piece, sound }): SaidPiece[] => {
      const { id, says, at: from = 0 } = piece;
      const lasts = heardFor(piece, sound, length);
      return !says || lasts < SHORTEST_PIECE_MS ? [] : [{ id, says, from, to: from + lasts }];
    })
    .sort((one, other) => one.from - other.from);
}

/**
 * Captions of what is said: each sentence cut by the rules, and its time shared by how many letters each part has. Where
 * two pieces overlap, the first caption ends when the second begins.
 */
export function captionsOfVoice(lanes: Lanes, media: Facts["media"], length: number): Cue[] {
  const cues = saidPieces(lanes, media, length).flatMap(({ says, from, to }) => {
    const texts = inCaptions(says);
    const letters = texts.reduce((sum, text) => sum + text.length, 0);
    let passed = 0;
    return texts.map((text): Cue => {
      const begins = from + (passed / letters) * (to - from);
      passed += text.length;
      return { from: millis(begins), to: millis(from + (passed / letters) * (to - from)), text };
    });
  });
  return cues.flatMap((cue, at): Cue[] => {
    const to = Math.min(cue.to, cues[at + 1]?.from ?? Infinity);
    return to > cue.from ? [{ ...cue, to: millis(to) }] : [];
  });
}
