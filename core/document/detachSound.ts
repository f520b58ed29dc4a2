import { decibelsOf } from "../sound/decibels";
import { type MixedPiece, levelAt } from "../sound/mixedPiece";
import { SAMPLE_RATE } from "../sound/samples";
import { msOf, ticks } from "../time/ticks";
import { type Span } from "../time/tracks";
import { millis } from "../units";
import { type Edit, together } from "./edit";
import { adjust, putSound } from "./edits";
import { heardMedia } from "./heardMedia";
import { GAINS, MOST_SOUND_PIECES, SHORTEST_PIECE_MS } from "./lanes";
import { membersInOrder, ordersAt } from "./ordered";
import { type Promotion } from "./promotion";
import { type ResolvedPromotion } from "./resolve";
import { freeId } from "./sceneIds";

/** Clips that are heard in a slot of a scene, by what they are called. */
export interface HeardSlot {
  /** Its id, and that of its scene. */
  readonly scene: string;
  readonly slot: string;
  readonly names: readonly string[];
  /** Where what is heard of them lies. */
  readonly spans: readonly Span<MixedPiece>[];
}

/** The slots in which clips are heard, scene by scene. */
export const heardSlots = ({ scenes, spans, mix, facts }: ResolvedPromotion): HeardSlot[] =>
  scenes.flatMap(({ id, shots }, index): HeardSlot[] => {
    const span = spans[index];
    if (!span) return [];
    return Object.entries(shots).flatMap(([slot, all]): HeardSlot[] => {
      const media = new Set(all.map((shot) => shot.media.id));
      const heard = mix.track.filter(
        ({ from, what }) =>
          what.piece === undefined && media.has(what.sound) && msOf(from) >= span.start - 1 && msOf(from) < span.end,
      );
      const names = [...new Set(heard.map(({ what }) => facts.media[what.sound]?.name.replace(/\.\w+$/, "") ?? ""))];
      return heard.length > 0 ? [{ scene: id, slot, names, spans: heard }] : [];
    });
  });

/** Whether a clip's sound can be laid on a lane as it is heard: as fast as it was recorded, from the front. */
const isPlain = ({ what }: Span<MixedPiece>): boolean =>
  what.speed === 1 && !what.speedsUp && what.tempo === undefined && !what.isLooped;

/**
 * Takes the sound of a slot's clips from them and lays it on the lane of effects, where it was and as loud, so that it can
 * be moved by itself; the slot's clips are silent then. Null where what is heard is slowed, turned round, or too much.
 */
export function detachSound(
  { lanes }: Pick<Promotion, "lanes">,
  { facts }: Pick<ResolvedPromotion, "facts">,
  { scene, slot, spans }: HeardSlot,
): Edit | null {
  const taken = new Set(Object.keys(lanes));
  if (!spans.every(isPlain) || taken.size + spans.length > MOST_SOUND_PIECES) return null;
  const others = membersInOrder(lanes);
  const orders = ordersAt(others, others.length, spans.length);
  const pieces = spans.flatMap((span, index): Edit[] => {
    const { from, to, what } = span;
    const [at, lasts] = [Math.round(msOf(from)), Math.round(msOf(to) - msOf(from))];
    if (lasts < SHORTEST_PIECE_MS || !heardMedia(facts.media[what.sound])) return [];
    const level = levelAt(span, ticks(Math.round((from + to) / 2)));
    const gain = Math.max(GAINS.least, Math.min(GAINS.most, Number(decibelsOf(level).toFixed(2))));
    const id = freeId("detached", taken);
    taken.add(id);
    const start = Math.round((what.position / SAMPLE_RATE) * 1000);
    return [
      putSound(id, {
        ...{ order: orders[index] ?? "a0", lane: "effects", media: what.sound, length: millis(lasts) },
        ...(at > 0 ? { at: millis(at) } : {}),
        ...(start > 0 ? { from: millis(start) } : {}),
        ...(gain === 0 ? {} : { gain }),
      }),
    ];
  });
  if (pieces.length === 0) return null;
  return {
    ...together("Detach the sound", [...pieces, adjust("clipLevel", 0, { target: { scene, slot } })]),
    isUrgent: true,
  };
}
