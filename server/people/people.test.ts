import { randomUUID } from "node:crypto";
import { findPerson, requireOperator, requirePerson, type Person } from "../auth/sessions";
import { signIn } from "../auth/signIn";
import { closeDatabase, database } from "../db/connect";
import { type Role } from "../db/tables";
import { type TestTeam, formOf, testTeam } from "../testing/team";
import { acceptInvitation, invite, invitedBy, passwordLink, revokeInvitation } from "./invitations";
import { changeRole, handOver, membersOf, openInvitations, removeMember } from "./members";
import { deedsOf, noteDeed } from "./deeds";
import { letOperate, makeTeam, teamsHere } from "./newTeam";
import { changePassword, renamePerson, sessionsOf } from "./ownProfile";

const PASSWORD = "a long enough password";
let team: TestTeam;
let owner: Person;
beforeEach(async () => {
  team = await testTeam();
  owner = await joined("owner");
  // The team's first member has no password that anybody knows.
  await team.scope.remove("member").where("id", "=", team.memberId).execute();
});
afterEach(() => team.close());
afterAll(() => closeDatabase());

const asking = (cookie: string): Request =>
  new Request("http://127.0.0.1/", { headers: { cookie: cookie.split(";")[0] ?? "" } });
const from = () => ({ client: randomUUID(), device: "Linux" });

async function tokenFor(role: Role): Promise<string> {
  const by = { scope: team.scope, name: "Tess" } as Person;
  const made = await invite(by, formOf({ role, note: "Ines", days: "7" }));
  if (!made.ok) throw new Error(JSON.stringify(made.problems));
  return made.values.token;
}
/** Somebody who joined by a link, signed in. */
async function joined(role: Role, email = `${randomUUID()}@example.com`): Promise<Person> {
  const answer = await acceptInvitation(
    await tokenFor(role),
    formOf({ name: "Ines", email, password: PASSWORD }),
    "Linux",
  );
  if (!answer.ok) throw new Error(JSON.stringify(answer.problems));
  return requirePerson(asking(answer.values.cookie));
}
const problemsOf = (answer: { ok: boolean; problems?: unknown }): unknown => (answer.ok ? null : answer.problems);

test("a link lets one person in, with its role, once", async () => {
  const token = await tokenFor("reviewer");
  expect(await invitedBy(token)).toEqual({ team: "Testers", role: "reviewer", member: null });
  expect(await openInvitations(team.scope)).toMatchObject([{ role: "reviewer", note: "Ines", isPassword: false }]);
  const email = `${randomUUID()}@example.com`;
  const join = (address: string) =>
    acceptInvitation(token, formOf({ name: "Ines", email: address, password: PASSWORD }), "Linux");
  const [one, other] = await Promise.allSettled([join(email), join(`${randomUUID()}@example.com`)]);
  const joinedWell = [one, other].filter((answer) => answer.status === "fulfilled" && answer.value.ok);
  expect(joinedWell).toHaveLength(1);
  expect(await invitedBy(token)).toBeNull();
  expect(problemsOf(await join(email))).toEqual({ form: expect.stringContaining("This link was used") as string });
  expect((await membersOf(team.scope)).map(({ role }) => role).sort()).toEqual(["owner", "reviewer"]);
});

test("whoever runs the instance makes another team: its owner joins by a link, and sees nothing of the others", async () => {
  const name = `Tallow ${randomUUID().slice(0, 8)}`;
  const token = await makeTeam({ name, currency: "EUR", zone: "Europe/Berlin" });
  expect(await invitedBy(token)).toEqual({ team: name, role: "owner", member: null });
  const email = `${randomUUID()}@example.com`;
  const answer = await acceptInvitation(token, formOf({ name: "Oda", email, password: PASSWORD }), "Linux");
  if (!answer.ok) throw new Error(JSON.stringify(answer.problems));
  const oda = await requirePerson(asking(answer.values.cookie));
  expect([oda.role, oda.team.currency, oda.team.zone]).toEqual(["owner", "EUR", "Europe/Berlin"]);
  expect((await membersOf(oda.scope)).map(({ email: theirs }) => theirs)).toEqual([email]);
  expect((await teamsHere()).find(({ id }) => id === oda.team.id)).toMatchObject({ name, members: 1, isDemo: false });
  await database().deleteFrom("team").where("id", "=", oda.team.id).execute();
});

test.each([
  [{ name: " " }, /name of the business/],
  [{ name: "Pots", currency: "XXX" }, /currency/],
  [{ name: "Pots", zone: "Mars/Base" }, /time zone/],
])("a team can't be made of %j", (wanted, said) => expect(makeTeam(wanted)).rejects.toThrow(said));

test("an address that is here already, a short password and no name are said in their places; the link stays good", async () => {
  const token = await tokenFor("marketer");
  const wrong = await acceptInvitation(token, formOf({ name: " ", email: "x", password: "short" }), "");
  expect(Object.keys(problemsOf(wrong) as object).sort()).toEqual(["email", "name", "password"]);
  const taken = await acceptInvitation(token, formOf({ name: "I", email: owner.email, password: PASSWORD }), "");
  expect(problemsOf(taken)).toEqual({ email: expect.stringContaining("here already") as string });
  expect(await invitedBy(token)).not.toBeNull();
});

test("a link that was taken back or has run out is good for nothing", async () => {
  const [back, old] = [await tokenFor("marketer"), await tokenFor("designer")];
  const [, first] = await openInvitations(team.scope);
  await revokeInvitation(owner, first?.id ?? "");
  expect(await invitedBy(back)).toBeNull();
  await team.scope
    .update("invitation")
    .set({ expires_at: new Date(0) })
    .execute();
  expect(await invitedBy(old)).toBeNull();
  expect(await openInvitations(team.scope)).toEqual([]);
});

