import bezier from "bezier-easing";
import { resolvePromotion } from "../document/resolve";
import { type Template } from "../document/template";
import { formatOf, USUAL_FORMATS, type FormatName } from "../placement/formats";
import { ONE_OFFER } from "../templates/priceDrops";
import { SHIPPED_BY_REF } from "../templates/shipped";
import { defined } from "../testing/defined";
import { openWanted, testBook } from "../testing/fonts";
import { testDocument, testFacts } from "../testing/promotions";
import { type DisplayList } from "./displayList";
import { displayListAt, preparePromotion } from "./preparePromotion";
import { fontFilesWanted } from "./wantedFiles";
import { ticksOf } from "../time/ticks";

/** CSS Easing 1, cubic-bezier(0.4, 0, 0.6, 1), by a library of its own. */
const eased = bezier(0.4, 0, 0.6, 1);
const SHARES = [0.1, 0.25, 0.5, 0.8, 0.95];

/** The frames of one promotion under one way of giving way, and when its second scene comes in. */
async function under(transition: Template["style"]["transition"], format: FormatName) {
  const template = { ...ONE_OFFER, style: { ...ONE_OFFER.style, transition } };
  const facts = testFacts({ templates: { ...SHIPPED_BY_REF, "one-offer@1": template } });
  const promotion = resolvePromotion(testDocument(), facts);
  const book = testBook();
  await openWanted(book, () => fontFilesWanted(promotion, book));
  const prepared = preparePromotion(promotion, format, book);
  const [leaving, coming] = [defined(promotion.spans[0]), defined(promotion.spans[1])];
  const { start, entered } = coming;
  expect(leaving.end).toBe(entered);
  return {
    at: (share: number): DisplayList => displayListAt(prepared, ticksOf(start + share * (entered - start))),
    before: displayListAt(prepared, ticksOf(start - 1)),
    after: displayListAt(prepared, ticksOf(entered + 1)),
  };
}

describe.each(USUAL_FORMATS)("in %s", (format) => {
  const { width } = formatOf(format);

  test("a wipe uncovers the coming scene from the left, over the one that leaves, by the easing of CSS", async () => {
    const { at } = await under("wipe", format);
    for (const share of SHARES) {
      const list = at(share);
      const clipped = list.filter((node) => node.kind === "clipped");
      expect(clipped).toHaveLength(1);
      const edge = defined(clipped[0]);
      expect(list.at(-1)).toBe(edge);
      expect(edge.place).toMatchObject({ x: 0, y: 0, height: formatOf(format).height });
      expect(Math.abs(edge.place.width / width - eased(share))).toBeLessThan(1e-3);
      expect(edge.children.length).toBeGreaterThan(0);
      expect(list.length).toBeGreaterThan(1);
    }
  });

  test("a push moves both scenes as one: on whole units, side by side, no gap and nothing twice", async () => {
    const { at } = await under("push", format);
    for (const share of SHARES) {
      const [leaving, coming, ...more] = at(share);
      expect(more).toEqual([]);
      if (leaving?.kind !== "transformed" || coming?.kind !== "transformed")
        throw new Error("A push is two moved scenes.");
      const [from, to] = [leaving.map, coming.map];
      expect(Number.isInteger(from.e)).toBe(true);
      expect(to.e - from.e).toBe(width);
      expect(Math.abs(-from.e / width - eased(share))).toBeLessThan(1e-3);
      expect([leaving, coming].map(({ alpha, map: { a, b, c, d, f } }) => [alpha, a, b, c, d, f])).toEqual([
        [1, 1, 0, 0, 1, 0],
        [1, 1, 0, 0, 1, 0],
      ]);
    }
  });

  test("a crossfade lays the coming scene over the other, more and more", async () => {
    const { at } = await under("crossfade", format);
    for (const share of SHARES) {
      const layer = at(share).at(-1);
      if (layer?.kind !== "layer") throw new Error("A crossfade ends with a layer.");
      expect(Math.abs(layer.alpha - eased(share))).toBeLessThan(1e-3);
    }
  });

  test.each(["wipe", "push", "crossfade"] as const)("around a %s only one scene is shown", async (transition) => {
    const { before, after } = await under(transition, format);
    for (const list of [before, after]) {
      const whole = list.filter(
        (node) =>
          node.kind === "clipped" ||
          node.kind === "layer" ||
          (node.kind === "transformed" && Math.abs(node.map.e) > 200),
      );
      expect(whole).toEqual([]);
      expect(list.length).toBeGreaterThan(0);
    }
  });
});
