import { object, string } from "yup";
import { Refusal } from "../../core/refusal";
import { hashPassword } from "../auth/passwords";
import { type Person, endAllSessions, newToken, startSession, tokenHash } from "../auth/sessions";
import { database } from "../db/connect";
import { ROLES, type Role } from "../db/tables";
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

async function makeLink(
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
  const isPassword = link.member_id !== null;
  const read = await readForm(isPassword ? passwordForm : joinForm, form);
  if (!read.ok) return read;
  const password_hash = await hashPassword(read.values.password);
  const member = link.member_id
    ? await setPassword(link.id, link.member_id, password_hash)
    : await join(link, { ...(await named(form)), password_hash });
  if (member === null)
    return { ok: false, problems: { email: "Somebody with this e-mail address is here already. Sign in instead." } };
  return { ok: true, values: { cookie: await startSession(member, link.team_id, device) } };
}

async function named(form: FormData): Promise<{ readonly name: string; readonly email: string }> {
  const { name, email } = await joinForm.validate(Object.fromEntries(form));
  return { name, email };
}

async function setPassword(link: string, member: string, password_hash: string): Promise<string> {
  await database()
    .transaction()
    .execute(async (within) => {
      await within.deleteFrom("invitation").where("id", "=", link).execute();
      await within.updateTable("member").set({ password_hash }).where("id", "=", member).execute();
    });
  await endAllSessions(member);
  return member;
}

/** Null where the address is taken: the link is good still then. */
async function join(
  link: { readonly id: string; readonly team_id: string; readonly role: Role },
  who: { readonly name: string; readonly email: string; readonly password_hash: string },
): Promise<string | null> {
  return database()
    .transaction()
    .execute(async (within) => {
      const row = await within
        .insertInto("member")
        .values({ team_id: link.team_id, role: link.role, ...who })
        .onConflict((conflict) => conflict.column("email").doNothing())
        .returning("id")
        .executeTakeFirst();
      if (!row) return null;
      const used = await within.deleteFrom("invitation").where("id", "=", link.id).executeTakeFirst();
      if (used.numDeletedRows === 0n) throw new Refusal("This link was used a moment ago. Ask for another.");
      return row.id;
    });
}
