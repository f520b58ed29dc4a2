import { mediaFill } from "./shots";
import { designOf } from "./design";
import { type Edit } from "./edit";
import { adjust, applyEdit, editTo, fillSlot, inverseOf, rename, takeOutScene } from "./edits";
import { templateKey } from "./facts";
import { lockProblem, promotionProblem } from "./locks";
import { FIELDS, FIELD_IDS } from "./fields";
import { type Promotion } from "./promotion";
import { scenesInOrder } from "./sceneList";
import { insertScenes, moveToTemplate, repeatScene, withScenes } from "./restructure";
import { type Slot } from "./sceneTemplate";
import { type Template } from "./template";
import { CLIP_ID, PICTURE_ID, promotionOf, testClip, testDocument, testPicture } from "../testing/promotions";
import { ONE_OFFER, PRICE_ON_A_CARD } from "../templates/priceDrops";
import { THREE_REASONS } from "../templates/proofs";
import { SHIPPED_BY_REF, shippedRef } from "../templates/shipped";
import { defined } from "../testing/defined";
import { FREE_SETTINGS, SETTINGS } from "../testing/settings";
import { withAllows } from "../testing/withAllows";

const idsOf = (document: Promotion): string[] => scenesInOrder(document).map(({ id }) => id);

const HOOK = { scene: "hook" };
const HEADLINE = { scene: "hook", slot: "headline" };

interface Locked {
  readonly what: string;
  readonly edit: Edit;
  readonly lock: Parameters<typeof withAllows>[0];
  readonly words: string;
}
/** Every field of the registry that a template can lock, in every layer in which it can be set for a scene or slot. */
const SET = SETTINGS.map(({ what, id, edit, slot }): Locked => {
  const { of, lock, named } = FIELDS[id];
  return {
    what,
    edit,
    lock: { scene: "hook", ...(slot ? { slot } : {}), allows: { [lock ?? ""]: false } },
    words: `${named} ${of === "scene" ? "scene " : ""}“${slot === "picture" ? "Picture" : "Headline"}” is locked`,
  };
});
const CASES: readonly Locked[] = [
  ...SET,
  {
    what: "words",
    edit: fillSlot("hook.headline", { kind: "words", text: "New" }),
    lock: { ...HEADLINE, allows: { content: false } },
    words: "What is in “Headline” is locked",
  },
  {
    what: "a picture",
    edit: fillSlot("hook.picture", mediaFill(CLIP_ID)),
    lock: { scene: "hook", slot: "picture", allows: { content: false } },
    words: "What is in “Picture” is locked",
  },
  {
    what: "a scene taken out",
    edit: takeOutScene("hook"),
    lock: { scene: "hook", allows: { remove: false } },
    words: "Taking out scene “Headline” is locked",
  },
];

describe.each(CASES)("$what", ({ edit, lock, words }) => {
  const before = testDocument();

  test("is refused in words where the template locks it, and taken where it does not", () => {
    const after = applyEdit(before, edit);
    expect(lockProblem(before, after, withAllows(lock))).toContain(words);
    const open = Object.fromEntries(Object.keys(lock.allows).map((key) => [key, true]));
    expect(lockProblem(before, after, withAllows({ ...lock, allows: open }))).toBeNull();
  });

  test("giving it back is locked as well, once a designer has done it", () => {
    const after = applyEdit(before, edit);
    const back = applyEdit(after, inverseOf(before, edit));
    expect(back).toEqual(before);
    // A scene that a designer took out may be put back by anybody.
    if (edit.patch[0]?.path !== "/scenes/hook") expect(lockProblem(after, back, withAllows(lock))).toContain(words);
  });
});

test("no place to set a field is left out of the locks' cases", () => {
  const lockable = FIELD_IDS.filter((id) => FIELDS[id].lock !== null);
  const layers = lockable.flatMap((id) => FIELDS[id].layers.filter((layer) => !layer.startsWith("@")));
  expect(SET).toHaveLength(layers.length);
});

test("a scene’s script is everybody’s, whatever its template locks", () => {
  const [setting, ...others] = FREE_SETTINGS;
  expect(others).toEqual([]);
  const allows = { arrangement: false, timing: false, color: false, remove: false };
  const after = applyEdit(testDocument(), defined(setting).edit);
  expect(after.adjustments["hook"]?.script).toBeDefined();
  expect(lockProblem(testDocument(), after, withAllows({ scene: "hook", allows }))).toBeNull();
});

test("many changes in one edit are compared like any other", () => {
  const before = testDocument();
  const after = testDocument({
    name: "Sly",
    fills: { "hook.headline": { kind: "words", text: "Sly" }, "product.line": { kind: "words", text: "Open" } },
  });
  const lock = withAllows({ ...HEADLINE, allows: { content: false } });
  expect(lockProblem(before, applyEdit(before, editTo(before, after, "All at once")), lock)).toContain("locked");
});

test("what holds for the whole promotion leaves a locked scene as it is, and is no problem", () => {
  const before = testDocument();
  const after = applyEdit(before, adjust("zoom", false, { target: HOOK, layer: "@all" }));
  const templates = withAllows({ scene: "hook", allows: { arrangement: false } });
  expect(lockProblem(before, after, templates)).toBeNull();
  // The sign-off is locked in the shipped template.
  expect(designOf(after, templates).scenes.map(({ style }) => style.zoom)).toEqual([true, false, false, true]);
});

