import { ValidationError, object, string } from "yup";
import { CURRENCIES, isZone } from "../auth/setUp";
import { Refusal } from "../../core/refusal";
import { database } from "../db/connect";
import { teamScope } from "../db/teamScope";
import { words } from "../doors/fields";
import { makeLink } from "./invitations";

/** Whoever runs an instance hands the link on, which may take a while. */
const LINK_DAYS = 7;
/** Who made the link, as its team reads it. */
const OPERATOR = "Whoever runs this Stencilcraft";

const schema = object({
  name: words(60).required("Write the name of the business."),
  currency: string()
    .oneOf(CURRENCIES, `Choose a currency: ${CURRENCIES.join(", ")}.`)
    .default("GBP"),
  zone: string().test("zone", "Write a time zone such as Europe/London.", isZone).default("Europe/London"),
});

/** A team as whoever runs the instance sees it: nothing of what is in it. */
export interface TeamOnInstance {
  readonly id: string;
  readonly name: string;
  readonly members: number;
  readonly promotions: number;
  readonly isDemo: boolean;
}

/** Lets a person make teams on the instance, and gives their name. Throws a Refusal where nobody has that address. */
export async function letOperate(email: string): Promise<string> {
  const row = await database()
    .updateTable("member")
    .set({ operates: true })
    .where("email", "=", email.trim().toLowerCase())
    .returning("name")
    .executeTakeFirst();
  if (!row) throw new Refusal(`Nobody here has the e-mail address “${email}”.`);
  return row.name;
}

/** The teams of an instance, by name. */
export async function teamsHere(): Promise<TeamOnInstance[]> {
  const rows = await database()
    .selectFrom("team")
    .orderBy("team.name")
    .select((eb) => [
      "team.id",
      "team.name",
      "team.is_demo",
      eb
        .selectFrom("member")
        .whereRef("member.team_id", "=", "team.id")
        .select(eb.fn.countAll<string>().as("count"))
        .as("members"),
      eb
        .selectFrom("promotion")
        .whereRef("promotion.team_id", "=", "team.id")
        .select(eb.fn.countAll<string>().as("count"))
        .as("promotions"),
    ])
    .execute();
  return rows.map(({ id, name, is_demo, members, promotions }) => ({
    ...{ id, name, isDemo: is_demo },
    ...{ members: Number(members), promotions: Number(promotions) },
  }));
}

/**
 * Makes another team on the instance, closed to all others, and a link by which its owner joins. Gives the link's token.
 * Throws a Refusal with what is wrong.
 */
export async function makeTeam(wanted: {
  readonly name: string;
  readonly currency?: string | undefined;
  readonly zone?: string | undefined;
}): Promise<string> {
  const { name, currency, zone } = await schema.validate(wanted).catch((error: unknown) => {
    throw error instanceof ValidationError ? new Refusal(error.message) : error;
  });
  return database()
    .transaction()
    .execute(async (within) => {
      const { id } = await within
        .insertInto("team")
        .values({ name, locale: "en-GB", zone, currency })
        .returning("id")
        .executeTakeFirstOrThrow();
      const about = { role: "owner", note: `The owner of ${name}`, member_id: null } as const;
      return makeLink({ scope: teamScope(within, id), name: OPERATOR }, about, LINK_DAYS);
    });
}
