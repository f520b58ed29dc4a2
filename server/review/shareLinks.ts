import { createHash, timingSafeEqual } from "node:crypto";
import { sql } from "kysely";
import { boolean, object, string } from "yup";
import { dayAfter } from "../../core/offer/days";
import { instantOf } from "../../core/offer/validity";
import { hashPassword, passwordMatches } from "../auth/passwords";
import { type Person, newToken, tokenHash } from "../auth/sessions";
import { LONGEST_WAIT_S, forgetTries, nextTurn } from "../auth/signInPace";
import { database } from "../db/connect";
import { type TeamScope, teamScope } from "../db/teamScope";
import { optionalDay, words } from "../doors/fields";
import { type ReadForm, readForm } from "../formProblems";
import { setTimeout as sleep } from "node:timers/promises";

const LEAST_PASSWORD = 6;
const MOST_LINKS = 50;

const linkForm = object({
  note: words(80),
  password: string()
    .max(200, "At most 200 characters.")
    .test("long", `At least ${LEAST_PASSWORD} characters, or none.`, (text = "") =>
      text === "" ? true : text.length >= LEAST_PASSWORD,
    )
    .default(""),
  ends: optionalDay(),
  ask: boolean().default(false),
});

/** A link that was made: its token, which is never shown again, and whether approval is asked for by it. */
export interface MadeLink {
  readonly token: string;
  readonly isAsked: boolean;
}

/** What a link's film is embedded by: whoever reads it on a page sees the film, and can't find the link by it. */
export const embedToken = (token: string): string => createHash("sha256").update(`embed ${token}`).digest("base64url");

/** Makes a link to a promotion. Its last day ends where the team is. */
export async function makeShareLink(
  { scope, name, team }: Person,
  promotion: string,
  form: FormData,
): Promise<ReadForm<MadeLink>> {
  const read = await readForm(linkForm, form);
  if (!read.ok) return read;
  const { note, password, ends, ask } = read.values;
  const ends_at = ends === "" ? null : instantOf(`${dayAfter(ends, 1)}T00:00`, team.zone);
  if (ends_at && ends_at.getTime() <= Date.now())
    return { ok: false, problems: { ends: "This day is over. Choose today or later." } };
  const { count } = await scope
    .select("share_link")
    .where("promotion_id", "=", promotion)
    .where("revoked_at", "is", null)
    .select((eb) => eb.fn.countAll<string>().as("count"))
    .executeTakeFirstOrThrow();
  if (Number(count) >= MOST_LINKS)
    return { ok: false, problems: { form: `There are ${MOST_LINKS} links already. Take back those nobody needs.` } };
  const token = newToken();
  await scope
    .insert("share_link", {
      ...{ promotion_id: promotion, note, ends_at, made_by: name },
      ...{ token_hash: tokenHash(token), embed_hash: tokenHash(embedToken(token)) },
      password_hash: password === "" ? null : await hashPassword(password),
    })
    .execute();
  return { ok: true, values: { token, isAsked: ask } };
}

/** Takes a link back: nothing is seen by it from now on. */
export async function revokeShareLink(scope: TeamScope, promotion: string, id: string): Promise<void> {
  await scope
    .update("share_link")
    .set({ revoked_at: new Date() })
    .where("id", "=", id)
    .where("promotion_id", "=", promotion)
    .where("revoked_at", "is", null)
    .execute();
}

/** A link as those see it who made it. */
export interface ShareLink {
  readonly id: string;
  readonly note: string;
  readonly hasPassword: boolean;
  readonly endsAt: Date | null;
  readonly opened: number;
  readonly openedAt: Date | null;
  readonly by: string;
  readonly state: "open" | "taken back" | "ended";
}

/** The links to a promotion, the newest first. */
export async function shareLinksOf(scope: TeamScope, promotion: string): Promise<ShareLink[]> {
  const rows = await scope
    .select("share_link")
    .selectAll()
    .where("promotion_id", "=", promotion)
    .orderBy("created_at", "desc")
    .limit(MOST_LINKS * 2)
    .execute();
  const now = Date.now();
  return rows.map((row) => ({
    ...{ id: row.id, note: row.note, opened: row.opened, openedAt: row.opened_at, by: row.made_by },
    ...{ hasPassword: row.password_hash !== null, endsAt: row.ends_at },
    state:
      row.revoked_at !== null ? "taken back" : row.ends_at !== null && row.ends_at.getTime() <= now ? "ended" : "open",
  }));
}

