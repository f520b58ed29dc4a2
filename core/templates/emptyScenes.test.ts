import { ARRANGEMENT_NAMES } from "../document/arrangements";
import { fillSlot, applyEdit } from "../document/edits";
import { insertScenes } from "../document/restructure";
import { resolvePromotion } from "../document/resolve";
import { promotionProblem } from "../document/locks";
import { readTemplate } from "../document/templateSchema";
import { templateDocument } from "../document/templateDocument";
import { mediaFill } from "../document/shots";
import { slotKey } from "../document/sceneTemplate";
import { findingsOf } from "../preflight/findings";
import { NAMED_FORMATS } from "../placement/formats";
import { preparePromotion } from "../scene/preparePromotion";
import { fontFilesWanted } from "../scene/wantedFiles";
import { openWanted, testBook } from "../testing/fonts";
import { PICTURE_ID, testDocument, testFacts } from "../testing/promotions";
import { EMPTY_SCENES } from "./emptyScenes";
import { SHIPPED_BY_REF, SHIPPED_TEMPLATES, isShippedSlug, shippedRef } from "./shipped";

test("there is an empty scene for every arrangement; none is a template that a promotion begins with", () => {
  expect(EMPTY_SCENES.scenes.map(({ arrangement }) => arrangement.name)).toEqual(ARRANGEMENT_NAMES);
  expect(readTemplate(templateDocument(EMPTY_SCENES))).toEqual(EMPTY_SCENES);
  expect(SHIPPED_TEMPLATES).not.toContain(EMPTY_SCENES);
  expect(isShippedSlug(EMPTY_SCENES.slug)).toBe(true);
  expect(isShippedSlug("no-such-template")).toBe(false);
});

test.each(ARRANGEMENT_NAMES)(
  "an empty scene “%s” can be put in, shown with nothing in it, and filled",
  async (name) => {
    const document = testDocument();
    const scenes = insertScenes(document, shippedRef(EMPTY_SCENES), [name], 1);
    const empty = { ...document, scenes };
    expect(promotionProblem(empty, SHIPPED_BY_REF)).toBeNull();
    const scene = EMPTY_SCENES.scenes.find(({ id }) => id === name);
    const id = Object.keys(scenes).find((one) => !(one in document.scenes)) ?? "";
    const filled = (scene?.slots ?? []).reduce((made, slot) => {
      if (slot.kind === "words") return applyEdit(made, fillSlot(slotKey({ id }, slot), { kind: "words", text: "5" }));
      return slot.kind === "media" ? applyEdit(made, fillSlot(slotKey({ id }, slot), mediaFill(PICTURE_ID))) : made;
    }, empty);
    const book = testBook();
    const parts = await Promise.all(
      [empty, filled].map(async (one) => {
        const promotion = resolvePromotion(one, testFacts());
        await openWanted(book, () => fontFilesWanted(promotion, book));
        const prepared = NAMED_FORMATS.map((format) => preparePromotion(promotion, format, book));
        // Nothing in it must be filled: what is left empty is no finding.
        expect(
          findingsOf({ document: one, promotion }, prepared).filter(({ where }) => where.slot?.startsWith(`${id}.`)),
        ).not.toContainEqual(expect.objectContaining({ rule: "slots-filled" }));
        return prepared.map(
          (own) => own.scenes[1]?.slots.filter(({ text, framed }) => text !== "" || framed).length ?? 0,
        );
      }),
    );
    for (const [index, count] of (parts[0] ?? []).entries()) expect(parts[1]?.[index]).toBeGreaterThan(count);
  },
);
