import { noteDeed } from "./deeds";
import { teamScope } from "../db/teamScope";
import { object, string } from "yup";
import { Refusal } from "../../core/refusal";
import { hashPassword } from "../auth/passwords";
import { type Person, endAllSessions, newToken, startSession, tokenHash } from "../auth/sessions";
import { database } from "../db/connect";
import { type Kysely } from "kysely";
import { type Database, ROLES, type Role } from "../db/tables";
import { words } from "../doors/fields";
import { type ReadForm, readForm } from "../formProblems";
import { newPassword } from "./ownProfile";

const DAY_MS = 86_400_000;
/** A link to choose a password anew is short-lived: whoever has it is that person. */
const PASSWORD_DAYS = 1;
export const INVITE_DAYS = [1, 7, 30] as const;

const inviteForm = object({
  role: string().oneOf(ROLES, "Choose a role from the list.").required(),
  note: words(80),
  days: string().oneOf(INVITE_DAYS.map(String), "Choose how long the link is good for.").default("7"),
});

/** Makes a link by which one person joins with a role. Gives its token, which is never shown again. */
export async function invite({ scope, name }: Person, form: FormData): Promise<ReadForm<{ readonly token: string }>> {
  const read = await readForm(inviteForm, form);
  if (!read.ok) return read;
  const { role, note, days } = read.values;
  return {
    ok: true,
    values: { token: await makeLink({ scope, name }, { role, note, member_id: null }, Number(days)) },
  };
}

/** Makes a link by which a member who has forgotten the password chooses another. Gives its token, or null for no member. */
export async function passwordLink({ scope, name }: Person, member: string): Promise<string | null> {
  const row = await scope.select("member").select(["id", "role", "name"]).where("id", "=", member).executeTakeFirst();
  if (!row) return null;
  return makeLink({ scope, name }, { role: row.role, note: row.name, member_id: row.id }, PASSWORD_DAYS);
}

/** Makes a link for what it says, good for so many days. Gives its token, which is never shown again. */
export async function makeLink(
  { scope, name }: Pick<Person, "scope" | "name">,
  about: { readonly role: Role; readonly note: string; readonly member_id: string | null },
  days: number,
): Promise<string> {
  const token = newToken();
  const expires_at = new Date(Date.now() + days * DAY_MS);
  await scope.insert("invitation", { ...about, token_hash: tokenHash(token), made_by: name, expires_at }).execute();
  return token;
}

/** Takes a link back that was not used yet. */
export async function revokeInvitation({ scope }: Person, id: string): Promise<void> {
  await scope.remove("invitation").where("id", "=", id).execute();
}

/** What a link is for, as whoever opens it may know. */
export interface Invited {
  readonly team: string;
  readonly role: Role;
  /** Whose password it changes; null where it lets somebody in. */
  readonly member: string | null;
}

/** What a token lets its holder do; null where it was used, taken back or has run out. */
export async function invitedBy(token: string): Promise<Invited | null> {
  const row = await openLink(token);
  return row ? { team: row.team, role: row.role, member: row.email } : null;
}

const openLink = (token: string) =>
  database()
    .selectFrom("invitation")
    .innerJoin("team", "team.id", "invitation.team_id")
    .leftJoin("member", "member.id", "invitation.member_id")
    .where("invitation.token_hash", "=", tokenHash(token))
    .where("invitation.expires_at", ">", new Date())
    .select(["invitation.id", "invitation.team_id", "invitation.role", "invitation.member_id"])
    .select(["team.name as team", "member.email"])
    .executeTakeFirst();

const joinForm = object({
  name: words(60).required("Write your name."),
  email: string()
    .trim()
    .lowercase()
    .max(200, "At most 200 characters.")
    .email("Write an e-mail address like name@example.com.")
    .required("Write your e-mail address."),
  password: newPassword(),
});
const passwordForm = object({ password: newPassword() });

/**
 * Uses a link: its holder joins, or has another password from now on and no other session. A link is good once. Gives the
 * cookie that signs them in.
 */
export async function acceptInvitation(
  token: string,
  form: FormData,
  device: string,
): Promise<ReadForm<{ readonly cookie: string }>> {
  const link = await openLink(token);
  if (!link)
    return { ok: false, problems: { form: "This link was used, taken back, or has run out. Ask for another." } };
  const used = link.member_id === null ? await join(link, form) : await setPassword(link.id, link.member_id, form);
  if (!used.ok) return used;
  return { ok: true, values: { cookie: await startSession(used.values.member, link.team_id, device) } };
}

type Used = ReadForm<{ readonly member: string }>;

/** Takes a link away as it is used. Throws a Refusal where somebody else has used it meanwhile. */
async function useUp(within: Kysely<Database>, link: string): Promise<void> {
  const used = await within.deleteFrom("invitation").where("id", "=", link).executeTakeFirst();
  if (used.numDeletedRows === 0n) throw new Refusal("This link was used a moment ago. Ask for another.");
}

async function setPassword(link: string, member: string, form: FormData): Promise<Used> {
  const read = await readForm(passwordForm, form);
  if (!read.ok) return read;
  const password_hash = await hashPassword(read.values.password);
  await database()
    .transaction()
    .execute(async (within) => {
      await useUp(within, link);
      await within.updateTable("member").set({ password_hash }).where("id", "=", member).execute();
    });
  await endAllSessions(member);
  return { ok: true, values: { member } };
}

/** Where the address is taken, the link is good still. */
async function join(
  link: { readonly id: string; readonly team_id: string; readonly role: Role },
  form: FormData,
): Promise<Used> {
  const read = await readForm(joinForm, form);
  if (!read.ok) return read;
  const { name, email, password } = read.values;
  const password_hash = await hashPassword(password);
  const member = await database()
    .transaction()
    .execute(async (within) => {
      const row = await within
        .insertInto("member")
        .values({ team_id: link.team_id, role: link.role, name, email, password_hash })
        .onConflict((conflict) => conflict.column("email").doNothing())
        .returning("id")
        .executeTakeFirst();
      if (row) {
        await useUp(within, link.id);
        await noteDeed(teamScope(within, link.team_id), name, `joined as ${link.role}`);
      }
      return row?.id ?? null;
    });
  return member === null
    ? { ok: false, problems: { email: "Somebody with this e-mail address is here already. Sign in instead." } }
    : { ok: true, values: { member } };
}