/** What a link leads to, for whoever may see it. */
export interface Shared {
  readonly link: string;
  readonly scope: TeamScope;
  readonly promotion: string;
  readonly team: { readonly name: string; readonly locale: string; readonly zone: string };
}

/** What a token opens: nothing where the link is not, or is no longer, good; else whether a password is asked for first. */
export type Opened =
  | { readonly state: "closed" }
  | { readonly state: "locked"; readonly link: string }
  | { readonly state: "open"; readonly shared: Shared };

const linkOf = (column: "token_hash" | "embed_hash", token: string) =>
  database()
    .selectFrom("share_link")
    .innerJoin("team", "team.id", "share_link.team_id")
    .where(`share_link.${column}`, "=", tokenHash(token))
    .where("share_link.revoked_at", "is", null)
    .where((eb) => eb.or([eb("share_link.ends_at", "is", null), eb("share_link.ends_at", ">", sql<Date>`now()`)]))
    .select(["share_link.id", "share_link.team_id", "share_link.promotion_id", "share_link.password_hash"])
    .select(["team.name", "team.locale", "team.zone"])
    .executeTakeFirst();
type LinkRow = NonNullable<Awaited<ReturnType<typeof linkOf>>>;

const sharedBy = ({ id: link, promotion_id: promotion, team_id, name, locale, zone }: LinkRow): Shared => ({
  ...{ link, promotion, scope: teamScope(database(), team_id) },
  team: { name, locale, zone },
});

/** What shows that somebody typed a link's password: it can be made only with both, and ends with either. */
const passOf = (token: string, passwordHash: string): string =>
  createHash("sha256").update(`${token} ${passwordHash}`).digest("hex");

const isSame = (one: string, other: string): boolean =>
  one.length === other.length && timingSafeEqual(Buffer.from(one), Buffer.from(other));

/** @param pass what `unlock` gave, if the browser has it */
export async function openLink(token: string, pass: string | null): Promise<Opened> {
  const row = await linkOf("token_hash", token);
  if (!row) return { state: "closed" };
  if (row.password_hash !== null && (pass === null || !isSame(pass, passOf(token, row.password_hash))))
    return { state: "locked", link: row.id };
  return { state: "open", shared: sharedBy(row) };
}

/** What is seen by what `embedToken` made; null where the link is closed, or asks for a password, which frames can't. */
export async function openEmbed(token: string): Promise<Shared | null> {
  const row = await linkOf("embed_hash", token);
  return row && row.password_hash === null ? sharedBy(row) : null;
}

/** A password that was tried: what shows from now on that it was right, or what is wrong. */
export type Unlocked = { readonly pass: string } | { readonly problem: string };

/** Tries the password of a link. Whoever tries fast is checked later and later, as when signing in. */
export async function unlock(token: string, password: string, client: string): Promise<Unlocked> {
  const row = await linkOf("token_hash", token);
  if (!row) return { problem: "This link is no good any more." };
  if (row.password_hash === null) return { pass: "" };
  const wait = await nextTurn(client, row.id);
  if (wait > LONGEST_WAIT_S) return { problem: `Too many tries. Wait ${Math.ceil(wait - LONGEST_WAIT_S)} s.` };
  if (wait > 0) await sleep(wait * 1000);
  if (!(await passwordMatches(password.slice(0, 200), row.password_hash)))
    return { problem: "This is not the password." };
  await forgetTries(client, row.id);
  return { pass: passOf(token, row.password_hash) };
}

/** Counts that somebody opened a link. */
export async function countOpened({ scope, link }: Shared): Promise<void> {
  await scope
    .update("share_link")
    .set((eb) => ({ opened: eb("opened", "+", 1), opened_at: sql<Date>`now()` }))
    .where("id", "=", link)
    .execute();
}
