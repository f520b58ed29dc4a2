import { defined } from "../testing/defined";
import { mediaFill } from "../document/shots";
import { ARRANGEMENT_NAMES, newArrangement } from "../document/arrangements";
import { type BrandFacts, type Facts, type PictureFacts } from "../document/facts";
import { contains } from "../geometry/rect";
import { STAGGER_MS } from "../motion/wordMotion";
import { formatOf } from "../placement/formats";
import { type SceneTemplate, slotKey } from "../document/sceneTemplate";
import { picture, scene, words } from "../templates/build";
import { millis } from "../units";
import { testBook } from "../testing/fonts";
import { CLIP_ID, PICTURE_ID, TEST_BRAND, TEST_LOGO, testFacts, testPicture } from "../testing/promotions";
import { sceneOf } from "../testing/scenes";
import { triedScenes } from "../testing/tried";
import { type DisplayNode, everyNode } from "./displayList";
import { displayListAt, prepareIn } from "./preparePromotion";
import { type PreparedScene, type ScenePart } from "./prepared";
import { ticksOf } from "../time/ticks";

const book = testBook();
type Moving = Extract<ScenePart, { kind: "moving" }>;
const movingOf = ({ parts }: PreparedScene): Moving[] => parts.filter((part) => part.kind === "moving");
function nodesOf(part: ScenePart): DisplayNode[] {
  if (part.kind === "media") return part.track.map(({ what }) => what.atRest);
  if (part.kind === "filling" || part.kind === "sounding") return [];
  return [part.kind === "fixed" ? part.node : part.atRest];
}
/** What a part shows that shows one thing. */
const onlyNode = (part: ScenePart): DisplayNode => defined(nodesOf(part)[0]);
const paints = (part: ScenePart | undefined, kind: DisplayNode["kind"]): boolean =>
  part !== undefined && [...everyNode(nodesOf(part))].some((node) => node.kind === kind);

const SEEDS = { id: "seeds", name: "Seed mix", line: "", price: "£3.00", picture: null };

/** A scene in the square with words in every slot that has none of its own. */
async function preparedScene(template: SceneTemplate, facts: Partial<Facts> = {}): Promise<PreparedScene> {
  const empty = template.slots.filter((slot) => slot.kind === "words" && slot.fallback === undefined);
  const fills = Object.fromEntries(empty.map(({ id }) => [slotKey(template, { id }), COME_AND_SEE]));
  const listed = { products: { seeds: SEEDS }, listed: ["seeds"] };
  const promotion = await triedScenes(book, [template], fills, { ...listed, ...facts });
  const [prepared] = prepareIn(promotion, formatOf("square"), null, book).scenes;
  return prepared!;
}
const COME_AND_SEE = { kind: "words", text: "Come and see" } as const;
const withPicture = (change: Partial<PictureFacts>): Partial<Facts> => ({
  media: { ...testFacts().media, [PICTURE_ID]: testPicture(change) },
});

test.each(ARRANGEMENT_NAMES)("%s: words come in one after the other, the first not before its scene", async (name) => {
  const moving = movingOf(await preparedScene(sceneOf(newArrangement(name))));
  const turns = moving.filter(({ motion }) => motion !== "still").map(({ enters }) => enters);
  expect(turns.length).toBeGreaterThan(0);
  expect(Math.min(...turns)).toBeGreaterThan(0);
  // One that waits for its part of the scene comes in out of its turn, and still at a time of its own.
  expect(new Set(turns).size).toBe(turns.length);
  const [first = 0, second] = turns;
  if (second !== undefined) expect(second).toBeGreaterThanOrEqual(first + STAGGER_MS - 1e-9);
});

test("what is not filled takes no turn: the line after it comes in as if it were not there", async () => {
  const line = (id: string, fallback: string) => words(id, "line", { fallback, required: false });
  const made = (middle: string) =>
    scene("scene", "Scene", {
      length: 4000,
      arrangement: newArrangement("words-only"),
      slots: [words("headline", "headline", { fallback: "Spring" }), line("middle", middle), line("last", "Come by")],
    });
  const [with3, with2] = [await preparedScene(made("Two weeks only")), await preparedScene(made(""))];
  expect(movingOf(with3).length - movingOf(with2).length).toBe(1);
  expect(movingOf(with2).map(({ enters }) => enters)).toEqual(
    movingOf(with3)
      .slice(0, -1)
      .map(({ enters }) => enters),
  );
});

