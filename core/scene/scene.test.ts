import { mediaFill } from "../document/shots";
import fc from "fast-check";
import { type Promotion } from "../document/promotion";
import { resolvePromotion } from "../document/resolve";
import { type SlotKey } from "../document/sceneTemplate";
import { contains, overlaps } from "../geometry/rect";
import { formatOf, USUAL_FORMATS, safeArea } from "../placement/formats";
import { findingsOf } from "../preflight/findings";
import { openWanted, testBook } from "../testing/fonts";
import { CLIP_ID, PICTURE_ID, testClip, testDocument, testFacts, testPicture } from "../testing/promotions";
import { anyWords } from "../testing/words";
import { type DisplayNode, everyNode, sameFrame } from "./displayList";
import { displayListAt, newMemory, preparePromotion, settledTime } from "./preparePromotion";
import { fontFilesWanted } from "./wantedFiles";
import { ticksOf } from "../time/ticks";

const book = testBook();

async function prepared(document: Promotion, facts = testFacts()) {
  const promotion = resolvePromotion(document, facts);
  await openWanted(book, () => fontFilesWanted(promotion, book));
  return USUAL_FORMATS.map((format) => preparePromotion(promotion, format, book));
}

const SLOTS: readonly SlotKey[] = [
  "hook.headline",
  "product.name",
  "product.line",
  "offer.terms",
  "sign-off.call",
  "sign-off.website",
  "sign-off.handle",
];
const fills = fc
  .tuple(...SLOTS.map(() => fc.option(anyWords)))
  .map(
    (texts) =>
      Object.fromEntries(
        texts.flatMap((text, index) => (text === null ? [] : [[SLOTS[index] ?? "", { kind: "words", text }]])),
      ) as Promotion["fills"],
  );
const shape = fc
  .tuple(fc.integer({ min: 200, max: 4000 }), fc.double({ min: 0.25, max: 4, noNaN: true }))
  .map(([width, ratio]) => ({ width, height: Math.max(1, Math.round(width / ratio)) }));

test("for any words, picture shape and logo shape, in all formats: words and logo lie inside the safe area and none overlap", async () => {
  await fc.assert(
    fc.asyncProperty(fills, shape, shape, async (chosen, picture, logo) => {
      const facts = testFacts();
      const brand = {
        ...facts.brand,
        logos: [{ variant: "full" as const, picture: testPicture({ ...logo, id: "logo" }) }],
      };
      for (const one of await prepared(testDocument({ fills: chosen }), {
        ...facts,
        brand,
        media: { ...facts.media, [PICTURE_ID]: testPicture(picture) },
      })) {
        const safe = safeArea(formatOf(one.format));
        for (const scene of one.scenes) {
          const placed = scene.slots.filter((slot) => slot.kind !== "picture" && slot.place.width > 0);
          for (const slot of placed) expect(contains(safe, slot.place, 1e-3)).toBe(true);
          placed.forEach((slot, index) =>
            placed.slice(index + 1).forEach((other) => expect(overlaps(slot.place, other.place, 1e-3)).toBe(false)),
          );
        }
      }
    }),
    { numRuns: 40 },
  );
});

test("type is never under its least size without a finding", async () => {
  await fc.assert(
    fc.asyncProperty(fills, async (chosen) => {
      const document = testDocument({ fills: chosen });
      const formats = await prepared(document);
      const found = findingsOf({ document, promotion: resolvePromotion(document, testFacts()) }, formats).filter(
        ({ rule }) => rule === "words-fit",
      );
      for (const { format, scenes } of formats)
        for (const slot of scenes.flatMap((scene) => scene.slots)) {
          if (!slot.fitted || slot.fitted.size >= slot.smallest || slot.fitted.lines.length === 0) continue;
          expect(slot.fitted.fits).toBe(false);
          expect(found.map(({ where }) => [where.format, where.slot])).toContainEqual([format, slot.key]);
        }
    }),
    { numRuns: 25 },
  );
});

