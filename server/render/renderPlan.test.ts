import { tuneLanes } from "../../core/document/lanes";
import { type FileKindName } from "../../core/output/fileKinds";
import { usualOutput } from "../../core/output/output";
import { type Quality } from "../../core/placement/quality";
import { type FormatName } from "../../core/placement/formats";
import { type Item } from "../../core/document/items";
import { millis } from "../../core/units";
import { addFormat, adjust, applyEdit, putItem } from "../../core/document/edits";
import { formatsInOrder } from "../../core/document/formatList";
import { defined } from "../../core/testing/defined";
import { scenesInOrder } from "../../core/document/sceneList";
import { CLIP_ID, PICTURE_ID, testDocument, testFacts } from "../../core/testing/promotions";
import { templateKey } from "../../core/document/facts";
import { type Edit } from "../../core/document/edit";
import { type Promotion } from "../../core/document/promotion";
import { type TemplateStyle } from "../../core/document/sceneTemplate";
import { type RenderInput, paintedFor } from "./renderInput";
import { renderPlan } from "./renderPlan";

const input = (change: Partial<Promotion> = {}, hashes: Record<string, string> = {}): RenderInput => ({
  document: testDocument(change),
  facts: testFacts(),
  hashes: { [PICTURE_ID]: "a".repeat(64), [CLIP_ID]: "b".repeat(64), ...hashes },
});
const keys = async (
  from: RenderInput,
  format: FormatName = "square",
  quality: "480p" | "1080p" = "1080p",
): Promise<string[]> => (await renderPlan(from, { format, quality })).segments.map(({ key }) => key);
/** Which segments have another key. */
async function changed(before: Promise<string[]>, after: Promise<string[]>): Promise<number[]> {
  const [old, now] = [await before, await after];
  expect(now).toHaveLength(old.length);
  return old.flatMap((key, index) => (key === now[index] ? [] : [index]));
}
const ALL = [0, 1, 2, 3, 4, 5, 6, 7, 8, 9];
/** The same input under a style of its own: what an edition changes that changes nothing else. */
const styled = (style: Partial<TemplateStyle>): RenderInput => {
  const from = input();
  const ref = templateKey(from.document.template);
  const template = from.facts.templates[ref]!;
  const templates = { ...from.facts.templates, [ref]: { ...template, style: { ...template.style, ...style } } };
  return { ...from, facts: { ...from.facts, templates } };
};

test("15 s at 30 frames a second are 450 frames in ten segments without gaps: scenes, and joins before and after words come in", async () => {
  const { frames, segments } = await renderPlan(input(), { format: "square", quality: "1080p" });
  expect(frames).toBe(450);
  expect(segments.map(({ from, to }) => [from, to])).toEqual([
    [0, 90],
    [90, 102],
    [102, 105],
    [105, 195],
    [195, 207],
    [207, 210],
    [210, 315],
    [315, 327],
    [327, 330],
    [330, 450],
  ]);
});

test("a change of one scene's words changes that scene, and of its transitions what shows them", async () => {
  const after = input({ fills: { "product.line": { kind: "words", text: "Another line" } } });
  expect(await changed(keys(input()), keys(after))).toEqual([2, 3, 4, 5]);
});

test("a transition is cut where words come in while it lasts: not after it, nor with what is there from its start", async () => {
  const plain = input();
  const cutsWith = async (...edits: readonly Edit[]): Promise<number[]> => {
    const document = edits.reduce(applyEdit, plain.document);
    const { segments } = await renderPlan({ ...plain, document }, { format: "square", quality: "1080p" });
    return segments.map(({ from }) => from).filter((from) => from > 90 && from < 195);
  };
  const target = { target: { scene: "product" } };
  expect(await cutsWith()).toEqual([102, 105]);
  expect(await cutsWith(adjust("pause", millis(200), target))).toEqual([105]);
  expect(await cutsWith(adjust("motion", "still", target))).toEqual([105]);
  expect(await cutsWith(adjust("overlap", millis(0), target))).toEqual([105]);
  const late = { target: { scene: "product", slot: "name" } };
  expect(await cutsWith(adjust("comesAt", millis(460), late))).toEqual([104, 105]);
});

test("a change of name or tune, of the picture's name or of words nobody sees changes no segment", async () => {
  expect(await changed(keys(input()), keys(input({ name: "Another name", lanes: tuneLanes(PICTURE_ID) })))).toEqual([]);
  const from = input();
  const picture = { ...from.facts.media[PICTURE_ID]!, name: "renamed.jpg" };
  const renamed = { ...from, facts: { ...from.facts, media: { ...from.facts.media, [PICTURE_ID]: picture } } };
  expect(await changed(keys(from), keys(renamed))).toEqual([]);
  const padded = input({ fills: { "product.line": { kind: "words", text: " Another line " } } });
  const plain = input({ fills: { "product.line": { kind: "words", text: "Another line" } } });
  expect(await changed(keys(plain), keys(padded))).toEqual([]);
});

