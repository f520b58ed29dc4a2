import { newPromotion } from "../document/newPromotion";
import { type Facts } from "../document/facts";
import { type Promotion } from "../document/promotion";
import { type ResolvedPromotion, resolvePromotion } from "../document/resolve";
import { type SceneTemplate } from "../document/sceneTemplate";
import { fontFilesWanted } from "../scene/wantedFiles";
import { template } from "../templates/build";
import { type FontBook } from "../type/fontBook";
import { openWanted } from "./fonts";
import { BRAND_ID, PRODUCT_ID, testFacts } from "./promotions";

const REF = { slug: "tried", edition: 1 };

/** A promotion of a template with nothing but some scenes, ready to be prepared: its typefaces are open. */
export async function triedScenes(
  book: FontBook,
  scenes: readonly SceneTemplate[],
  fills: Promotion["fills"] = {},
  facts: Partial<Facts> = {},
): Promise<ResolvedPromotion> {
  const tried = template({ slug: REF.slug, name: "Tried", purpose: "other", about: "", scenes });
  const document = newPromotion(REF, tried, { name: "Tried", brand: BRAND_ID, product: PRODUCT_ID, fills });
  const promotion = resolvePromotion(document, testFacts({ templates: { "tried@1": tried }, ...facts }));
  await openWanted(book, () => fontFilesWanted(promotion, book));
  return promotion;
}