test("where a picture must cover, it leaves no gap, in every scene, format and moment", async () => {
  await fc.assert(
    fc.asyncProperty(shape, fc.integer({ min: 0, max: 15_000 }), async (picture, time) => {
      const facts = testFacts();
      for (const one of await prepared(testDocument(), {
        ...facts,
        media: { ...facts.media, [PICTURE_ID]: testPicture(picture) },
      }))
        for (const node of everyNode(displayListAt(one, ticksOf(time)))) {
          if (node.kind !== "picture" || node.media !== PICTURE_ID) continue;
          expect(contains({ x: 0, y: 0, ...picture }, node.part, 1e-6)).toBe(true);
          expect(Math.abs(node.part.width / node.part.height - node.place.width / node.place.height)).toBeLessThan(
            1e-6,
          );
        }
    }),
    { numRuns: 30 },
  );
});

test("words added to one slot never move another scene", async () => {
  const [before] = await prepared(testDocument());
  const [after] = await prepared(
    testDocument({
      fills: { "hook.headline": { kind: "words", text: "Everything on the bench, and a good deal more than that" } },
    }),
  );
  expect(after?.scenes.slice(1).map((scene) => scene.slots.map(({ place }) => place))).toEqual(
    before?.scenes.slice(1).map((scene) => scene.slots.map(({ place }) => place)),
  );
});

test("an optional slot left empty closes up: the others keep no hole for it", async () => {
  const [withLine] = await prepared(testDocument());
  const [without] = await prepared(testDocument({ fills: { "product.line": { kind: "words", text: "" } } }));
  const keys = (one: typeof withLine): string[] =>
    (one?.scenes[1]?.slots ?? []).filter(({ kind }) => kind === "words").map(({ key }) => key);
  expect(keys(withLine)).toEqual(["product.name", "product.line"]);
  expect(keys(without)).toEqual(["product.name"]);
});

test("only the scene that changed is prepared again", async () => {
  const memory = newMemory();
  const make = (text: string) =>
    preparePromotion(
      resolvePromotion(testDocument({ fills: { "hook.headline": { kind: "words", text } } }), testFacts()),
      "square",
      book,
      memory,
    );
  await prepared(testDocument());
  const [one, two] = [make("Bring it"), make("Bring it on")];
  expect(two.scenes.map((scene, index) => scene === one.scenes[index])).toEqual([false, true, true, true]);
});

test("a still moment is the same frame by identity, a zooming one is not", async () => {
  const [square] = await prepared(testDocument());
  if (!square) throw new Error("nothing prepared");
  expect(sameFrame(displayListAt(square, ticksOf(13_000)), displayListAt(square, ticksOf(13_033)))).toBe(true);
  expect(sameFrame(displayListAt(square, ticksOf(2000)), displayListAt(square, ticksOf(2033)))).toBe(false);
});

test("every scene's settled moment shows all its words, unmoved", async () => {
  for (const one of await prepared(testDocument()))
    one.spans.forEach((span, index) => {
      const list = displayListAt(one, ticksOf(settledTime(span)));
      expect(list.some((node) => node.kind === "transformed" || node.kind === "layer")).toBe(false);
      const wordsSlots = one.scenes[index]?.slots.filter((slot) => slot.kind === "words") ?? [];
      expect(list.filter((node) => node.kind === "still").length).toBeGreaterThanOrEqual(wordsSlots.length);
    });
});

test("words and movement are on screen within the first second (common practice)", async () => {
  for (const one of await prepared(testDocument())) {
    const shows = [...everyNode(displayListAt(one, ticksOf(900)))].filter((node: DisplayNode) => node.kind === "shape");
    expect(shows.length).toBeGreaterThan(0);
    expect(sameFrame(displayListAt(one, ticksOf(0)), displayListAt(one, ticksOf(500)))).toBe(false);
  }
});

test("a clip plays at its own rate and holds its last frame when it is shorter than its scene", async () => {
  const facts = testFacts();
  const clip = testClip({ frames: 50, rate: { numerator: 25, denominator: 1 } });
  const [square] = await prepared(testDocument({ fills: { "product.picture": mediaFill(CLIP_ID) } }), {
    ...facts,
    media: { ...facts.media, [CLIP_ID]: clip },
  });
  const frameAt = (time: number): number | undefined => {
    const node = square && [...everyNode(displayListAt(square, ticksOf(time)))].find((one) => one.kind === "clip");
    return node?.kind === "clip" ? node.frame : undefined;
  };
  expect([frameAt(3500), frameAt(4000), frameAt(6400)]).toEqual([12, 25, 49]);
});
