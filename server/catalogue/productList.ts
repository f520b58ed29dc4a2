import { sql } from "kysely";
import { money, plainAmount, writePrice } from "../../core/offer/money";
import { unitPrice } from "../../core/offer/unitPrice";
import { type TeamScope } from "../db/teamScope";
import { contentOf } from "./productContent";
import { mainPictures } from "./productPictures";

export const PRODUCT_SORTS = ["name", "code", "price", "stock"] as const;
export type ProductSort = (typeof PRODUCT_SORTS)[number];

/** Which products to list. */
export interface ProductQuery {
  readonly words: string;
  readonly tag: string;
  readonly stock: "" | "in" | "out";
  readonly sort: ProductSort;
  readonly down: boolean;
  /** From 0. */
  readonly page: number;
}

export const PRODUCTS_A_PAGE = 50;

/** Reads a query from an address. What is not understood counts as not asked for. */
export function readProductQuery(params: URLSearchParams): ProductQuery {
  const stock = params.get("stock");
  const page = Number(params.get("page") ?? 1);
  return {
    words: (params.get("words") ?? "").trim().slice(0, 100),
    tag: (params.get("tag") ?? "").trim().toLowerCase(),
    stock: stock === "in" || stock === "out" ? stock : "",
    sort: PRODUCT_SORTS.find((sort) => sort === params.get("sort")) ?? "name",
    down: params.get("down") === "yes",
    page: Number.isSafeInteger(page) && page > 0 ? page - 1 : 0,
  };
}

export interface ListedProductRow {
  readonly id: string;
  readonly code: string;
  readonly name: string;
  readonly line: string;
  readonly price: string;
  /** The price as it is typed. */
  readonly typedPrice: string;
  readonly unitPrice: string;
  readonly tags: readonly string[];
  readonly inStock: boolean;
  readonly picture: string | null;
}

/** A text as a pattern for `like`, with nothing in it that means anything. */
export const likePattern = (text: string): string => `%${text.toLowerCase().replace(/[\\%_]/g, "\\$&")}%`;

/** The products that have all of some words in their names, codes or tags. */
export function productsWith(scope: TeamScope, words: string) {
  let found = scope.select("product");
  for (const word of words.split(/\s+/).filter(Boolean)) found = found.where("search", "like", likePattern(word));
  return found;
}

/** How many products a query finds. */
export async function countProducts(scope: TeamScope, found: ReturnType<typeof productsWith>): Promise<number> {
  const [row] = await scope.kept(found.select(({ fn }) => fn.countAll<string>().as("count")));
  return Number(row?.count ?? 0);
}

/** A page of products, and how many there are in all. */
export async function listProducts(
  scope: TeamScope,
  query: ProductQuery,
  locale: string,
): Promise<{ products: ListedProductRow[]; count: number }> {
  let chosen = productsWith(scope, query.words);
  if (query.tag) chosen = chosen.where(sql<boolean>`tags @> array[${query.tag}]::text[]`);
  if (query.stock) chosen = chosen.where("in_stock", "=", query.stock === "in");
  const column = ({ name: "name", code: "code", price: "price_minor", stock: "in_stock" } as const)[query.sort];
  const direction = query.down ? "desc" : "asc";
  const [rows, count] = await Promise.all([
    scope.kept(
      chosen
        .selectAll()
        .orderBy(column, direction)
        .orderBy("id", direction)
        .limit(PRODUCTS_A_PAGE)
        .offset(query.page * PRODUCTS_A_PAGE),
    ),
    countProducts(scope, chosen),
  ]);
  const pictures = await mainPictures(
    scope,
    rows.map(({ id }) => id),
  );
  return {
    count,
    products: rows.map((row) => {
      const price = money(row.price_minor, row.currency);
      const content = contentOf(row);
      const each = content && unitPrice(price, content);
      return {
        id: row.id,
        code: row.code,
        name: row.name,
        line: row.line,
        tags: row.tags,
        inStock: row.in_stock,
        price: writePrice(price, locale),
        typedPrice: plainAmount(price),
        unitPrice: each ? `${writePrice(each.price, locale)} / ${each.per}` : "",
        picture: pictures.get(row.id) ?? null,
      };
    }),
  };
}

/** The tags in use, most used first. */
export async function productTags(scope: TeamScope): Promise<string[]> {
  const rows = await scope.kept(
    scope
      .select("product")
      .select(sql<string>`unnest(tags)`.as("tag"))
      .select(({ fn }) => fn.countAll().as("uses"))
      .groupBy("tag")
      .orderBy("uses", "desc")
      .orderBy("tag")
      .limit(60),
  );
  return rows.map(({ tag }) => tag);
}
