import { randomUUID } from "node:crypto";
import { closeDatabase, database } from "../db/connect";
import { type Role } from "../db/tables";
import { closeTeamEvents, isListening, onTeamEvent } from "../events/teamEvents";
import { type TestTeam, testTeam } from "../testing/team";
import { until } from "../testing/until";
import { hashPassword } from "./passwords";
import {
  endOneSession,
  endOtherSessions,
  endSession,
  findPerson,
  requireDesigner,
  requireEditor,
  requirePerson,
} from "./sessions";
import { demoAccounts, signIn } from "./signIn";
import { LONGEST_WAIT_S, forgetTries, nextTurn } from "./signInPace";
import { ownPath } from "./ownPath";

/** Who may come in, and as whom: OWASP ASVS 4, chapters 2.2 (guessing) and 3 (sessions). */
let team: TestTeam;
let email: string;
const PASSWORD = "a long enough password";
beforeAll(async () => {
  team = await testTeam();
});
afterAll(async () => {
  await team.close();
  await closeDatabase();
});
beforeEach(async () => {
  email = await member("marketer");
});

async function member(role: Role): Promise<string> {
  const address = `${randomUUID()}@example.com`;
  await database()
    .insertInto("member")
    .values({
      team_id: team.scope.teamId,
      email: address,
      name: "Tess",
      role,
      password_hash: await hashPassword(PASSWORD),
      working_brand_id: null,
    })
    .execute();
  return address;
}

/** A client of a test's own, so that none waits for what another tried. */
const client = () => ({ client: randomUUID(), device: "a test" });

/** The cookie that signing in gives, as a browser sends it back. */
async function cookieOf(address: string): Promise<string> {
  const result = await signIn(address, PASSWORD, client());
  if (!result.ok) throw new Error(result.problem);
  return result.cookie.split(";")[0] ?? "";
}
const asking = (cookie: string, path = "/catalogue?tag=pots"): Request =>
  new Request(`http://127.0.0.1${path}`, { headers: { cookie } });

test("the right password signs in as that person, with a cookie that scripts can't read and other sites don't send", async () => {
  const result = await signIn(email, PASSWORD, client());
  if (!result.ok) throw new Error(result.problem);
  expect(result.cookie).toMatch(/HttpOnly/i);
  expect(result.cookie).toMatch(/SameSite=Lax/i);
  const person = await findPerson(asking(result.cookie.split(";")[0] ?? ""));
  expect(person).toMatchObject({ email, role: "marketer", team: { id: team.scope.teamId } });
});

test("the routes of one page look up once who asks; the next request knows what has changed since", async () => {
  const cookie = await cookieOf(await member("marketer"));
  const page = asking(cookie);
  const [root, route] = await Promise.all([findPerson(page), requirePerson(page)]);
  expect(route).toBe(root);
  await database().updateTable("member").set({ role: "reviewer" }).where("id", "=", route.id).execute();
  expect((await findPerson(page))?.role).toBe("marketer");
  expect((await findPerson(asking(cookie)))?.role).toBe("reviewer");
});

test("the table of sessions holds nothing that signs anyone in", async () => {
  const cookie = await cookieOf(email);
  const token: unknown = JSON.parse(
    Buffer.from(decodeURIComponent(cookie.split("=").slice(1).join("=")), "base64").toString(),
  );
  const rows = await database().selectFrom("session").select("token_hash").execute();
  expect(rows.some(({ token_hash }) => token_hash === token)).toBe(false);
});

test("a wrong password and an unknown address get one answer", async () => {
  const nobody = `${randomUUID()}@example.com`;
  const wrong = await signIn(email, "something else", client());
  expect(wrong).toMatchObject({ ok: false, status: 401 });
  expect(await signIn(nobody, "something else", client())).toEqual(wrong);
});

test("thirty tries at once are counted before any is checked: each waits for the one before", async () => {
  const { client: from } = client();
  const waits = await Promise.all(Array.from({ length: 30 }, () => nextTurn(from, email)));
  const sorted = waits.sort((one, other) => one - other);
  // The first five at once, then apart, twice as far each time, up to 8 s.
  expect(sorted.slice(0, 5).every((wait) => wait < 0.1)).toBe(true);
  const gaps = sorted.slice(6).map((wait, index) => wait - (sorted[index + 5] ?? 0));
  expect(gaps.every((gap) => gap > 0.4 && gap < 8.5)).toBe(true);
  expect(sorted.filter((wait) => wait <= LONGEST_WAIT_S).length).toBeLessThanOrEqual(11);
});

test("what others try at an address never keeps its owner out, and hardly keeps them waiting", async () => {
  for (let tries = 0; tries < 60; tries++) await nextTurn(`many-${tries % 6}`, email);
  const started = Date.now();
  expect(await signIn(email, PASSWORD, client())).toMatchObject({ ok: true });
  expect(Date.now() - started).toBeLessThan(5000);
});

