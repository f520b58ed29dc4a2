import { randomUUID } from "node:crypto";
import { closeDatabase, database } from "../db/connect";
import { type Role } from "../db/tables";
import { type TestTeam, testTeam } from "../testing/team";
import { hashPassword } from "./passwords";
import { endSession, findPerson, requireDesigner, requireEditor, requirePerson } from "./sessions";
import { demoAccounts, signIn } from "./signIn";

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

const failures = async (address: string) =>
  database().selectFrom("sign_in_attempt").selectAll().where("email", "=", address).executeTakeFirst();

/** The cookie that signing in gives, as a browser sends it back. */
async function cookieOf(address: string): Promise<string> {
  const result = await signIn(address, PASSWORD);
  if (!result.ok) throw new Error(result.problem);
  return result.cookie.split(";")[0] ?? "";
}
const asking = (cookie: string, path = "/catalogue?tag=pots"): Request =>
  new Request(`http://127.0.0.1${path}`, { headers: { cookie } });

test("the right password signs in as that person, with a cookie that scripts can't read and other sites don't send", async () => {
  const result = await signIn(email, PASSWORD);
  if (!result.ok) throw new Error(result.problem);
  expect(result.cookie).toMatch(/HttpOnly/i);
  expect(result.cookie).toMatch(/SameSite=Lax/i);
  const person = await findPerson(asking(result.cookie.split(";")[0] ?? ""));
  expect(person).toMatchObject({ email, role: "marketer", team: { id: team.scope.teamId } });
});

test("the table of sessions holds nothing that signs anyone in", async () => {
  const cookie = await cookieOf(email);
  const token: unknown = JSON.parse(
    Buffer.from(decodeURIComponent(cookie.split("=").slice(1).join("=")), "base64").toString(),
  );
  const rows = await database().selectFrom("session").select("token_hash").execute();
  expect(rows.some(({ token_hash }) => token_hash === token)).toBe(false);
});

test("a wrong password and an unknown address get one answer, and both are counted", async () => {
  const nobody = `${randomUUID()}@example.com`;
  const [wrong, unknown] = [await signIn(email, "something else"), await signIn(nobody, "something else")];
  expect(wrong).toEqual(unknown);
  expect(wrong).toMatchObject({ ok: false, status: 401 });
  expect([(await failures(email))?.failures, (await failures(nobody))?.failures]).toEqual([1, 1]);
});

test("after some wrong passwords even the right one must wait, twice as long each time; signing in forgets them", async () => {
  const waits: number[] = [];
  for (let tries = 0; tries < 9; tries++) {
    await signIn(email, "something else");
    const row = await failures(email);
    const wait = Number(row?.blocked_until) - Date.now();
    if (wait > 0) waits.push(wait);
    if (waits.length === 1) expect(await signIn(email, PASSWORD)).toMatchObject({ ok: false, status: 429 });
    // What was waited for is over.
    await database()
      .updateTable("sign_in_attempt")
      .set({ blocked_until: new Date(0) })
      .where("email", "=", email)
      .execute();
  }
  expect(waits.length).toBeGreaterThanOrEqual(3);
  for (const [index, wait] of waits.entries())
    if (index > 0) expect(Math.abs(wait / (waits[index - 1] ?? 1) - 2)).toBeLessThan(0.35);
  expect(await signIn(email, PASSWORD)).toMatchObject({ ok: true });
  expect(await failures(email)).toBeUndefined();
});

test.each([
  ["", PASSWORD],
  ["not an address", PASSWORD],
  ["someone@example.com", ""],
  [undefined, null],
  [{ email: "x" }, ["y"]],
])("%j with %j is answered in words and counted for nobody", async (address, password) => {
  const result = await signIn(address, password);
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
