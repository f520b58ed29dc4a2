import { writeContent } from "../../core/catalogue/productRow";
import { threeWay } from "../../core/merge/threeWay";
import { money, plainAmount } from "../../core/offer/money";
import { type TeamScope } from "../db/teamScope";
import { readJson } from "../doors/readBody";
import { formText } from "../formText";
import { isId } from "../ids";
import { contentOf } from "./productContent";
import { picturesOf } from "./productPictures";

const FIELDS = ["name", "line", "text", "code", "price", "content", "link", "tags", "stock", "pictures"] as const;
/** A product's fields as its form sends them. */
export type TypedProduct = Readonly<Record<(typeof FIELDS)[number], string>>;

/** A product as its form shows it; null where there is none. */
export async function typedProduct(scope: TeamScope, id: string): Promise<TypedProduct | null> {
  const row = await scope.select("product").selectAll().where("id", "=", id).executeTakeFirst();
  if (!row) return null;
  const { name, line, text, code, link } = row;
  return {
    ...{ name, line, text, code, link },
    price: plainAmount(money(row.price_minor, row.currency)),
    content: writeContent(contentOf(row)),
    tags: row.tags.join(", "),
    stock: row.in_stock ? "yes" : "no",
    pictures: (await picturesOf(scope, id)).join(","),
  };
}

/**
 * A product's form, with what colleagues have changed since it was opened: of what this one did not change, theirs stays.
 * The form says under `base` what it showed when it was opened. In a transaction: the product is held until it is written.
 */
export async function withColleagues(scope: TeamScope, form: FormData): Promise<FormData> {
  const [id, opened] = [formText(form, "id"), formText(form, "base")];
  if (!isId(id) || opened === "") return form;
  await scope.select("product").select("id").where("id", "=", id).forUpdate().execute();
  const now = await typedProduct(scope, id);
  if (!now) return form;
  const base = fieldsOf(readJson(opened, "what the product was"));
  const mine = Object.fromEntries(FIELDS.map((field) => [field, formText(form, field)]));
  const merged = new FormData();
  merged.set("id", id);
  for (const [field, value] of Object.entries(fieldsOf(threeWay(base, mine, now)))) merged.set(field, value);
  return merged;
}

function fieldsOf(value: unknown): Readonly<Record<string, string>> {
  const given = new Map<string, unknown>(typeof value === "object" && value !== null ? Object.entries(value) : []);
  return Object.fromEntries(
    FIELDS.flatMap((field): [string, string][] => {
      const text = given.get(field);
      return typeof text === "string" ? [[field, text]] : [];
    }),
  );
}
