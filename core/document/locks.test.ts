import { applyEdit, type Edit } from "./edits";
import { templateKey } from "./facts";
import { lockProblem, promotionProblem } from "./locks";
import { type Promotion } from "./promotion";
import { insertScenes, moveToTemplate, repeatScene, withScenes } from "./restructure";
import { type SceneAllows, type Slot, type SlotAllows, type Template } from "./template";
import { CLIP_ID, PICTURE_ID, promotionOf, testClip, testDocument, testPicture } from "../testing/promotions";
import { ONE_OFFER, PRICE_ON_A_CARD } from "../templates/priceDrops";
import { THREE_REASONS } from "../templates/proofs";
import { SHIPPED_BY_REF, shippedRef } from "../templates/shipped";
import { newArrangement } from "./arrangements";
import { millis } from "../units";

const KEY = templateKey(shippedRef(ONE_OFFER));

/** The template with one scene's or slot's permission changed. */
function withAllows({
  scene,
  slot,
  allows,
}: {
  scene: string;
  slot?: string;
  allows: Partial<SceneAllows> | Partial<SlotAllows>;
}): Record<string, Template> {
  const scenes = ONE_OFFER.scenes.map((one) =>
    one.id !== scene
      ? one
      : slot === undefined
        ? { ...one, allows: { ...one.allows, ...(allows as Partial<SceneAllows>) } }
        : {
            ...one,
            slots: one.slots.map((other): Slot =>
              other.id === slot ? { ...other, allows: { ...other.allows, ...(allows as Partial<SlotAllows>) } } : other,
            ),
          },
  );
  return { ...SHIPPED_BY_REF, [KEY]: { ...ONE_OFFER, scenes } };
}

const CASES: readonly (readonly [what: string, edit: Edit, lock: Parameters<typeof withAllows>[0], words: string])[] = [
  [
    "words",
    { kind: "fill", slot: "hook.headline", fill: { kind: "words", text: "New" } },
    { scene: "hook", slot: "headline", allows: { content: false } },
    "What is in “Headline” is locked",
  ],
  [
    "a picture",
    { kind: "fill", slot: "hook.picture", fill: { kind: "media", media: CLIP_ID } },
    { scene: "hook", slot: "picture", allows: { content: false } },
    "What is in “Picture” is locked",
  ],
  [
    "a colour",
    { kind: "change-slot", slot: "hook.headline", change: { color: "accent" } },
    { scene: "hook", slot: "headline", allows: { color: false } },
    "The colour of “Headline” is locked",
  ],
  [
    "a place",
    {
      kind: "change-slot",
      slot: "hook.headline",
      change: { places: { square: { x: 60, y: 60, width: 400, height: 200 } } },
    },
    { scene: "hook", slot: "headline", allows: { position: false } },
    "The place of “Headline” is locked",
  ],
  [
    "a slot taken out",
    { kind: "change-slot", slot: "hook.headline", change: { hidden: true } },
    { scene: "hook", slot: "headline", allows: { remove: false } },
    "Taking out “Headline” is locked",
  ],
  [
    "an arrangement",
    { kind: "change-scene", scene: "hook", change: { what: "arrangement", value: newArrangement("split") } },
    { scene: "hook", allows: { arrangement: false } },
    "The arrangement of scene “Headline” is locked",
  ],
  [
    "a ground",
    { kind: "change-scene", scene: "hook", change: { what: "ground", value: "primary" } },
    { scene: "hook", allows: { color: false } },
    "The ground colour of scene “Headline” is locked",
  ],
  [
    "a length",
    { kind: "change-scene", scene: "hook", change: { what: "length", value: millis(5000) } },
    { scene: "hook", allows: { timing: false } },
    "The length of scene “Headline” is locked",
  ],
  [
    "a scene taken out",
    { kind: "scenes", scenes: testDocument().scenes.slice(1) },
    { scene: "hook", allows: { remove: false } },
    "Taking out scene “Headline” is locked",
  ],
];

