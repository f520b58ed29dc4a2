import { testDocument } from "../testing/promotions";
import { applyEdit, fillSlot } from "./edits";
import { type Promotion } from "./promotion";
import { withSameMembers } from "./withSameMembers";

/** As it comes from elsewhere. */
const copy = (of: Promotion): Promotion => JSON.parse(JSON.stringify(of)) as Promotion;

test("what a copy has alike is the very same as before, what it has otherwise is its own", () => {
  const before = testDocument();
  const after = applyEdit(before, fillSlot("hook.headline", { kind: "words", text: "Other" }));
  const sent = copy(after);
  const taken = withSameMembers(before, sent);
  expect(taken).toEqual(after);
  expect([taken.scenes, taken.adjustments, taken.items]).toEqual([before.scenes, before.adjustments, before.items]);
  expect(taken.scenes).toBe(before.scenes);
  expect(taken.adjustments).toBe(before.adjustments);
  expect(taken.fills).toBe(sent.fills);
});

test("the first is taken as it is", () => {
  const first = testDocument();
  expect(withSameMembers(null, first)).toBe(first);
});
