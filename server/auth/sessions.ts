import { createHash, randomBytes } from "node:crypto";
import { type DeleteQueryBuilder, type DeleteResult } from "kysely";
import { createCookie, redirect } from "react-router";
import { config } from "../config";
import { database } from "../db/connect";
import { type TeamScope, teamScope } from "../db/teamScope";
import { type Database, type Role } from "../db/tables";
import { memoryOf } from "../db/teamMemory";
import { tellTeam } from "../events/teamEvents";
import { mayChangeLocked } from "./roles";

const LIFETIME_DAYS = 14;
const cookie = () =>
  createCookie("stencilcraft-session", {
    httpOnly: true,
    sameSite: "lax",
    path: "/",
    maxAge: LIFETIME_DAYS * 86_400,
    secure: config().SECURE_COOKIES === "yes",
  });

/** A token that can't be guessed. */
export const newToken = (): string => randomBytes(32).toString("base64url");

/** Only the hash of a token is stored, so that a read of the table signs nobody in. */
export const tokenHash = (token: string): string => createHash("sha256").update(token).digest("hex");

/** Who is asking, and the team whose rows they may see. */
export interface Person {
  readonly id: string;
  readonly name: string;
  readonly email: string;
  readonly role: Role;
  /** Whether they run the instance, and so may make teams on it. */
  readonly operates: boolean;
  readonly team: {
    readonly id: string;
    readonly name: string;
    readonly locale: string;
    readonly zone: string;
    readonly currency: string;
    /** Grows whenever something changes that the team's frames are drawn from, other than promotions. */
    readonly stamp: string;
  };
  readonly scope: TeamScope;
  /** The session they are in. */
  readonly session: string;
}

/** Starts a session for a member and gives the header that carries it. */
export async function startSession(memberId: string, teamId: string, device = ""): Promise<string> {
  const token = newToken();
  const expires = new Date(Date.now() + LIFETIME_DAYS * 86_400_000);
  await database().deleteFrom("session").where("expires_at", "<", new Date()).execute();
  await database()
    .insertInto("session")
    .values({ token_hash: tokenHash(token), member_id: memberId, team_id: teamId, expires_at: expires, device })
    .execute();
  return cookie().serialize(token);
}

export async function endSession(request: Request): Promise<string> {
  const token: unknown = await cookie().parse(request.headers.get("cookie"));
  if (typeof token === "string") await endSessions((query) => query.where("token_hash", "=", tokenHash(token)));
  return cookie().serialize("", { maxAge: 0 });
}

type Ending = DeleteQueryBuilder<Database, "session", DeleteResult>;

/** Ends sessions; their open pages hear nothing more from then on. */
async function endSessions(which: (query: Ending) => Ending): Promise<number> {
  const db = database();
  const ended = await which(db.deleteFrom("session")).returning(["id", "team_id"]).execute();
  for (const { id, team_id } of ended) await tellTeam(db, team_id, { topic: "session-ended", session: id });
  return ended.length;
}

/** Ends all sessions of a person but one. Gives how many they were. */
export const endOtherSessions = (member: string, kept: string): Promise<number> =>
  endSessions((query) => query.where("member_id", "=", member).where("id", "!=", kept));

/** Ends all sessions of a person. */
export const endAllSessions = (member: string): Promise<number> =>
  endSessions((query) => query.where("member_id", "=", member));

/** Ends one session of a person. */
export const endOneSession = (member: string, id: string): Promise<number> =>
  endSessions((query) => query.where("member_id", "=", member).where("id", "=", id));

/** Who asked what: the routes of one page, each with a loader of its own, look it up once. */
const asking = new WeakMap<Request, Promise<Person | null>>();

/** The signed-in person, or null; as it was when it was first asked about a request. */
export function findPerson(request: Request): Promise<Person | null> {
  const known = asking.get(request) ?? personAsking(request);
  asking.set(request, known);
  return known;
}

async function personAsking(request: Request): Promise<Person | null> {
  const token: unknown = await cookie().parse(request.headers.get("cookie"));
  if (typeof token !== "string" || token === "") return null;
  const row = await database()
    .selectFrom("session")
    .innerJoin("member", "member.id", "session.member_id")
    .innerJoin("team", "team.id", "session.team_id")
    .leftJoin("team_stamp", "team_stamp.team_id", "session.team_id")
    .where("session.token_hash", "=", tokenHash(token))
    .where("session.expires_at", ">", new Date())
    .select([
      "session.id as session",
      "member.id",
      "member.name",
      "member.email",
      "member.role",
      "member.operates",
      "team.id as team_id",
      "team.name as team_name",
      "team.locale",
      "team.zone",
      "team.currency",
      "team_stamp.stamp",
      "team_stamp.kept",
    ])
    .executeTakeFirst();
  if (!row) return null;
  const { session, id, name, email, role, operates, team_id, team_name, locale, zone, currency, stamp, kept } = row;
  // Who changes something reads what they have changed from the database.
  const memory = request.method === "GET" && kept !== null ? memoryOf(team_id, kept) : null;
  return {
    id,
    name,
    email,
    role,
    operates,
    team: { id: team_id, name: team_name, locale, zone, currency, stamp: stamp ?? "1" },
    scope: teamScope(database(), team_id, memory),
    session,
  };
}

/** The signed-in person; anyone else is sent to sign in and back again. */
export async function requirePerson(request: Request): Promise<Person> {
  const person = await findPerson(request);
  if (person) return person;
  const { pathname, search } = new URL(request.url);
  throw redirect(`/sign-in?next=${encodeURIComponent(pathname + search)}`);
}

/** The signed-in person if their role may change things; reviewers may only look. */
export async function requireEditor(request: Request): Promise<Person> {
  const person = await requirePerson(request);
  if (person.role === "reviewer")
    throw new Response("Reviewers can look and comment, but not change things.", { status: 403 });
  return person;
}

/** The signed-in person if they own the team's account. */
export async function requireOwner(request: Request): Promise<Person> {
  const person = await requirePerson(request);
  if (person.role !== "owner") throw new Response("Only an owner of the team changes who is in it.", { status: 403 });
  return person;
}

/** The signed-in person if they run the instance. */
export async function requireOperator(request: Request): Promise<Person> {
  const person = await requirePerson(request);
  if (!person.operates) throw new Response("Teams are made by whoever runs this Stencilcraft.", { status: 403 });
  return person;
}

/** The signed-in person if they may make and change templates. */
export async function requireDesigner(request: Request): Promise<Person> {
  const person = await requirePerson(request);
  if (!mayChangeLocked(person.role))
    throw new Response("Templates are changed by designers and owners.", { status: 403 });
  return person;
}
