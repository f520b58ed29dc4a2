import { ONE_OFFER } from "../templates/priceDrops";
import { SHIPPED_BY_REF } from "../templates/shipped";
import { testDocument } from "../testing/promotions";
import { markKey } from "./brandMark";
import { itemKey } from "./itemKey";
import { type PlacedKey } from "./placedKey";
import { isPlaceable } from "./placeable";

const may = (key: PlacedKey, free: boolean): boolean => isPlaceable(testDocument(), SHIPPED_BY_REF, key, free);
const hook = ONE_OFFER.scenes.find(({ id }) => id === "hook");

test("what a template keeps in its place only those place who may change what is locked", () => {
  const headline = hook?.slots.find(({ id }) => id === "headline");
  expect(headline?.allows.position).toBe(false);
  expect(may("hook.headline", false)).toBe(false);
  expect(may("hook.headline", true)).toBe(true);
});

test("a mark follows the arrangement's lock, an item none; what is not there can't be placed", () => {
  expect(may(markKey("logo", "hook"), false)).toBe(hook?.allows.arrangement);
  expect(may(markKey("logo", "hook"), true)).toBe(true);
  expect(may(itemKey("anything"), false)).toBe(true);
  expect(may(markKey("logo", "gone"), true)).toBe(false);
  expect(may("hook.gone", true)).toBe(false);
});
