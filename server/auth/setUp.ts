import { object, string } from "yup";
import { database } from "../db/connect";
import { type ReadForm, readForm } from "../formProblems";
import { LEAST_PASSWORD, hashPassword } from "./passwords";
import { startSession } from "./sessions";

export const CURRENCIES = ["GBP", "EUR", "USD", "CHF", "SEK", "PLN", "INR", "JPY", "AUD", "CAD"] as const;

export const isZone = (zone: string | undefined): boolean => {
  try {
    return zone !== undefined && new Intl.DateTimeFormat("en", { timeZone: zone }) instanceof Intl.DateTimeFormat;
  } catch {
    return false;
  }
};

const form = object({
  team: string().trim().max(60, "At most 60 characters.").required("Write the name of your business."),
  name: string().trim().max(60, "At most 60 characters.").required("Write your name."),
  email: string()
    .trim()
    .lowercase()
    .email("Write an e-mail address like name@example.com.")
    .required("Write your e-mail address."),
  password: string()
    .min(LEAST_PASSWORD, `At least ${LEAST_PASSWORD} characters.`)
    .max(200, "At most 200 characters.")
    .required("Choose a password."),
  currency: string().oneOf(CURRENCIES, "Choose a currency from the list.").required(),
  zone: string().required().test("zone", "Write a time zone such as Europe/London.", isZone),
});

/** Whether nobody has set up a team here yet. */
export async function isEmpty(): Promise<boolean> {
  return !(await database().selectFrom("team").select("id").limit(1).executeTakeFirst());
}

/** Makes the first team and its owner, and signs the owner in. Refused as soon as there is a team. */
export async function setUp(data: FormData): Promise<ReadForm<unknown> & { readonly cookie?: string }> {
  const read = await readForm(form, data);
  if (!read.ok) return read;
  if (!(await isEmpty()))
    return { ok: false, problems: { team: "This Stencilcraft is set up already. Sign in instead." } };
  const { team, name, email, password, currency, zone } = read.values;
  const password_hash = await hashPassword(password);
  const owner = await database()
    .transaction()
    .execute(async (within) => {
      const made = await within
        .insertInto("team")
        .values({ name: team, locale: "en-GB", zone, currency })
        .returning("id")
        .executeTakeFirstOrThrow();
      return within
        .insertInto("member")
        .values({ team_id: made.id, name, email, role: "owner", password_hash, operates: true })
        .returning(["id", "team_id"])
        .executeTakeFirstOrThrow();
    });
  return { ...read, cookie: await startSession(owner.id, owner.team_id) };
}
