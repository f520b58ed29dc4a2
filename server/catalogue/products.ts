import { counted } from "../../core/text/counted";
import { sql } from "kysely";
import { gtinProblem } from "../../core/catalogue/gtin";
import {
  type ListedProduct,
  MOST_LETTERS,
  readContent,
  readLink,
  readPrice,
  readTags,
} from "../../core/catalogue/productRow";
import { object, string } from "yup";
import { type TeamScope } from "../db/teamScope";
import { type ReadForm, readForm } from "../formProblems";
import { type Marked, markNaming } from "../promotions/outdated";
import { usesInWords, usesOfEach } from "../usage/usesOf";
import { setPictures } from "./productPictures";
import { withColleagues } from "./typedProduct";
import { words } from "../doors/fields";
import { Refusal } from "../../core/refusal";

const text = (field: keyof typeof MOST_LETTERS) => words(MOST_LETTERS[field] ?? 0);

const form = object({
  id: string()
    .uuid()
    .nullable()
    .transform((value: unknown) => (value === "" ? null : value))
    .default(null),
  name: text("name").required("A product needs a name."),
  line: text("line"),
  text: text("text"),
  code: text("code").test(
    "gtin",
    ({ value }) => gtinProblem(String(value)) ?? "",
    (value) => gtinProblem(value) === null,
  ),
  price: string().trim().default(""),
  content: string().trim().default(""),
  link: text("link"),
  tags: string().default(""),
  stock: string()
    .oneOf(["yes", "no"] as const)
    .default("yes"),
  pictures: string()
    .matches(/^([0-9a-f-]{36}(,[0-9a-f-]{36})*)?$/, "Choose pictures from the list.")
    .default(""),
});

export type SavedProduct = ReadForm<{ readonly id: string; readonly outdated: Marked }>;

/** Adds a product, or changes one when the form names it. Keeps the price history, and marks renditions out of date. */
export async function saveProduct(scope: TeamScope, currency: string, data: FormData): Promise<SavedProduct> {
  const saved = await scope.together((within) => writeTyped(within, currency, data));
  if (!saved.ok) return saved;
  const { id, name } = saved.values;
  return { ok: true, values: { id, outdated: await productChanged(scope, id, name) } };
}

/** Writes what was typed, in a transaction: nobody else's change comes between reading the product and writing it. */
async function writeTyped(
  scope: TeamScope,
  currency: string,
  data: FormData,
): Promise<ReadForm<{ readonly id: string; readonly name: string }>> {
  const read = await readForm(form, await withColleagues(scope, data));
  if (!read.ok) return read;
  const { id, name, line, text, code, pictures, stock, ...typed } = read.values;
  const problems: Record<string, string> = {};
  const told = <Value>(field: string, work: () => Value): Value | null => {
    try {
      return work();
    } catch (error) {
      problems[field] = error instanceof Error ? error.message : String(error);
      return null;
    }
  };
  const price = told("price", () => readPrice(typed.price, currency));
  const content = told("content", () => readContent(typed.content));
  const link = told("link", () => readLink(typed.link));
  const tags = told("tags", () => readTags(typed.tags));
  if (code !== "" && (await codeOwner(scope, code, id)))
    problems["code"] = `Another product has the code “${code}” already.`;
  if (Object.keys(problems).length > 0 || !price) return { ok: false, problems };
  const product: ListedProduct = {
    name,
    line,
    text,
    code,
    price,
    content,
    link: link ?? "",
    tags: tags ?? [],
    inStock: stock === "yes",
  };
  const written = await writeProduct(scope, id, product);
  await setPictures(scope, written, pictures === "" ? [] : pictures.split(","));
  return { ok: true, values: { id: written, name } };
}

async function codeOwner(scope: TeamScope, code: string, except: string | null): Promise<boolean> {
  const row = await scope.select("product").select("id").where("code", "=", code).executeTakeFirst();
  return row !== undefined && row.id !== except;
}

/** Writes a product and, when its price is new, a step of its price history. Throws a 404 when there is no such product. */
export async function writeProduct(scope: TeamScope, id: string | null, product: ListedProduct): Promise<string> {
  const { name, line, text, code, price, content, link, tags, inStock } = product;
  const values = {
    name,
    line,
    text,
    code,
    price_minor: price.amount,
    currency: price.currency,
    content_quantity: content?.quantity ?? null,
    content_unit: content?.unit ?? null,
    link,
    tags: [...tags],
    in_stock: inStock,
  };
  const before = id
    ? await scope
        .select("product")
        .select(["price_minor", "currency"])
        .where("id", "=", id)
        .forUpdate()
        .executeTakeFirst()
    : null;
  if (id && !before) throw new Response("There is no such product in your team.", { status: 404 });
  if (id) await scope.update("product").set(values).where("id", "=", id).execute();
  const written = id ?? (await scope.insert("product", values).returning("id").executeTakeFirstOrThrow()).id;
  if (!before || before.price_minor !== price.amount || before.currency !== price.currency)
    await scope
      .insert("price_step", [
        { product_id: written, from_at: new Date(), price_minor: price.amount, currency: price.currency },
      ])
      .execute();
  return written;
}

