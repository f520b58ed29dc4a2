import { recordBy } from "../records";
import { type Money, parsePrice } from "../offer/money";
import { type Content, isContentUnit } from "../offer/unitPrice";
import { plainCell } from "./csvText";
import { gtinProblem } from "./gtin";
import { Refusal } from "../refusal";

/** What a list of products can say of each. */
export const PRODUCT_FIELDS = ["code", "name", "line", "text", "price", "content", "link", "tags", "stock"] as const;
export type ProductField = (typeof PRODUCT_FIELDS)[number];

export const PRODUCT_FIELD_NAMES: Readonly<Record<ProductField, string>> = {
  code: "Code or GTIN",
  name: "Name",
  line: "Short line",
  text: "Longer text",
  price: "Price",
  content: "Holds (500 g)",
  link: "Link",
  tags: "Tags",
  stock: "In stock",
};

/** Other headings that are understood. */
const ALSO: Readonly<Record<ProductField, readonly string[]>> = {
  code: ["code", "gtin", "ean", "sku", "article", "article number", "item number", "barcode", "id", "no"],
  name: ["name", "product", "product name", "title", "item"],
  line: ["short line", "line", "short", "short description", "subtitle"],
  text: ["longer text", "text", "description", "long description", "details"],
  price: ["price", "unit price", "retail price", "gross price", "amount"],
  content: ["holds", "content", "contents", "size", "quantity", "weight", "volume"],
  link: ["link", "url", "web", "website", "page"],
  tags: ["tags", "tag", "category", "categories", "group", "labels"],
  stock: ["in stock", "stock", "available", "availability"],
};

/** Which column of a list says what; null where none does. */
export type ColumnMatch = Readonly<Record<ProductField, number | null>>;

/** Matches columns by their headings. Each column is used once; what is not recognised stays unmatched. */
export function matchColumns(header: readonly string[]): ColumnMatch {
  const taken = new Set<number>();
  const bare = header.map((cell) =>
    cell
      .toLowerCase()
      .replace(/\(.*?\)|[^\p{L}\p{N} ]/gu, " ")
      .replace(/\s+/g, " ")
      .trim(),
  );
  return recordBy(PRODUCT_FIELDS, (field) => {
    const index = bare.findIndex(
      (name, at) => !taken.has(at) && (ALSO[field].includes(name) || name === PRODUCT_FIELD_NAMES[field].toLowerCase()),
    );
    if (index >= 0) taken.add(index);
    return index >= 0 ? index : null;
  });
}

/** A product as a list gives it. */
export interface ListedProduct {
  readonly code: string;
  readonly name: string;
  readonly line: string;
  readonly text: string;
  readonly price: Money;
  readonly content: Content | null;
  readonly link: string;
  readonly tags: readonly string[];
  readonly inStock: boolean;
}

export const MOST_LETTERS: Readonly<Partial<Record<ProductField, number>>> = {
  code: 40,
  name: 80,
  line: 120,
  text: 2000,
  link: 300,
};
const MOST_TAGS = 20;
const MOST_TAG = 30;

interface ReadRow {
  readonly ok: true;
  readonly product: ListedProduct;
}
interface FaultyRow {
  readonly ok: false;
  readonly problems: readonly string[];
}
export type RowResult = ReadRow | FaultyRow;

