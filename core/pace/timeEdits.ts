import { targetOf } from "../document/adjustments";
import { type Edit, together } from "../document/edit";
import { adjust } from "../document/edits";
import { itemOfKey } from "../document/itemKey";
import { type PlacedKey } from "../document/placedKey";
import { type Promotion } from "../document/promotion";
import { type SceneSpan } from "../time/timeline";
import { millis } from "../units";

/** From when until when something is there, in milliseconds of the promotion. */
export interface TimeSpan {
  readonly from: number;
  readonly to: number;
}
type NamedSpan = SceneSpan & { readonly id: string };

/** What is there for less can't be seen. */
const SHORTEST_MS = 200;

/** When something could be there: all the time of its scene, or of the scenes that an item lies over. Null where it has none. */
export function wholeTime(document: Promotion, spans: readonly NamedSpan[], key: PlacedKey): TimeSpan | null {
  const id = itemOfKey(key);
  const item = id === null ? undefined : document.items[id];
  // What is no item's is a slot's.
  const scenes = item ? [item.from, item.to] : [targetOf(key).scene];
  const own = spans.filter((span) => scenes.includes(span.id));
  const [first, last] = [own[0], own.at(-1)];
  return first && last ? { from: first.start, to: last.end } : null;
}

/**
 * Has words or an item be there from one time until another, within their scenes; what is as usual is given back. Null for
 * something that is not there.
 */
export function setTime(
  document: Promotion,
  spans: readonly NamedSpan[],
  key: PlacedKey,
  wanted: TimeSpan,
): Edit | null {
  const whole = wholeTime(document, spans, key);
  if (!whole) return null;
  const from = Math.min(Math.max(whole.from, wanted.from), whole.to - SHORTEST_MS);
  const to = Math.max(Math.min(whole.to, wanted.to), from + SHORTEST_MS);
  const after = millis(from - whole.from);
  const before = millis(whole.to - to);
  const item = itemOfKey(key);
  const target = item === null ? targetOf(key) : { item };
  const [comes, goes] = item === null ? (["comesAt", "goesBefore"] as const) : (["starts", "ends"] as const);
  return together("Time", [
    adjust(comes, after > 0 ? after : null, { target }),
    adjust(goes, before > 0 ? before : null, { target }),
  ]);
}

/** A time moved to the nearest of some that are near. @param reach how near, in milliseconds */
export function snapped(time: number, to: readonly number[], reach: number): number {
  let best = time;
  let least = reach;
  for (const one of to) {
    const apart = Math.abs(one - time);
    if (apart < least) [best, least] = [one, apart];
  }
  return best;
}
