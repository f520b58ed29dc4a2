import { type Facts } from "../../core/document/facts";
import { type Promotion } from "../../core/document/promotion";
import { NO_WORDS, type PostWords, tagsIn } from "../../core/post/postWords";

/** Captions that are said in a post, at most so many. */
const MOST_LINES = 3;

/** Words for a post, put together from what a promotion is about: its product, its offer, and what is said in it. */
export function suggestedWords(
  { name, captions }: Pick<Promotion, "name" | "captions">,
  { product, offer, brand }: Pick<Facts, "product" | "offer" | "brand">,
  productTags: readonly string[],
): PostWords {
  const said = Object.values(captions)
    .toSorted((one, other) => one.from - other.from)
    .slice(0, MOST_LINES)
    .map(({ text }) => text.replaceAll("\n", " ").replaceAll("*", ""));
  const lines = [
    product ? [product.name, product.line].filter((part) => part !== "").join(": ") : name,
    ...(offer ? [[offer.badge, offer.until].filter((part) => part !== "").join(" · ")] : []),
    ...said,
    ...(brand.call === "" ? [] : [brand.call]),
  ].filter((line) => line.trim() !== "");
  return {
    ...NO_WORDS,
    title: name,
    body: lines.join("\n"),
    tags: tagsIn(
      [brand.name, ...productTags]
        .map((tag) => tag.replaceAll(/[\s-]+/g, ""))
        .join(" ")
        .toLowerCase(),
    ),
    link: brand.website === "" ? "" : `https://${brand.website}`,
    alt: product ? `${product.name}${product.line === "" ? "" : `, ${product.line}`}` : name,
  };
}
