import { sql } from "kysely";
import { type TestTeam, testTeam } from "../testing/team";
import { type KeptTable, KEPT_TABLES, memoryOf } from "./teamMemory";
import { type TeamScope, teamScope } from "./teamScope";

let team: TestTeam;
beforeAll(async () => {
  team = await testTeam();
});
afterAll(() => team.close());

async function stampNow(): Promise<string> {
  const row = await team.scope.connection
    .selectFrom("team_stamp")
    .select("kept")
    .where("team_id", "=", team.scope.teamId)
    .executeTakeFirstOrThrow();
  return row.kept;
}

/** A scope as a page gets it that is asked for now. */
async function pageScope(): Promise<TeamScope> {
  return teamScope(team.scope.connection, team.scope.teamId, memoryOf(team.scope.teamId, await stampNow()));
}

const namesIn = async (scope: TeamScope): Promise<string[]> =>
  (await scope.kept(scope.select("product").select("name").orderBy("name"))).map(({ name }) => name);

test("a page that was asked for before a change may see what was, and one after it never does", async () => {
  await team.product("Pot", 100);
  const earlier = await pageScope();
  expect(await namesIn(earlier)).toEqual(["Pot"]);
  await team.product("Bowl", 100);
  // From memory: the database would have said more.
  expect(await namesIn(earlier)).toEqual(["Pot"]);
  const later = await pageScope();
  expect(await namesIn(later)).toEqual(["Bowl", "Pot"]);
  // What is kept for the later page is not given up for one that knows less.
  const { teamId, connection } = team.scope;
  expect(memoryOf(teamId, "1")).toBeNull();
  expect(await namesIn(teamScope(connection, teamId, null))).toEqual(["Bowl", "Pot"]);
});

test("who changes something, and a job, read from the database", async () => {
  const before = await namesIn(team.scope);
  await team.product("Vase", 100);
  expect(await namesIn(team.scope)).toEqual([...before, "Vase"].toSorted());
  await expect(
    team.scope.together(async (scope) => {
      await scope.insert("product", { name: "Urn", line: "", price_minor: 1, currency: "GBP" }).execute();
      expect(await namesIn(scope)).toContain("Urn");
      throw new Error("not wanted");
    }),
  ).rejects.toThrow("not wanted");
  expect(await namesIn(await pageScope())).not.toContain("Urn");
});

test("queries with other values are kept apart, and so are teams", async () => {
  const other = await testTeam();
  try {
    await other.product("Pot of theirs", 100);
    const scope = await pageScope();
    const named = (name: string) => scope.kept(scope.select("product").select("name").where("name", "=", name));
    expect(await named("Pot")).toHaveLength(1);
    expect(await named("Pot of theirs")).toHaveLength(0);
    const theirs = teamScope(other.scope.connection, other.scope.teamId, memoryOf(other.scope.teamId, "1"));
    expect(await namesIn(theirs)).toEqual(["Pot of theirs"]);
  } finally {
    await other.close();
  }
});

test("a query that fails is asked again", async () => {
  const scope = await pageScope();
  const ask = (size: string) =>
    scope.kept(
      scope
        .select("product")
        .select("name")
        .where(sql<boolean>`1 / ${size}::int > 0`),
    );
  await expect(ask("0")).rejects.toThrow(/division/);
  await expect(ask("0")).rejects.toThrow(/division/);
  expect((await ask("1")).length).toBeGreaterThan(0);
});

/** Puts a row into each table that pages keep. */
const ADDED: Readonly<Record<KeptTable, () => Promise<unknown>>> = {
  brand: () => team.brand("Ash"),
  product: () => team.scope.insert("product", { name: "Jug", line: "", price_minor: 1, currency: "GBP" }).execute(),
  product_picture: async () => {
    const [product_id, media_id] = [await team.product("Plate", 1), await team.picture("plate.jpg")];
    await team.scope.insert("product_picture", [{ product_id, media_id, position: 0 }]).execute();
  },
  price_step: () => team.product("Cup", 1),
  offer: () =>
    team.scope
      .insert("offer", {
        ...{ name: "Week", terms: "{}", scope: "{}", currency: "GBP", zone: "Europe/London" },
        ...{ starts_at: new Date(0), ends_at: new Date() },
      })
      .execute(),
  media: () => team.picture("jug.jpg"),
  font: () => team.scope.insert("font", { family: "Ash", file_name: "a.ttf", sha256: "a", facts: "{}" }).execute(),
  template: () => team.scope.insert("template", { slug: "ash", name: "Ash", draft: "{}", removed_at: null }).execute(),
  template_edition: async () => {
    const { id } = await team.scope
      .insert("template", { slug: "elm", name: "Elm", draft: "{}", removed_at: null })
      .returning("id")
      .executeTakeFirstOrThrow();
    const edition = { template_id: id, edition: 1, document: "{}", member_id: null };
    await team.scope.insert("template_edition", edition).execute();
  },
  placement: () => team.scope.insert("placement", { slug: "window", document: null }).execute(),
};

test.each(KEPT_TABLES)("whatever changes in the table %s, pages learn of it", async (table) => {
  const seen = async (): Promise<number> =>
    (await (await pageScope()).kept(team.scope.select(table).select("team_id"))).length;
  const before = await seen();
  await ADDED[table]();
  expect(await seen()).toBe(before + 1);
  const added = await stampNow();
  await sql`update ${sql.table(table)} set team_id = team_id where team_id = ${team.scope.teamId}`.execute(
    team.scope.connection,
  );
  const changed = await stampNow();
  expect(BigInt(changed)).toBeGreaterThan(BigInt(added));
  await team.scope.remove(table).execute();
  expect(await seen()).toBe(0);
});