test("badges and logos pop, a heading that stays is still, everything else moves as the template has it", async () => {
  const offer = movingOf(await preparedScene(sceneOf(newArrangement("cut-out-card"))));
  expect(new Set(offer.map(({ motion }) => motion))).toEqual(new Set(["rise", "pop"]));
  const bars = movingOf(await preparedScene(sceneOf(newArrangement("top-and-tail"))));
  expect(bars[0]?.motion).toBe("still");
  expect(bars.slice(1).map(({ motion }) => motion)).not.toContain("still");
});

test("parts lie back to front: the picture, what makes words legible on it, the logo, the words, the watermark", async () => {
  const brand: BrandFacts = {
    ...TEST_BRAND,
    logos: [{ variant: "mark", picture: TEST_LOGO }],
    watermark: { corner: "top-right", size: 0.08, opacity: 0.5 },
  };
  const full = sceneOf({ ...newArrangement("full-picture"), backing: "scrim" });
  const { parts, slots } = await preparedScene(full, { brand });
  const kinds = parts.map(({ kind }) => kind);
  expect(kinds[0]).toBe("media");
  expect(paints(parts[1], "fill")).toBe(true);
  expect(kinds.slice(2, -1).every((kind) => kind === "moving")).toBe(true);
  expect(onlyNode(parts.at(-1)!).kind).toBe("layer");
  expect(slots.at(-1)?.part).toBe("watermark");
});

test("a picture that is missing is a plain place; one that stands free is shown whole, on the brand's ground", async () => {
  const split = sceneOf(newArrangement("split"), [picture("picture"), words("name", "name")]);
  const missing = await preparedScene(split, { media: {} });
  const place = missing.slots.find(({ kind }) => kind === "picture")!.place;
  expect(missing.parts.flatMap(nodesOf)).toContainEqual(expect.objectContaining({ kind: "fill", place }));
  const free = await preparedScene(split, withPicture({ cutOut: true, width: 900, height: 300 }));
  const nodes = [...everyNode(free.parts.flatMap(nodesOf))];
  const shown = nodes.find((node) => node.kind === "picture");
  expect(shown).toMatchObject({ part: { x: 0, y: 0, width: 900, height: 300 } });
  expect(shown?.kind === "picture" && contains(place, shown.place, 1e-6)).toBe(true);
  expect(nodes).toContainEqual({ kind: "fill", place, ink: TEST_BRAND.palette.ground });
});

test("a picture shown twice, once blurred behind itself, has one slot: the sharp one", async () => {
  const { slots, parts } = await preparedScene(sceneOf({ ...newArrangement("top-and-tail"), bars: "blur" }));
  const pictures = [...everyNode(parts.flatMap(nodesOf))].filter((node) => node.kind === "picture");
  expect(pictures.some(({ blur }) => (blur ?? 0) > 0)).toBe(true);
  const own = slots.filter(({ kind }) => kind === "picture");
  expect(own).toHaveLength(1);
  const sharp = pictures.find(({ blur }) => blur === undefined);
  expect(own[0]?.place).toEqual(sharp?.place);
});

test("a watermark gives way to the sign-off, which shows the logo at large", async () => {
  const brand: BrandFacts = { ...TEST_BRAND, watermark: { corner: "top-left", size: 0.08, opacity: 1 } };
  const { slots } = await preparedScene(sceneOf(newArrangement("sign-off")), { brand });
  expect(slots.filter(({ kind }) => kind === "logo").map(({ part }) => part)).toEqual(["logo"]);
});

test("a clip in two scenes that give way to each other stands at a frame of its own in each", async () => {
  const full = (id: string, overlap: number) => ({
    ...sceneOf(newArrangement("full-picture")),
    id,
    overlap: millis(overlap),
  });
  const clip = mediaFill(CLIP_ID);
  const fills = { "first.picture-1": clip, "second.picture-1": clip };
  const promotion = await triedScenes(book, [full("first", 0), full("second", 1000)], fills);
  const prepared = prepareIn(promotion, formatOf("square"), null, book);
  const shown = [...everyNode(displayListAt(prepared, ticksOf(3500)))].filter((node) => node.kind === "clip");
  // Both have lasted four seconds of 30 frames each when the second has come in; half a second before, 3.5 s and 0.5 s.
  expect(shown.map(({ use, media, frame }) => [use, media, frame])).toEqual([
    ["first.picture-1", CLIP_ID, 105],
    ["second.picture-1", CLIP_ID, 15],
  ]);
});
