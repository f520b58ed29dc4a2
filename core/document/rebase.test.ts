import { testDocument } from "../testing/promotions";
import { type Edit } from "./edit";
import { applyEdit, fillSlot, inverseOf, rename } from "./edits";
import { type Promotion } from "./promotion";
import { overwritten, rebase, takenBack } from "./rebase";
import { type SlotKey } from "./sceneTemplate";

const words = (slot: SlotKey, text: string): Edit => fillSlot(slot, { kind: "words", text });
const tooLong = words("product.line", "x".repeat(161));
const onTop = (document: Promotion, edits: readonly Edit[]) => rebase({ apply: applyEdit }, document, edits);

test("edits of different places are all there, whoever was first", () => {
  const theirs = applyEdit(testDocument(), words("hook.headline", "Theirs"));
  const { document, kept, dropped } = onTop(theirs, [words("product.line", "Mine"), rename("Mine")]);
  expect(document.fills).toEqual({
    "hook.headline": { kind: "words", text: "Theirs" },
    "product.line": { kind: "words", text: "Mine" },
  });
  expect([document.name, kept.length, dropped.length]).toEqual(["Mine", 2, 0]);
});

test("at the same place the later one stands", () => {
  const theirs = applyEdit(testDocument(), words("hook.headline", "Theirs"));
  expect(onTop(theirs, [words("hook.headline", "Mine")]).document.fills["hook.headline"]).toEqual({
    kind: "words",
    text: "Mine",
  });
});

test("an edit that does not fit is named with its reason; what stands before and behind it is kept", () => {
  const edits = [words("hook.headline", "First"), tooLong, words("sign-off.call", "Last")];
  const { document, kept, dropped } = onTop(testDocument(), edits);
  expect(kept).toEqual([edits[0], edits[2]]);
  expect(Object.keys(document.fills).sort()).toEqual(["hook.headline", "sign-off.call"]);
  expect(dropped).toEqual([{ edit: tooLong, problem: "Words have at most 160 characters." }]);
});

test("of what somebody put in, only what is something else now was overwritten, and it can be taken back", () => {
  const before = [words("hook.headline", "Mine"), words("product.line", "Mine too")].reduce(applyEdit, testDocument());
  const after = [words("hook.headline", "Theirs"), words("sign-off.call", "New"), rename("X")].reduce(
    applyEdit,
    before,
  );
  const paths = ["/fills/hook.headline", "/fills/product.line"];
  const [lost, ...others] = overwritten(before, after, paths);
  expect(lost).toEqual({
    path: "/fills/hook.headline",
    mine: { kind: "words", text: "Mine" },
    theirs: { kind: "words", text: "Theirs" },
  });
  expect(others).toEqual([]);
  expect(lost && applyEdit(after, takenBack(lost)).fills["hook.headline"]).toEqual({ kind: "words", text: "Mine" });
  const emptied = applyEdit(before, fillSlot("product.line", null));
  expect(overwritten(before, emptied, paths)).toEqual([
    { path: "/fills/product.line", mine: { kind: "words", text: "Mine too" }, theirs: undefined },
  ]);
  expect(overwritten(before, before, paths)).toEqual([]);
});

test("what was emptied and filled again by another can be emptied again", () => {
  const before = testDocument();
  const after = applyEdit(before, words("hook.headline", "Theirs"));
  const [lost] = overwritten(before, after, ["/fills/hook.headline"]);
  expect(lost && applyEdit(after, takenBack(lost))).toEqual(before);
  expect(applyEdit(after, inverseOf(before, words("hook.headline", "Theirs")))).toEqual(before);
});