test.each(CASES)(
  "%s: refused in words where the template locks it, taken where it does not",
  (_, edit, lock, words) => {
    const before = testDocument();
    const after = applyEdit(before, edit);
    expect(lockProblem(before, after, withAllows(lock))).toContain(words);
    const open = Object.fromEntries(Object.keys(lock.allows).map((key) => [key, true]));
    expect(lockProblem(before, after, withAllows({ ...lock, allows: open }))).toBeNull();
  },
);

test("no kind of edit goes round a lock: replacing the whole structure is compared like any other", () => {
  const before = testDocument();
  const { template, scenes, changes, spare } = before;
  const sly: Edit = {
    kind: "restructure",
    structure: { template, scenes, changes, spare, fills: { "hook.headline": { kind: "words", text: "Sly" } } },
  };
  expect(
    lockProblem(
      before,
      applyEdit(before, sly),
      withAllows({ scene: "hook", slot: "headline", allows: { content: false } }),
    ),
  ).toContain("locked");
});

test("a locked scene that was taken out by a designer need not come back", () => {
  const before = { ...testDocument(), scenes: testDocument().scenes.slice(0, 3) };
  expect(lockProblem(before, applyEdit(before, { kind: "rename", name: "Other" }), SHIPPED_BY_REF)).toBeNull();
});

test("inserted scenes bring their own locks, and what they lock cannot come filled", () => {
  const before = testDocument();
  const scenes = insertScenes(before, shippedRef(THREE_REASONS), ["claim"], 1);
  const locked: Template = {
    ...THREE_REASONS,
    scenes: THREE_REASONS.scenes.map((scene) =>
      scene.id === "claim"
        ? {
            ...scene,
            slots: scene.slots.map((slot): Slot => ({ ...slot, allows: { ...slot.allows, content: false } })),
          }
        : scene,
    ),
  };
  const templates = { ...SHIPPED_BY_REF, [templateKey(shippedRef(THREE_REASONS))]: locked };
  const inserted = applyEdit(before, { kind: "scenes", scenes });
  expect(lockProblem(before, inserted, templates)).toBeNull();
  expect(
    lockProblem(
      before,
      applyEdit(inserted, { kind: "fill", slot: "claim.headline", fill: { kind: "words", text: "Four" } }),
      templates,
    ),
  ).toContain("locked");
});

test.each([
  [{ "hook.nothing": { kind: "words", text: "x" } }, "no slot “hook.nothing”"],
  [{ "hook.headline": { kind: "media", media: PICTURE_ID } }, "“Headline” takes words, not media"],
] as [Promotion["fills"], string][])("fills %j do not fit the template", (fills, message) => {
  expect(promotionProblem(testDocument({ fills }), SHIPPED_BY_REF)).toContain(message);
});

test("fills of a scene that was taken out wait for it", () => {
  const fills: Promotion["fills"] = { "hook.headline": { kind: "words", text: "Wait" } };
  expect(
    promotionProblem({ ...testDocument({ fills }), scenes: testDocument().scenes.slice(1) }, SHIPPED_BY_REF),
  ).toBeNull();
});

test("a scene inserted twice gets an id of its own, and never that of a scene that was taken out", () => {
  const fills: Promotion["fills"] = { "claim.headline": { kind: "words", text: "Kept" } };
  const ids = insertScenes(testDocument({ fills }), shippedRef(THREE_REASONS), ["claim", "first"], 4).map(
    ({ id }) => id,
  );
  expect(ids).toEqual(["hook", "product", "offer", "sign-off", "claim-2", "first"]);
  expect(() =>
    insertScenes(
      {
        ...testDocument(),
        scenes: Array.from(
          { length: 24 },
          (_, index) => ({ ...testDocument().scenes[0], id: `s-${index}` }) as Promotion["scenes"][number],
        ),
      },
      shippedRef(THREE_REASONS),
      ["claim"],
      0,
    ),
  ).toThrow("at most 24 scenes");
});