test("other bytes of the same picture, another format or quality change every segment", async () => {
  expect(await changed(keys(input()), keys(input({}, { [PICTURE_ID]: "c".repeat(64) })))).toEqual(ALL);
  expect(await changed(keys(input()), keys(input(), "vertical"))).toEqual(ALL);
  expect(await changed(keys(input()), keys(input(), "square", "480p"))).toEqual(ALL);
});

test("another edition's style changes what it is seen in: old segments do not come back", async () => {
  expect(await changed(keys(input()), keys(styled({ motion: "slide" })))).toEqual(ALL);
  expect(await changed(keys(input()), keys(styled({ faces: { headline: "text" } })))).toContain(0);
  expect(await changed(keys(input()), keys(styled({ transition: "push" })))).toEqual([1, 2, 4, 5, 7, 8]);
  const zoomed = await changed(keys(input()), keys(styled({ zoom: false })));
  expect(zoomed.length).toBeGreaterThan(0);
});

test("without the first scene, only the one that leads now and its join are painted anew", async () => {
  const { scenes } = input().document;
  const others = Object.fromEntries(Object.entries(scenes).filter(([id]) => id !== "hook"));
  const [before, after] = [await keys(input()), await keys(input({ scenes: others }))];
  // The words of a first scene come in sooner.
  expect(after.slice(0, 3).filter((key) => before.includes(key))).toEqual([]);
  expect(after.slice(3)).toEqual(before.slice(6));
});

test("one more format leaves the others' segments as they are, and has its own", async () => {
  const before = input();
  const document = applyEdit(before.document, addFormat(before.document, "5x7"));
  const after = { ...before, document };
  for (const format of formatsInOrder(before.document))
    expect(await keys(after, format)).toEqual(await keys(before, format));
  const own = await keys(after, "5x7");
  expect(own).toHaveLength(ALL.length);
  expect((await keys(before)).filter((key) => own.includes(key))).toEqual([]);
});

test("what is set in one format changes that format's segments alone", async () => {
  const target = { scene: "hook", slot: "headline" };
  const plain = input();
  const set = adjust("color", "accent", { target, layer: "scene@format", format: "vertical" });
  const after = { ...plain, document: applyEdit(plain.document, set) };
  expect(await changed(keys(plain), keys(after))).toEqual([]);
  expect(await changed(keys(plain, "vertical"), keys(after, "vertical"))).toContain(0);
});

test("an item over two scenes changes their segments and the join, and cuts none where it comes and goes with them", async () => {
  const before = input();
  const item: Item = { kind: "line", order: "a0", from: "product", to: "offer" };
  const after = { ...before, document: applyEdit(before.document, putItem("line", item)) };
  expect(await changed(keys(before), keys(after))).toEqual([1, 2, 3, 4, 5, 6, 7, 8]);
  const target = { item: "line" };
  const later = { ...after, document: applyEdit(after.document, adjust("starts", millis(1000), { target })) };
  const plan = await renderPlan(later, { format: "square", quality: "1080p" });
  expect(plan.segments.map(({ from, to }) => [from, to])).toEqual([
    [0, 90],
    [90, 102],
    [102, 105],
    [105, 120],
    [120, 195],
    [195, 207],
    [207, 210],
    [210, 315],
    [315, 327],
    [327, 330],
    [330, 450],
  ]);
  // What is not under it any more is what it was: nothing of it is painted again.
  const [old, now] = [await keys(before), plan.segments.map(({ key }) => key)];
  expect(now.filter((key) => old.includes(key))).toEqual([old[0], old[1], old[2], old[9]]);
});

test("a film at 480p is painted with its mark, whatever it is packed as; a loop, and all that is larger, without", async () => {
  const keysFor = async (kind: FileKindName, quality: Quality): Promise<string[]> => {
    const choice = paintedFor("square", { ...usualOutput(quality), kind });
    return (await renderPlan(input(), choice)).segments.map(({ key }) => key);
  };
  const unmarked = await keys(input(), "square", "480p");
  const [film, web, loop] = [await keysFor("mp4", "480p"), await keysFor("webm", "480p"), await keysFor("gif", "480p")];
  expect(film.filter((key) => unmarked.includes(key))).toEqual([]);
  expect([web, loop]).toEqual([film, unmarked]);
  expect(await keysFor("mp4", "1080p")).toEqual(await keys(input()));
});

test("what comes later in a draft than it did is not painted again", async () => {
  const choice = { format: "square", quality: "480p", isMarked: true } as const;
  const before = await renderPlan(input(), choice);
  const { id } = defined(scenesInOrder(testDocument())[0]);
  const after = await renderPlan(input({ adjustments: { [id]: { length: millis(4500) } } }), choice);
  expect(after.frames).not.toBe(before.frames);
  const known = new Set(before.segments.map(({ key }) => key));
  expect(after.segments.flatMap(({ key }, at) => (known.has(key) ? [] : [at]))).toEqual([0, 1, 2]);
});
