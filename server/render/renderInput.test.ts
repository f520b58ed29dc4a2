import { resolvePromotion } from "../../core/document/resolve";
import { preparePromotion } from "../../core/scene/preparePromotion";
import { fontFilesWanted } from "../../core/scene/wantedFiles";
import { openWanted, testBook } from "../../core/testing/fonts";
import { testDocument, testFacts } from "../../core/testing/promotions";
import { readRenderInput } from "./renderInput";

const stored = (value: unknown): object => JSON.parse(JSON.stringify(value)) as object;

test("a render that was asked for before templates had editions can be taken up again", async () => {
  // What is undefined is left out of JSON, as it was not there then.
  const facts = {
    ...testFacts(),
    templates: undefined,
    products: undefined,
    listed: undefined,
    brand: { ...testFacts().brand, website: undefined },
  };
  const now = testDocument({ fills: { "hook.headline": { kind: "words", text: "Stored in the old days" } } });
  const document = {
    ...now,
    version: 1,
    template: now.template.slug,
    scenes: undefined,
    changes: undefined,
    spare: undefined,
  };
  const input = readRenderInput(stored({ document, facts, hashes: { a: "b" } }));
  expect(input.hashes).toEqual({ a: "b" });
  const promotion = resolvePromotion(input.document, input.facts);
  const book = testBook();
  await openWanted(book, () => fontFilesWanted(promotion, book));
  const { scenes } = preparePromotion(promotion, "square", book);
  expect(scenes).toHaveLength(4);
  expect(scenes[0]?.slots.map(({ text }) => text)).toContain("Stored in the old days");
});

test("the input of today is read as it was written, and what lacks a part is refused", () => {
  const input = { document: testDocument(), facts: testFacts(), hashes: {} };
  expect(readRenderInput(stored(input))).toEqual(stored(input));
  expect(() => readRenderInput({ document: testDocument() })).toThrow("lacks its input");
  const [media] = Object.keys(input.facts.media);
  const unknownKind = { ...input.facts, media: { [media ?? ""]: { kind: "smell" } } };
  expect(() => readRenderInput(stored({ ...input, facts: unknownKind }))).toThrow("lacks its input");
  expect(() => readRenderInput(stored({ ...input, hashes: { a: 7 } }))).toThrow("lacks its input");
  expect(() => readRenderInput(stored({ ...input, facts: { ...input.facts, brand: undefined } }))).toThrow(
    "lacks its input",
  );
});
