import { SHIPPED_TEMPLATES, shippedRef } from "../templates/shipped";
import { ONE_OFFER } from "../templates/priceDrops";
import { defined } from "../testing/defined";
import { testFacts } from "../testing/promotions";
import { millis } from "../units";
import { designOf } from "./design";
import { type Edit } from "./edit";
import { adjust } from "./edits";
import { setForAll } from "./forAllEdits";
import { setLook } from "./lookEdits";
import { asSet, withPresetEdit } from "./presetEdits";
import { type Template } from "./template";
import { listedTemplate, templateDocument } from "./templateDocument";
import { readTemplateDocument } from "./templateSchema";
import { triedIn } from "./tryOut";

const on = { ref: { slug: "draft", edition: 1 }, product: null, media: [], hasProductPicture: false };
const tried = (draft: Template) => triedIn(testFacts(), draft, "usual words", on);
const edited = (draft: Template, ...edits: readonly Edit[]): Template =>
  edits.reduce((now, edit) => withPresetEdit(now, tried(now).document, edit), draft);
/** The draft as it is designed where it is used. */
const designed = (draft: Template) => {
  const { document, facts } = tried(draft);
  return designOf(document, facts.templates);
};
const AT = { target: { scene: "offer" } };

test("what a template sets for a scene is so in what is made of it", () => {
  const draft = edited(
    ONE_OFFER,
    adjust("goesOn", true, AT),
    adjust("transition", "reveal", AT),
    adjust("joinColor", "white", AT),
    adjust("goes", "shrink", AT),
    adjust("shade", 0.7, AT),
    setLook("offer.picture", [{ kind: "look", look: "slate", strength: 0.5 }]),
  );
  const scene = defined(designed(draft).scenes.find(({ id }) => id === "offer"));
  expect(scene).toMatchObject({
    goesOn: true,
    join: { kind: "reveal", color: "white" },
    movement: { exit: "shrink" },
    behindWords: { shade: 0.7 },
    looks: { picture: [{ look: "slate" }] },
  });
  // Others are as they were, and it can be kept and read again.
  const others = (template: Template) => designed(template).scenes.filter(({ id }) => id !== "offer");
  expect(others(draft)).toEqual(others(ONE_OFFER));
  const kept: unknown = JSON.parse(JSON.stringify(templateDocument(draft)));
  expect(listedTemplate(readTemplateDocument(kept)).adjustments).toEqual(draft.adjustments);
});

test("what its scenes and its style hold themselves stays there, in one place", () => {
  const draft = edited(
    ONE_OFFER,
    adjust("overlap", millis(900), AT),
    setForAll(
      asSet(tried(ONE_OFFER).document, ONE_OFFER),
      [
        ["motion", "pop"],
        ["transition", "wipe"],
        ["zoom", false],
      ],
      "All",
    ),
  );
  expect(defined(draft.scenes.find(({ id }) => id === "offer")).overlap).toBe(900);
  expect(draft.style).toMatchObject({ motion: "pop", transition: "wipe", zoom: false });
  expect(draft.adjustments).toEqual(ONE_OFFER.adjustments);
  const even = edited(draft, setForAll(asSet(tried(draft).document, draft), [["overlap", millis(300)]], "All"));
  expect(even.scenes.map(({ overlap }) => overlap)).toEqual(even.scenes.map(() => 300));
  expect(even.adjustments).toEqual(ONE_OFFER.adjustments);
});

test("taking back what was set leaves the template as it was", () => {
  for (const template of SHIPPED_TEMPLATES) {
    const scene = defined(template.scenes.at(-1)).id;
    const target = { target: { scene } };
    const before = template.adjustments[scene]?.goesOn ?? null;
    const back = edited(template, adjust("goesOn", true, target), adjust("goesOn", before, target));
    expect(back).toEqual(template);
    expect(shippedRef(template).slug).toBe(template.slug);
  }
});