test("who tries on and on is told to wait; the right password forgets what went before", async () => {
  const from = client();
  for (let tries = 0; tries < 14; tries++) await nextTurn(from.client, email);
  expect(await signIn(email, PASSWORD, from)).toMatchObject({
    ok: false,
    status: 429,
    problem: expect.stringMatching(/^Too many tries from here\. Wait \d+ s/) as string,
  });
  expect(await signIn(email, PASSWORD, client())).toMatchObject({ ok: true });
  await forgetTries(from.client, email);
  expect(await nextTurn(from.client, email)).toBe(0);
});

test("a client that tries many addresses slows down for all of them", async () => {
  const { client: from } = client();
  for (let tries = 0; tries < 40; tries++) await nextTurn(from, `${randomUUID()}@example.com`);
  expect(await nextTurn(from, `${randomUUID()}@example.com`)).toBeGreaterThan(2);
});

test.each([
  ["", PASSWORD],
  ["not an address", PASSWORD],
  ["someone@example.com", ""],
  [undefined, null],
  [{ email: "x" }, ["y"]],
])("%j with %j is answered in words and counted for nobody", async (address, password) => {
  const result = await signIn(address, password, client());
  expect(result).toMatchObject({ ok: false, status: 400 });
  expect(result.ok || result.problem.length > 10).toBe(true);
});

test("an ended or outlived session signs nobody in", async () => {
  const [ended, old] = [await cookieOf(email), await cookieOf(email)];
  expect(await endSession(asking(ended))).toMatch(/Max-Age=0/i);
  expect(await findPerson(asking(ended))).toBeNull();
  expect(await findPerson(asking(old))).not.toBeNull();
  await database()
    .updateTable("session")
    .set({ expires_at: new Date(Date.now() - 1000) })
    .execute();
  expect(await findPerson(asking(old))).toBeNull();
});

test.each(["", "stencilcraft-session=", "stencilcraft-session=nonsense", "stencilcraft-session=%F0%9F", "a=b; c"])(
  "the cookie %j is nobody's, and is sent to sign in and back",
  async (cookie) => {
    expect(await findPerson(asking(cookie))).toBeNull();
    const answer: unknown = await requirePerson(asking(cookie)).catch((thrown: unknown) => thrown);
    if (!(answer instanceof Response)) throw new Error("It was let in.");
    expect([answer.status, answer.headers.get("location")]).toEqual([302, "/sign-in?next=%2Fcatalogue%3Ftag%3Dpots"]);
  },
);

test.each<[Role, editor: boolean, designer: boolean]>([
  ["owner", true, true],
  ["designer", true, true],
  ["marketer", true, false],
  ["reviewer", false, false],
])("a %s may change things: %j, and templates: %j", async (role, editor, designer) => {
  const request = asking(await cookieOf(await member(role)));
  const may = async (ask: (of: Request) => Promise<unknown>): Promise<boolean> => {
    const answer: unknown = await ask(request).catch((thrown: unknown) => thrown);
    if (answer instanceof Response) expect(answer.status).toBe(403);
    return !(answer instanceof Response);
  };
  expect([await may(requireEditor), await may(requireDesigner)]).toEqual([editor, designer]);
});

test("the sign-in page offers people of demo teams only", async () => {
  expect((await demoAccounts()).map((account) => account.email)).not.toContain(email);
  await database().updateTable("team").set({ is_demo: true }).where("id", "=", team.scope.teamId).execute();
  expect((await demoAccounts()).map((account) => account.email)).toContain(email);
});

test("ending a session, or all others, tells its open pages, and leaves those of other people", async () => {
  const [here, there, elsewhere] = [await cookieOf(email), await cookieOf(email), await cookieOf(email)];
  const colleague = await cookieOf(await member("owner"));
  const person = await requirePerson(asking(here));
  const other = await requirePerson(asking(there));
  const told: string[] = [];
  const off = onTeamEvent(team.scope.teamId, (event) => {
    if (event.topic === "session-ended") told.push(event.session);
  });
  await isListening();
  expect(await endOneSession(person.id, other.session)).toBe(1);
  await until(() => told.includes(other.session));
  expect(await endOtherSessions(person.id, person.session)).toBe(1);
  await until(() => told.length === 2);
  off();
  await closeTeamEvents();
  expect(told).not.toContain(person.session);
  const left = await Promise.all([here, there, elsewhere, colleague].map((cookie) => findPerson(asking(cookie))));
  expect(left.map((one) => one !== null)).toEqual([true, false, false, true]);
});

test.each([
  ["/promotions?state=ready", "/promotions?state=ready"],
  ["//evil.example.com/", "/"],
  ["/\\evil.example.com", "/"],
  ["/\t/evil.example.com", "/"],
  ["/\n//evil.example.com", "/"],
  ["https://evil.example.com/", "/"],
  ["javascript:alert(1)", "/"],
  [null, "/"],
])("after signing in, %j leads to %j", (wanted, path) => expect(ownPath(wanted)).toBe(path));
