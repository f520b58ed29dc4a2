import { CLIP_ID, PICTURE_ID, testDocument, testFacts } from "../../core/testing/promotions";
import { type Promotion } from "../../core/document/promotion";
import { type RenderInput } from "./renderInput";
import { renderPlan } from "./renderPlan";

const input = (change: Partial<Promotion> = {}, hashes: Record<string, string> = {}): RenderInput => ({
  document: testDocument(change),
  facts: testFacts(),
  hashes: { [PICTURE_ID]: "a".repeat(64), [CLIP_ID]: "b".repeat(64), ...hashes },
});
const keys = (
  from: RenderInput,
  format: "square" | "vertical" = "square",
  quality: "480p" | "1080p" = "1080p",
): string[] => renderPlan(from, { format, quality }).segments.map(({ key }) => key);
const changed = (one: string[], other: string[]): number[] =>
  one.flatMap((key, index) => (key === other[index] ? [] : [index]));

test("15 s at 30 frames a second are 450 frames in seven segments without gaps", () => {
  const { frames, segments } = renderPlan(input(), { format: "square", quality: "1080p" });
  expect(frames).toBe(450);
  expect(segments.map(({ from, to }) => [from, to])).toEqual([
    [0, 90],
    [90, 105],
    [105, 195],
    [195, 210],
    [210, 315],
    [315, 330],
    [330, 450],
  ]);
});

test("a change of one scene's words changes that scene and its transitions only", () => {
  const after = input({ fills: { "product.line": { kind: "words", text: "Another line" } } });
  expect(changed(keys(input()), keys(after))).toEqual([1, 2, 3]);
});

test("a change of name or tune changes no picture work", () => {
  expect(keys(input({ name: "Another name", tune: PICTURE_ID }))).toEqual(keys(input()));
});

test("other bytes of the same picture, another format or quality change every segment", () => {
  expect(changed(keys(input()), keys(input({}, { [PICTURE_ID]: "c".repeat(64) })))).toHaveLength(7);
  expect(changed(keys(input()), keys(input(), "vertical"))).toHaveLength(7);
  expect(changed(keys(input()), keys(input(), "square", "480p"))).toHaveLength(7);
});