test("inserted scenes come with their empty pictures filled from what is at hand, but for those that are locked", () => {
  const media = [testPicture(), testClip()];
  const filled = withScenes(
    testDocument(),
    { ref: shippedRef(THREE_REASONS), template: THREE_REASONS },
    ["second", "third"],
    { at: 1, media, hasProductPicture: true },
  );
  expect(filled.fills).toEqual({
    "second.picture": { kind: "media", media: PICTURE_ID },
    "third.picture": { kind: "media", media: CLIP_ID },
  });
  const locked: Template = {
    ...THREE_REASONS,
    scenes: THREE_REASONS.scenes.map((scene) => ({
      ...scene,
      slots: scene.slots.map((slot): Slot => ({ ...slot, allows: { ...slot.allows, content: false } })),
    })),
  };
  expect(
    withScenes(testDocument(), { ref: shippedRef(THREE_REASONS), template: locked }, ["second"], {
      at: 1,
      media,
      hasProductPicture: true,
    }).fills,
  ).toEqual({});
});

test("a repeated scene stands behind its first, with everything that is in it", () => {
  const document = testDocument({ fills: { "hook.headline": { kind: "words", text: "Twice" } } });
  const structure = repeatScene(document, "hook");
  expect(structure.scenes.map(({ id }) => id)).toEqual(["hook", "hook-2", "product", "offer", "sign-off"]);
  expect(structure.fills["hook-2.headline"]).toEqual({ kind: "words", text: "Twice" });
});

describe("moving to another template", () => {
  const filled = testDocument({
    fills: {
      "hook.headline": { kind: "words", text: "Bring the bench to life" },
      "product.name": { kind: "words", text: "The pot" },
      "offer.terms": { kind: "words", text: "While stocks last" },
      "hook.picture": { kind: "media", media: PICTURE_ID },
      "sign-off.call": { kind: "words", text: "Come by" },
    },
  });

  test("keeps what fits, by address first, then by kind and use; names the rest and keeps it aside", () => {
    const { structure, unplaced } = moveToTemplate(
      filled,
      SHIPPED_BY_REF,
      shippedRef(PRICE_ON_A_CARD),
      PRICE_ON_A_CARD,
    );
    expect(structure.fills).toEqual({
      "sign-off.call": { kind: "words", text: "Come by" },
      "card.name": { kind: "words", text: "The pot" },
      "card.picture": { kind: "media", media: PICTURE_ID },
    });
    expect(unplaced).toEqual(["Headline", "Terms"]);
    expect(structure.spare.map(({ fill }) => fill)).toEqual([
      { kind: "words", text: "Bring the bench to life" },
      { kind: "words", text: "While stocks last" },
    ]);
    expect(promotionProblem({ ...filled, ...structure }, SHIPPED_BY_REF)).toBeNull();
  });

  test("there and back loses nothing: every fill is in a slot or among the spare ones", () => {
    const there = {
      ...filled,
      ...moveToTemplate(filled, SHIPPED_BY_REF, shippedRef(PRICE_ON_A_CARD), PRICE_ON_A_CARD).structure,
    };
    const back = { ...there, ...moveToTemplate(there, SHIPPED_BY_REF, shippedRef(ONE_OFFER), ONE_OFFER).structure };
    const all = (document: Promotion): string[] =>
      [...Object.values(document.fills), ...document.spare.map(({ fill }) => fill)]
        .map((fill) => JSON.stringify(fill))
        .sort();
    expect(all(back)).toEqual(all(filled));
  });

  test("to the same template it changes no fill", () => {
    expect(moveToTemplate(filled, SHIPPED_BY_REF, shippedRef(ONE_OFFER), ONE_OFFER).structure.fills).toEqual(
      filled.fills,
    );
  });

  test("any shipped template can be moved to any other, and the result is sound", () => {
    for (const from of Object.values(SHIPPED_BY_REF))
      for (const to of Object.values(SHIPPED_BY_REF)) {
        const document = promotionOf(from);
        expect(
          promotionProblem(
            { ...document, ...moveToTemplate(document, SHIPPED_BY_REF, shippedRef(to), to).structure },
            SHIPPED_BY_REF,
          ),
        ).toBeNull();
      }
  });
});
