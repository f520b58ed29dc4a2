import { number, object, string } from "yup";
import { type Money, parsePrice } from "../../core/offer/money";
import { instantOf } from "../../core/offer/validity";
import { type TeamScope } from "../db/teamScope";
import { type ReadForm, readForm } from "../formProblems";

const local = string().matches(/^\d{4}-\d{2}-\d{2}T\d{2}:\d{2}$/, "Choose a date and a time.").required("Choose a date and a time.");

const form = object({
  id: string().uuid().nullable().transform((value: unknown) => (value === "" ? null : value)).default(null),
  name: string().trim().max(80, "At most 80 characters.").required("An offer needs a name, such as “Potting week”."),
  kind: string().oneOf(["percent-off", "new-price"] as const).required(),
  percent: number().transform((value: unknown, typed: unknown) => (typed === "" ? undefined : value)).typeError("Write a number, such as 15.")
    .when("kind", { is: "percent-off", then: (schema) => schema.required("Write how many percent, such as 15.").moreThan(0, "More than 0 percent.").max(100, "At most 100 percent.")
      .test("decimals", "At most two decimals.", (value) => value === undefined || Math.abs(value * 100 - Math.round(value * 100)) < 1e-9) }),
  price: string().trim().when("kind", { is: "new-price", then: (schema) => schema.required("Write the new price, such as 9.50.") }),
  starts: local,
  ends: local,
});

/** Adds an offer, or changes one when the form names it. Times are read in the team's zone. */
export async function saveOffer(scope: TeamScope, team: { currency: string; zone: string }, data: FormData): Promise<ReadForm<unknown>> {
  const read = await readForm(form, data);
  if (!read.ok) return read;
  const { id, name, kind, percent, price: typed, starts, ends } = read.values;
  let price: Money | null = null;
  try {
    price = kind === "new-price" ? parsePrice(typed ?? "", team.currency) : null;
  } catch (error) {
    return { ok: false, problems: { price: error instanceof Error ? error.message : String(error) } };
  }
  const [starts_at, ends_at] = [instantOf(starts, team.zone), instantOf(ends, team.zone)];
  if (ends_at <= starts_at) return { ok: false, problems: { ends: "The end must come after the start." } };
  const values = { name, kind, percent: kind === "percent-off" ? (percent ?? null) : null, price_minor: price?.amount ?? null, currency: team.currency, starts_at, ends_at, zone: team.zone };
  if (id) await scope.changeOffer().set(values).where("id", "=", id).execute();
  else await scope.addOffer(values).execute();
  return read;
}
