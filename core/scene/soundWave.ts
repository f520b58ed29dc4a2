import { type Rect, rect } from "../geometry/rect";
import { LEVEL_STEP } from "../sound/heardLevels";
import { type DisplayNode } from "./displayList";
import { barInks } from "./barInks";
import { type BarLook, type SoundingPart } from "./prepared";

/** Bars from side to side, and how wide each is as a share of its room. */
const BARS = 36;
const THICK = 0.6;
/** How far the ends of the line are from now, in milliseconds. */
const REACH = (BARS / 2) * LEVEL_STEP;

/**
 * A sound wave that lies in a place from one time of a promotion to another.
 * @param levels of the whole promotion, `LEVEL_STEP` apart
 * @param from when it begins, in milliseconds @param length how long it is there
 */
export function soundWave(
  place: Rect,
  look: BarLook,
  levels: readonly number[],
  { from, length }: { readonly from: number; readonly length: number },
): SoundingPart {
  const first = Math.floor((from - REACH) / LEVEL_STEP);
  const last = Math.ceil((from + length + REACH) / LEVEL_STEP);
  return {
    kind: "sounding",
    place,
    ...look,
    levels: Array.from({ length: last - first + 1 }, (_, step) => levels[first + step] ?? 0),
    step: LEVEL_STEP,
    before: from - first * LEVEL_STEP,
  };
}

/** Its bars at a time from its start: what was heard to the left of the middle, what comes to the right. */
export function soundWaveAt(part: SoundingPart, ms: number): DisplayNode[] {
  const { place, levels, step, before } = part;
  const { gone, coming } = barInks(part);
  const room = place.width / BARS;
  const width = room * THICK;
  const levelOf = (time: number): number => {
    const at = Math.max(0, (time + before) / step);
    const [low, share] = [Math.floor(at), at % 1];
    return (levels[low] ?? 0) * (1 - share) + (levels[low + 1] ?? 0) * share;
  };
  return Array.from({ length: BARS }, (_, bar): DisplayNode => {
    const offset = (bar + 0.5 - BARS / 2) * step;
    // The root of the level, since what is half as high sounds more than half as loud; where nothing is heard, dots.
    const height = Math.max(Math.min(width, place.height), place.height * Math.sqrt(levelOf(ms + offset)));
    return {
      kind: "fill",
      place: rect(place.x + bar * room + (room - width) / 2, place.y + (place.height - height) / 2, width, height),
      ink: offset <= 0 ? gone : coming,
    };
  });
}
