import { sql } from "kysely";
import { object, string } from "yup";
import { type Money, parsePrice } from "../../core/offer/money";
import { type TeamScope } from "../db/teamScope";
import { type ReadForm, readForm } from "../formProblems";

const optionalId = string().uuid("Choose one from the list.").nullable().transform((value: unknown) => (value === "" ? null : value)).default(null);

const form = object({
  id: optionalId,
  name: string().trim().max(80, "At most 80 characters.").required("A product needs a name."),
  line: string().trim().max(120, "At most 120 characters.").default(""),
  price: string().trim().required("A product needs a price, such as 24.00."),
  picture: optionalId,
});

/** Adds a product, or changes one when the form names it. */
export async function saveProduct(scope: TeamScope, currency: string, data: FormData): Promise<ReadForm<unknown>> {
  const read = await readForm(form, data);
  if (!read.ok) return read;
  const { id, name, line, price: typed, picture } = read.values;
  let price: Money;
  try {
    price = parsePrice(typed, currency);
    if (price.amount > 2_000_000_000) throw new SyntaxError("That price is too high to be true.");
  } catch (error) {
    return { ok: false, problems: { price: error instanceof Error ? error.message : String(error) } };
  }
  if (picture && !(await scope.media().select("id").where("id", "=", picture).executeTakeFirst())) return { ok: false, problems: { picture: "That picture is not in your media." } };
  const values = { name, line, price_minor: price.amount, currency, picture_media_id: picture };
  if (id) await scope.changeProduct().set(values).where("id", "=", id).execute();
  else await scope.addProduct(values).execute();
  return read;
}

/** Removes a product unless a promotion uses it; says which then. */
export async function removeProduct(scope: TeamScope, id: string): Promise<string | null> {
  return removeUnused(scope, "product", id, () => scope.removeProduct().where("id", "=", id).execute());
}

export async function removeOffer(scope: TeamScope, id: string): Promise<string | null> {
  return removeUnused(scope, "offer", id, () => scope.removeOffer().where("id", "=", id).execute());
}

async function removeUnused(scope: TeamScope, what: "product" | "offer", id: string, remove: () => Promise<unknown>): Promise<string | null> {
  const users = await scope.promotions().select("name").where(sql<string>`document ->> ${what}`, "=", id).execute();
  if (users.length > 0) return `This ${what} is used in ${users.map(({ name }) => `“${name}”`).join(", ")}. Choose another there first.`;
  await remove();
  return null;
}