async function productChanged(scope: TeamScope, id: string, name: string): Promise<Marked> {
  return markNaming(scope, [id], `the product ${name} was changed`);
}

/** Fields that are changed in place, in the table. */
export const IN_PLACE = ["name", "price", "code", "line", "tags"] as const;
export type InPlaceField = (typeof IN_PLACE)[number];

/** Changes one field of a product, as typed in the table. Gives the problem in words, or null. */
export async function changeField(
  scope: TeamScope,
  id: string,
  field: InPlaceField,
  typed: string,
): Promise<string | null> {
  const row = await scope.select("product").selectAll().where("id", "=", id).executeTakeFirst();
  if (!row) throw new Response("There is no such product in your team.", { status: 404 });
  const value = typed.trim();
  const most = MOST_LETTERS[field === "price" || field === "tags" ? "text" : field] ?? 0;
  if (Array.from(value).length > most) return `At most ${most} characters.`;
  try {
    switch (field) {
      case "name":
        if (value === "") return "A product needs a name.";
        await scope.update("product").set({ name: value }).where("id", "=", id).execute();
        break;
      case "line":
        await scope.update("product").set({ line: value }).where("id", "=", id).execute();
        break;
      case "code": {
        const problem =
          gtinProblem(value) ??
          (value !== "" && (await codeOwner(scope, value, id))
            ? `Another product has the code “${value}” already.`
            : null);
        if (problem) return problem;
        await scope.update("product").set({ code: value }).where("id", "=", id).execute();
        break;
      }
      case "tags":
        await scope
          .update("product")
          .set({ tags: readTags(value) })
          .where("id", "=", id)
          .execute();
        break;
      case "price": {
        const price = readPrice(value, row.currency);
        if (price.amount === row.price_minor) return null;
        await scope.together(async (within) => {
          await within.update("product").set({ price_minor: price.amount }).where("id", "=", id).execute();
          await within
            .insert("price_step", [
              { product_id: id, from_at: new Date(), price_minor: price.amount, currency: price.currency },
            ])
            .execute();
        });
      }
    }
  } catch (error) {
    if (error instanceof Refusal) return error.message;
    throw error;
  }
  await productChanged(scope, id, field === "name" ? value : row.name);
  return null;
}

export type BulkAction =
  | { readonly kind: "stock"; readonly inStock: boolean }
  | { readonly kind: "tag"; readonly tag: string }
  | { readonly kind: "untag"; readonly tag: string }
  | { readonly kind: "remove" };

/** Does one thing to many products. Gives what happened, in words, and how many were removed. */
export async function changeMany(
  scope: TeamScope,
  ids: readonly string[],
  action: BulkAction,
): Promise<{ readonly done: string; readonly problem: string | null; readonly removed: number }> {
  if (ids.length === 0) return { done: "", problem: "Mark at least one product first.", removed: 0 };
  const chosen = [...ids];
  const products = (count: number): string => counted(count, "product");
  switch (action.kind) {
    case "stock": {
      const rows = await scope
        .update("product")
        .set({ in_stock: action.inStock })
        .where("id", "in", chosen)
        .returning("id")
        .execute();
      return {
        done: `${products(rows.length)} marked as ${action.inStock ? "in stock" : "out of stock"}.`,
        problem: null,
        removed: 0,
      };
    }
    case "tag":
    case "untag": {
      const [tag] = readTags(action.tag);
      if (!tag) return { done: "", problem: "Write the tag first.", removed: 0 };
      const tags =
        action.kind === "tag"
          ? sql<string[]>`array_append(array_remove(tags, ${tag}), ${tag})`
          : sql<string[]>`array_remove(tags, ${tag})`;
      const rows = await scope.update("product").set({ tags }).where("id", "in", chosen).returning("id").execute();
      return {
        done: `The tag “${tag}” was ${action.kind === "tag" ? "given to" : "taken from"} ${products(rows.length)}.`,
        problem: null,
        removed: 0,
      };
    }
    case "remove": {
      const used = [...(await usesOfEach(scope, chosen))];
      const free = used.filter(([, uses]) => uses.length === 0).map(([id]) => id);
      const kept = used.filter(([, uses]) => uses.length > 0);
      const rows =
        free.length > 0 ? await scope.remove("product").where("id", "in", free).returning("id").execute() : [];
      const places = new Map(kept.flatMap(([, uses]) => uses.map((use) => [use.to, use])));
      return {
        removed: rows.length,
        done: rows.length > 0 ? `${products(rows.length)} removed.` : "",
        problem:
          kept.length > 0
            ? `${products(kept.length)} stayed, because they are used in ${usesInWords([...places.values()])}. Choose another there first.`
            : null,
      };
    }
  }
}
