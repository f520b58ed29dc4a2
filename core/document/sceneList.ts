import { generateKeyBetween, generateNKeysBetween } from "fractional-indexing";
import { type Promotion, type PromotionScene } from "./promotion";

/** A scene with its id, as it stands among the others. */
export interface ListedScene extends PromotionScene {
  readonly id: string;
}

/** The scenes of a promotion in the order they are shown in. Two that were put at one place stand by their ids. */
export const scenesInOrder = ({ scenes }: Pick<Promotion, "scenes">): ListedScene[] =>
  Object.entries(scenes)
    .map(([id, scene]) => ({ id, ...scene }))
    .sort((one, other) => byBytes(one.order, other.order) || byBytes(one.id, other.id));

const byBytes = (one: string, other: string): number => (one < other ? -1 : one > other ? 1 : 0);

/** Order keys for some scenes that come in before the one at `at`, counted from 0. */
export function ordersAt(scenes: readonly ListedScene[], at: number, count: number): string[] {
  const [before, after] = [scenes[at - 1]?.order ?? null, scenes[at]?.order ?? null];
  // Two that were put at one place have one key: what comes between them goes behind both.
  return before !== null && before === after
    ? ordersAt(scenes, at + 1, count)
    : generateNKeysBetween(before, after, count);
}

/** The order key that puts a scene at a place among the others. */
export const orderAt = (others: readonly ListedScene[], at: number): string =>
  ordersAt(others, at, 1)[0] ?? firstOrder();

const firstOrder = (): string => generateKeyBetween(null, null);

/** Scenes in the order of a list, as a record. */
export function sceneRecord(
  scenes: readonly { readonly id: string; readonly from: PromotionScene["from"] }[],
): Record<string, PromotionScene> {
  const orders = generateNKeysBetween(null, null, scenes.length);
  return Object.fromEntries(scenes.map(({ id, from }, index) => [id, { order: orders[index] ?? firstOrder(), from }]));
}