/** Reads one row. Every problem is told at once, in words that name the field and the cure. */
export function readProductRow(row: readonly string[], match: ColumnMatch, currency: string): RowResult {
  const problems: string[] = [];
  const cell = (field: ProductField): string => {
    const at = match[field];
    const value = at === null ? "" : plainCell((row[at] ?? "").trim());
    const most = MOST_LETTERS[field];
    if (most && Array.from(value).length > most)
      problems.push(`${PRODUCT_FIELD_NAMES[field]} has ${Array.from(value).length} characters; the most is ${most}.`);
    return value;
  };
  const told = <Value>(read: () => Value, instead: Value): Value => {
    try {
      return read();
    } catch (error) {
      problems.push(error instanceof Error ? error.message : String(error));
      return instead;
    }
  };
  const [code, name, line, text, link] = [cell("code"), cell("name"), cell("line"), cell("text"), cell("link")];
  if (name === "") problems.push("A product needs a name.");
  const price = told(() => readPrice(cell("price"), currency), null);
  const codeProblem = gtinProblem(code);
  if (codeProblem) problems.push(codeProblem);
  const content = told(() => readContent(cell("content")), null);
  const tags = told(() => readTags(cell("tags")), []);
  if (link !== "") told(() => readLink(link), "");
  const inStock = told(() => readYes(cell("stock")), true);
  return problems.length > 0 || !price
    ? { ok: false, problems }
    : { ok: true, product: { code, name, line, text, price, content, link, tags, inStock } };
}

/** The highest price taken, in minor units: what the database column holds. */
const HIGHEST_PRICE = 2_000_000_000;

/** As `parsePrice`, refusing what is missing or too high to be true. */
export function readPrice(typed: string, currency: string): Money {
  if (typed === "") throw new Refusal("A product needs a price, such as 24.00.");
  const price = parsePrice(typed, currency);
  if (price.amount > HIGHEST_PRICE) throw new Refusal("That price is too high to be true.");
  return price;
}

/** Reads what a product holds: `500 g`, `1.5 l`, `6 pieces`. Null when nothing is said; throws when it can't be read. */
export function readContent(typed: string): Content | null {
  if (typed.trim() === "") return null;
  const found = /^(\d{1,6}(?:[.,]\d{1,3})?)\s*([a-z]+)?$/i.exec(typed.trim());
  const quantity = Number(found?.[1]?.replace(",", "."));
  const word = (found?.[2] ?? "piece").toLowerCase();
  const unit =
    {
      litre: "l",
      litres: "l",
      liter: "l",
      metre: "m",
      metres: "m",
      pieces: "piece",
      pc: "piece",
      pcs: "piece",
      gram: "g",
      grams: "g",
      kilo: "kg",
    }[word] ?? word;
  if (!found || !(quantity > 0) || !isContentUnit(unit))
    throw new Refusal(`“${typed}” does not say what the product holds. Write it like 500 g, 1.5 l or 6 pieces.`);
  return { quantity, unit };
}

/** Reads tags, separated by commas or semicolons: lower case, each once. */
export function readTags(typed: string): string[] {
  const tags = [
    ...new Set(
      typed
        .split(/[,;|]/)
        .map((tag) => tag.trim().toLowerCase())
        .filter((tag) => tag !== ""),
    ),
  ];
  if (tags.length > MOST_TAGS) throw new Refusal(`At most ${MOST_TAGS} tags.`);
  const long = tags.find((tag) => Array.from(tag).length > MOST_TAG);
  if (long) throw new Refusal(`The tag “${long.slice(0, 20)}…” is longer than ${MOST_TAG} characters.`);
  return tags;
}

/** A web address that can be linked to, or an empty text. */
export function readLink(typed: string): string {
  if (typed === "") return "";
  const whole = /^https?:\/\//i.test(typed) ? typed : `https://${typed}`;
  if (!/^https?:\/\/[^\s/?#]+\.[^\s/?#]+\S*$/i.test(whole))
    throw new Refusal(`“${typed}” is not a web address. Write it like https://example.com/pots.`);
  return whole;
}

function readYes(typed: string): boolean {
  const word = typed.toLowerCase();
  if (["", "yes", "y", "true", "1", "in stock", "available", "x"].includes(word) || /^[1-9]\d*$/.test(word))
    return true;
  if (["no", "n", "false", "0", "out of stock", "sold out", "-"].includes(word)) return false;
  throw new Refusal(`“${typed}” does not say whether it is in stock. Write yes or no.`);
}

export const writeContent = (content: Content | null): string => (content ? `${content.quantity} ${content.unit}` : "");
