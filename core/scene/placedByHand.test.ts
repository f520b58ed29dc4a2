import { ARRANGEMENT_NAMES, newArrangement } from "../document/arrangements";
import { type Promotion } from "../document/promotion";
import { type SceneTemplate } from "../document/sceneTemplate";
import { type Rect, rect } from "../geometry/rect";
import { USUAL_FORMATS, type FormatName } from "../placement/formats";
import { testBook } from "../testing/fonts";
import { TEST_BRAND } from "../testing/promotions";
import { sceneOf } from "../testing/scenes";
import { triedScenes } from "../testing/tried";
import { preparePromotion } from "./preparePromotion";
import { type PlacedSlot } from "./prepared";

const book = testBook();

/** Every words slot has words in it. */
async function slotsOf(scene: SceneTemplate, format: FormatName): Promise<readonly PlacedSlot[]> {
  const fills = Object.fromEntries(
    scene.slots.flatMap((slot) =>
      slot.kind === "words" && slot.fallback === undefined
        ? [[`scene.${slot.id}`, { kind: "words", text: "Come and see the bench" }]]
        : [],
    ),
  ) as Promotion["fills"];
  const made = preparePromotion(await triedScenes(book, [scene], fills), format, book);
  return made.scenes[0]?.slots ?? [];
}

const byHand = (scene: SceneTemplate, format: FormatName, places: Readonly<Record<string, Rect>>): SceneTemplate => ({
  ...scene,
  places: { [format]: places },
});
const idOf = ({ key }: PlacedSlot): string => key.slice(key.indexOf(".") + 1);
const found = (slots: readonly PlacedSlot[], id: string): PlacedSlot => {
  const slot = slots.find((one) => idOf(one) === id);
  if (!slot) throw new Error(`No slot “${id}” was placed.`);
  return slot;
};

test.each(ARRANGEMENT_NAMES)("%s: words that are put by hand where they stand stay as they are", async (name) => {
  const scene = sceneOf(newArrangement(name));
  for (const format of USUAL_FORMATS) {
    const before = await slotsOf(scene, format);
    // What several parts share a slot with, an offer or a numbered step, is stacked anew in its box.
    const alone = before.filter(
      (slot) =>
        slot.kind === "words" &&
        slot.place.width >= 24 &&
        slot.place.height >= 24 &&
        before.filter(({ key }) => key === slot.key).length === 1,
    );
    for (const slot of alone) {
      const after = found(await slotsOf(byHand(scene, format, { [idOf(slot)]: slot.place }), format), idOf(slot));
      expect([slot.part, after.fitted?.size, after.fitted?.lines.length]).toEqual([
        slot.part,
        slot.fitted?.size,
        slot.fitted?.lines.length,
      ]);
      for (const side of ["x", "y", "width", "height"] as const)
        expect(after.place[side]).toBeCloseTo(slot.place[side], 3);
    }
  }
});

test("a picture fills the place it was given, in that format alone, and the words stay", async () => {
  const scene = sceneOf(newArrangement("split"));
  const place = rect(100, 140, 500, 420);
  const moved = byHand(scene, "square", { "picture-1": place });
  expect(found(await slotsOf(moved, "square"), "picture-1").place).toEqual(place);
  expect(found(await slotsOf(moved, "vertical"), "picture-1").place).toEqual(
    found(await slotsOf(scene, "vertical"), "picture-1").place,
  );
  expect(found(await slotsOf(moved, "square"), "name").place).toEqual(
    found(await slotsOf(scene, "square"), "name").place,
  );
});

test("words that are moved from the ground onto a picture are made legible there, and the other way round", async () => {
  const split = sceneOf(newArrangement("split"), undefined, false);
  const picture = found(await slotsOf(split, "square"), "picture-1").place;
  const onPicture = found(
    await slotsOf(byHand(split, "square", { name: rect(picture.x + 80, picture.y + 80, 400, 160) }), "square"),
    "name",
  );
  expect(onPicture.backing).toBeDefined();

  const full = sceneOf(newArrangement("full-picture"), undefined, false);
  expect(found(await slotsOf(full, "square"), "headline").backing).toBeDefined();
  const besidePicture = { "picture-1": rect(0, 0, 1080, 500), headline: rect(80, 600, 900, 200) };
  const onGround = found(await slotsOf(byHand(full, "square", besidePicture), "square"), "headline");
  // The full picture has no ground of its own, so the words are on the scene's, in its strong colour.
  expect([onGround.backing, onGround.ink]).toEqual([undefined, TEST_BRAND.palette.primary]);
});

test("words that stay where a picture was moved away, or to, are made legible on what is there now", async () => {
  const full = sceneOf(newArrangement("full-picture"), undefined, false);
  expect(
    found(await slotsOf(byHand(full, "square", { "picture-1": rect(0, 0, 1080, 500) }), "square"), "headline").backing,
  ).toBeUndefined();
  const split = sceneOf(newArrangement("split"), undefined, false);
  expect(
    found(await slotsOf(byHand(split, "square", { "picture-1": rect(0, 0, 1080, 1080) }), "square"), "name").backing,
  ).toBeDefined();
});

test("words that were moved on their picture share ink and backing with those that stayed on it", async () => {
  const full = sceneOf(newArrangement("full-picture"), undefined, false);
  for (const y of [80, 420, 700]) {
    const slots = await slotsOf(byHand(full, "square", { headline: rect(400, y, 500, 160) }), "square");
    const [headline, line] = [found(slots, "headline"), found(slots, "line")];
    expect(headline.backing).toBeDefined();
    expect([line.ink, line.backing]).toEqual([headline.ink, headline.backing]);
  }
});

test("words in a narrow place are set smaller, and in lines", async () => {
  const scene = sceneOf(newArrangement("words-only"));
  const [before, after] = [
    await slotsOf(scene, "widescreen"),
    await slotsOf(byHand(scene, "widescreen", { headline: rect(200, 200, 300, 400) }), "widescreen"),
  ].map((slots) => found(slots, "headline"));
  expect(after?.fitted?.lines.length).toBeGreaterThan(before?.fitted?.lines.length ?? 0);
  expect(after?.place.width).toBeLessThanOrEqual(300);
});