test("a locked scene that was taken out by a designer need not come back", () => {
  const before = applyEdit(testDocument(), takeOutScene("sign-off"));
  expect(lockProblem(before, applyEdit(before, rename("Other")), SHIPPED_BY_REF)).toBeNull();
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
  const inserted = applyEdit(before, editTo(before, { ...before, scenes }, "Insert scenes"));
  expect(lockProblem(before, inserted, templates)).toBeNull();
  expect(
    lockProblem(before, applyEdit(inserted, fillSlot("claim.headline", { kind: "words", text: "Four" })), templates),
  ).toContain("locked");
});

test.each([
  [{ "hook.nothing": { kind: "words", text: "x" } }, "no slot “hook.nothing”"],
  [{ "hook.headline": mediaFill(PICTURE_ID) }, "“Headline” takes words, not media"],
] as [Promotion["fills"], string][])("fills %j do not fit the template", (fills, message) => {
  expect(promotionProblem(testDocument({ fills }), SHIPPED_BY_REF)).toContain(message);
});

test.each([
  [{ "hook.nothing": { hidden: true } }, "no slot “hook.nothing”"],
  [{ "hook.picture": { color: "accent" } }, "“Picture” has no colour to set"],
] as [Promotion["adjustments"], string][])("settings %j do not fit the template", (adjustments, message) => {
  expect(promotionProblem(testDocument({ adjustments }), SHIPPED_BY_REF)).toContain(message);
});

test("fills of a scene that was taken out wait for it", () => {
  const fills: Promotion["fills"] = { "hook.headline": { kind: "words", text: "Wait" } };
  expect(promotionProblem(applyEdit(testDocument({ fills }), takeOutScene("hook")), SHIPPED_BY_REF)).toBeNull();
});

test("a scene inserted twice gets an id of its own, and never that of a scene that was taken out", () => {
  const fills: Promotion["fills"] = { "claim.headline": { kind: "words", text: "Kept" } };
  const document = testDocument({ fills });
  const scenes = insertScenes(document, shippedRef(THREE_REASONS), ["claim", "first"], 4);
  expect(idsOf({ ...document, scenes })).toEqual(["hook", "product", "offer", "sign-off", "claim-2", "first"]);
  const many = Object.fromEntries(
    Array.from({ length: 24 }, (_, index) => [
      `s-${index}`,
      { order: "a0", from: defined(document.scenes["hook"]).from },
    ]),
  );
  expect(() => insertScenes({ ...document, scenes: many }, shippedRef(THREE_REASONS), ["claim"], 0)).toThrow(
    "at most 24 scenes",
  );
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
    "second.picture": mediaFill(PICTURE_ID),
    "third.picture": mediaFill(CLIP_ID),
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
  const set = applyEdit(document, adjust("color", "accent", { target: HEADLINE }));
  const repeated = repeatScene(set, "hook");
  expect(idsOf(repeated)).toEqual(["hook", "hook-2", "product", "offer", "sign-off"]);
  expect(repeated.fills["hook-2.headline"]).toEqual({ kind: "words", text: "Twice" });
  expect(repeated.adjustments["hook-2.headline"]).toEqual({ color: "accent" });
});

describe("moving to another template", () => {
  const filled = testDocument({
    fills: {
      "hook.headline": { kind: "words", text: "Bring the bench to life" },
      "product.name": { kind: "words", text: "The pot" },
      "offer.terms": { kind: "words", text: "While stocks last" },
      "hook.picture": mediaFill(PICTURE_ID),
      "sign-off.call": { kind: "words", text: "Come by" },
    },
  });

  test("keeps what fits, by address first, then by kind and use; names the rest and keeps it aside", () => {
    const { document, unplaced } = moveToTemplate(filled, SHIPPED_BY_REF, shippedRef(PRICE_ON_A_CARD), PRICE_ON_A_CARD);
    expect(document.fills).toEqual({
      "sign-off.call": { kind: "words", text: "Come by" },
      "card.name": { kind: "words", text: "The pot" },
      "card.picture": mediaFill(PICTURE_ID),
    });
    expect(unplaced).toEqual(["Headline", "Terms"]);
    expect(Object.values(document.spare).map(({ fill }) => fill)).toEqual([
      { kind: "words", text: "Bring the bench to life" },
      { kind: "words", text: "While stocks last" },
    ]);
    expect(promotionProblem(document, SHIPPED_BY_REF)).toBeNull();
  });

  test("there and back loses nothing: every fill is in a slot or among the spare ones", () => {
    const there = moveToTemplate(filled, SHIPPED_BY_REF, shippedRef(PRICE_ON_A_CARD), PRICE_ON_A_CARD).document;
    const back = moveToTemplate(there, SHIPPED_BY_REF, shippedRef(ONE_OFFER), ONE_OFFER).document;
    const all = (document: Promotion): string[] =>
      [...Object.values(document.fills), ...Object.values(document.spare).map(({ fill }) => fill)]
        .map((fill) => JSON.stringify(fill))
        .sort();
    expect(all(back)).toEqual(all(filled));
  });

  test("to the same template it changes no fill", () => {
    expect(moveToTemplate(filled, SHIPPED_BY_REF, shippedRef(ONE_OFFER), ONE_OFFER).document.fills).toEqual(
      filled.fills,
    );
  });

  test("any shipped template can be moved to any other, and the result is sound", () => {
    for (const from of Object.values(SHIPPED_BY_REF))
      for (const to of Object.values(SHIPPED_BY_REF)) {
        const document = promotionOf(from);
        expect(
          promotionProblem(moveToTemplate(document, SHIPPED_BY_REF, shippedRef(to), to).document, SHIPPED_BY_REF),
        ).toBeNull();
      }
  });
});