test("a forgotten password is chosen anew by an owner's link; the old one and all sessions are good for nothing", async () => {
  const ines = await joined("marketer");
  const token = await passwordLink(owner, ines.id);
  expect(await invitedBy(token ?? "")).toMatchObject({ member: ines.email });
  const answer = await acceptInvitation(token ?? "", formOf({ password: "another long password" }), "");
  if (!answer.ok) throw new Error("refused");
  expect(await signIn(ines.email, PASSWORD, from())).toMatchObject({ ok: false });
  expect(await signIn(ines.email, "another long password", from())).toMatchObject({ ok: true });
  expect((await findPerson(asking(answer.values.cookie)))?.id).toBe(ines.id);
  expect(await database().selectFrom("session").select("id").where("id", "=", ines.session).execute()).toEqual([]);
  expect(await passwordLink(owner, randomUUID())).toBeNull();
});

test("a link for another password is good once, even for two at the same moment", async () => {
  const ines = await joined("marketer");
  const token = (await passwordLink(owner, ines.id)) ?? "";
  const passwords = ["another long password", "yet another password"];
  const answers = await Promise.allSettled(
    passwords.map((password) => acceptInvitation(token, formOf({ password }), "")),
  );
  expect(answers.filter((answer) => answer.status === "fulfilled" && answer.value.ok)).toHaveLength(1);
});

test("an own password is changed after the one there is; other sessions end, this one stays", async () => {
  const ines = await joined("marketer");
  await signIn(ines.email, PASSWORD, from());
  expect(await sessionsOf(ines)).toHaveLength(2);
  const change = (current: string) => changePassword(ines, formOf({ current, password: "another long password" }));
  expect(problemsOf(await change("not it"))).toEqual({ current: "This is not your password." });
  expect(await change(PASSWORD)).toEqual({ ok: true, values: { ended: 1 } });
  expect(await sessionsOf(ines)).toEqual([
    expect.objectContaining({ id: ines.session, isThis: true, device: "A browser on Linux" }),
  ]);
  expect(await renamePerson(ines, formOf({ name: "Ines Vale" }))).toMatchObject({ ok: true });
  expect((await membersOf(team.scope)).map(({ name }) => name)).toContain("Ines Vale");
});

test("somebody who is taken out is signed out at once; the last owner can't be, nor become anything else", async () => {
  const ines = await joined("designer");
  await removeMember(owner, ines.id);
  expect(await database().selectFrom("session").select("id").where("id", "=", ines.session).execute()).toEqual([]);
  expect((await membersOf(team.scope)).map(({ id }) => id)).toEqual([owner.id]);
  await expect(removeMember(owner, owner.id)).rejects.toThrow("A team needs an owner");
  await expect(changeRole(owner, owner.id, "marketer")).rejects.toThrow("A team needs an owner");
  await expect(changeRole(owner, owner.id, "emperor")).rejects.toThrow("Choose a role");
});

test("a team is handed over to somebody in it", async () => {
  const ines = await joined("marketer");
  await handOver(owner, ines.id);
  const roles = new Map((await membersOf(team.scope)).map(({ id, role }) => [id, role]));
  expect([roles.get(ines.id), roles.get(owner.id)]).toEqual(["owner", "designer"]);
  await expect(handOver(ines, randomUUID())).rejects.toThrow("not in your team");
});

test("nobody of another team is reached", async () => {
  const other = await testTeam();
  await changeRole(owner, other.memberId, "reviewer");
  await removeMember(owner, other.memberId);
  expect(await passwordLink(owner, other.memberId)).toBeNull();
  expect(await membersOf(other.scope)).toMatchObject([{ id: other.memberId, role: "owner" }]);
  await other.close();
});

test("what was done is told newest first, page by page, to its own team alone", async () => {
  for (let count = 1; count <= 32; count++) await noteDeed(team.scope, "Tess", `did thing ${count}`);
  const first = await deedsOf(team.scope);
  expect(first.deeds.map(({ did }) => did).slice(0, 2)).toEqual(["did thing 32", "did thing 31"]);
  expect(first.more).toBe(true);
  const second = await deedsOf(team.scope, first.deeds.at(-1)?.id);
  // The owner's joining was noted before all.
  expect(second.deeds.map(({ by, did }) => `${by} ${did}`)).toEqual([
    "Tess did thing 2",
    "Tess did thing 1",
    "Ines joined as owner",
  ]);
  expect(second.more).toBe(false);
  expect((await deedsOf(team.scope, "1; drop table deed")).deeds).toHaveLength(30);
  const other = await testTeam();
  expect((await deedsOf(other.scope)).deeds).toEqual([]);
  await other.close();
});

test("only who runs the instance may make teams, and becomes so by their address", async () => {
  const email = `${randomUUID()}@example.com`;
  const token = await tokenFor("marketer");
  const answer = await acceptInvitation(token, formOf({ name: "Ines", email, password: PASSWORD }), "Linux");
  const cookie = answer.ok ? answer.values.cookie : "";
  await expect(requireOperator(asking(cookie))).rejects.toMatchObject({ status: 403 });
  expect(await letOperate(` ${email.toUpperCase()} `)).toBe("Ines");
  expect(await requireOperator(asking(cookie))).toMatchObject({ name: "Ines", role: "marketer" });
  await expect(letOperate("nobody@example.com")).rejects.toThrow("Nobody here has the e-mail address");
});
