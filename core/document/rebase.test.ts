import { testDocument } from "../testing/promotions";
import { type Edit, applyEdit } from "./edits";
import { overwritten, rebase } from "./rebase";
import { type SlotKey } from "./template";

const words = (slot: SlotKey, text: string): Edit => ({ kind: "fill", slot, fill: { kind: "words", text } });
const tooLong = words("product.line", "x".repeat(161));

test("edits of different places are all there, whoever was first", () => {
  const theirs = applyEdit(testDocument(), words("hook.headline", "Theirs"));
  const { document, kept, dropped } = rebase(theirs, [words("product.line", "Mine"), { kind: "rename", name: "Mine" }]);
  expect(document.fills).toEqual({
    "hook.headline": { kind: "words", text: "Theirs" },
    "product.line": { kind: "words", text: "Mine" },
  });
  expect([document.name, kept.length, dropped.length]).toEqual(["Mine", 2, 0]);
});

test("at the same place the later one stands", () => {
  const theirs = applyEdit(testDocument(), words("hook.headline", "Theirs"));
  expect(rebase(theirs, [words("hook.headline", "Mine")]).document.fills["hook.headline"]).toEqual({
    kind: "words",
    text: "Mine",
  });
});

test("an edit that does not fit is named with its reason; what stands before and behind it is kept", () => {
  const edits = [words("hook.headline", "First"), tooLong, words("sign-off.call", "Last")];
  const { document, kept, dropped } = rebase(testDocument(), edits);
  expect(kept).toEqual([edits[0], edits[2]]);
  expect(Object.keys(document.fills).sort()).toEqual(["hook.headline", "sign-off.call"]);
  expect(dropped).toEqual([{ edit: tooLong, problem: "Words have at most 160 characters." }]);
});

test("of what somebody filled, only what holds something else now was overwritten", () => {
  const before = [words("hook.headline", "Mine"), words("product.line", "Mine too")].reduce(applyEdit, testDocument());
  const edits: Edit[] = [
    words("hook.headline", "Theirs"),
    words("sign-off.call", "New"),
    { kind: "rename", name: "X" },
  ];
  const after = edits.reduce(applyEdit, before);
  const filled: SlotKey[] = ["hook.headline", "product.line"];
  expect(overwritten(before, after, filled)).toEqual([
    { slot: "hook.headline", mine: { kind: "words", text: "Mine" }, theirs: { kind: "words", text: "Theirs" } },
  ]);
  const emptied = applyEdit(before, { kind: "fill", slot: "product.line", fill: null });
  expect(overwritten(before, emptied, filled)).toEqual([
    { slot: "product.line", mine: { kind: "words", text: "Mine too" }, theirs: null },
  ]);
  expect(overwritten(before, before, filled)).toEqual([]);
});
