import { type BrandBook } from "../core/brand/book";
import { type ResolvedPromotion, resolvePromotion } from "../core/document/resolve";
import { findSlot, isSlotKey } from "../core/document/sceneTemplate";
import { type Finding } from "../core/preflight/finding";
import { type MediaFacts } from "../core/document/facts";
import { USUAL_FORMATS } from "../core/placement/formats";
import { findingsOf } from "../core/preflight/findings";
import { preparePromotion } from "../core/scene/preparePromotion";
import { fontFilesWanted } from "../core/scene/wantedFiles";
import { SHIPPED_TEMPLATES } from "../core/templates/shipped";
import { openWanted, testBook } from "../core/testing/fonts";
import { BRAND_ID, TEST_LOGO, promotionOf, testFacts, testPicture } from "../core/testing/promotions";
import { brandFacts } from "../server/brand/brandFacts";
import { quillfernBook, tallowbyBook } from "./brandBooks";

const book = testBook();
const SIGN = testPicture({
  id: "sign",
  name: "sign.svg",
  width: 1200,
  height: 1200,
  colors: [{ hex: "#7a2436", share: 1 }],
});
const logos = new Map([
  ["quillfern-logo.svg", TEST_LOGO.id],
  ["tallowby-sign.svg", SIGN.id],
]);
const media: Readonly<Record<string, MediaFacts>> = { [TEST_LOGO.id]: TEST_LOGO, [SIGN.id]: SIGN };
const BRANDS: Readonly<Record<string, BrandBook>> = {
  Quillfern: quillfernBook(logos),
  Tallowby: tallowbyBook(logos),
};

/** What is left empty is for pictures of one's own, and what comes from the catalogue is as long as it was written there. */
function isForWhoFillsIt({ rule, where: { slot } }: Finding, { scenes }: ResolvedPromotion): boolean {
  const templates = scenes.map(({ template }) => template);
  const words = slot === null || !isSlotKey(slot) ? null : findSlot(templates, slot)?.slot;
  return rule === "slots-filled" || (rule === "reading-time" && words?.kind === "words" && words.binding !== undefined);
}
/** Three strips begin with pictures alone: that is what they are. */
const isByIntent = (slug: string, { rule }: Finding): boolean =>
  slug === "three-strips" && rule === "says-something-at-once";

describe.each(Object.keys(BRANDS))("in the book of %s", (name) => {
  test.each(SHIPPED_TEMPLATES.map(({ slug }) => slug))("%s can be read as it ships", async (slug) => {
    const template = SHIPPED_TEMPLATES.find((one) => one.slug === slug);
    const brandBook = BRANDS[name];
    if (!template || !brandBook) throw new Error("They were listed.");
    const brand = brandFacts({ id: BRAND_ID, name, book: brandBook }, media, []);
    // Large enough for every place; which pictures a person takes is theirs.
    const picture = testPicture({ width: 4000, height: 3000 });
    const facts = testFacts({ brand, media: { ...media, [picture.id]: picture } });
    const document = promotionOf(template);
    const promotion = resolvePromotion(document, facts);
    await openWanted(book, () => fontFilesWanted(promotion, book));
    const formats = USUAL_FORMATS.map((format) => preparePromotion(promotion, format, book));
    const found = findingsOf({ document, promotion }, formats)
      .filter((one) => one.severity !== "advice" && !isForWhoFillsIt(one, promotion) && !isByIntent(slug, one))
      .map(
        ({ rule, where: { scene, slot, format }, words }) => `${rule} ${slot ?? scene ?? ""} ${format ?? ""}: ${words}`,
      );
    expect(found).toEqual([]);
  });
});
