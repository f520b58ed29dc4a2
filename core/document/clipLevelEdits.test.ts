import { testDocument } from "../testing/promotions";
import { levelOfAllClips, setAllClips } from "./clipLevelEdits";
import { adjust, applyEdit } from "./edits";

const own = { target: { scene: "hook", slot: "picture" } } as const;

test("all clips take one level, those that had their own too, and go back to the usual one", () => {
  const plain = testDocument();
  expect(levelOfAllClips(plain)).toBeUndefined();
  const one = applyEdit(plain, adjust("clipLevel", 0.6, own));
  const all = applyEdit(one, setAllClips(one, 0.2));
  expect(levelOfAllClips(all)).toBe(0.2);
  expect(all.adjustments["hook.picture"]).toBeUndefined();
  // One of its own afterwards counts for that one.
  const again = applyEdit(all, adjust("clipLevel", 1, own));
  expect([again.adjustments["hook.picture"]?.clipLevel, levelOfAllClips(again)]).toEqual([1, 0.2]);
  expect(applyEdit(again, setAllClips(again, null))).toEqual(plain);
  expect(applyEdit(one, setAllClips(one, null))).toEqual(plain);
});
