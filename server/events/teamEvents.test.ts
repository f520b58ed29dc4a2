import { randomUUID } from "node:crypto";
import { sql } from "kysely";
import { closeDatabase, database } from "../db/connect";
import { until } from "../testing/until";
import { closeTeamEvents, onTeamEvent, tellTeam } from "./teamEvents";
import { type TeamEvent } from "../../core/team/teamEvent";

/** Tells this test's connections from those of tests that run beside it (PostgreSQL's application_name). */
const NAME = `events-test-${randomUUID()}`;
process.env["PGAPPNAME"] = NAME;
const db = database();
afterAll(async () => {
  await closeTeamEvents();
  await closeDatabase();
});

const event = (change: Partial<Extract<TeamEvent, { topic: "media" }>> = {}): TeamEvent => ({
  topic: "media",
  id: randomUUID(),
  state: "working",
  progress: 0.5,
  ...change,
});
const idOf = (told: TeamEvent): string => ("id" in told ? told.id : "");

/** Hears a team, once the channel is open: told until the first word of it comes through. */
async function hearing(team: string): Promise<{ heard: TeamEvent[]; off: () => void }> {
  const all: TeamEvent[] = [];
  const off = onTeamEvent(team, (one) => all.push(one));
  await until(async () => {
    await tellTeam(db, team, event({ id: "hello" }));
    return all.length > 0;
  });
  const heard: TeamEvent[] = [];
  off();
  const hear = (one: TeamEvent): void => {
    if (idOf(one) !== "hello") heard.push(one);
  };
  return { heard, off: onTeamEvent(team, hear) };
}

test("a team's listeners hear what happens in it, whole and in order, and nothing of another team", async () => {
  const [mine, theirs] = [randomUUID(), randomUUID()];
  const { heard, off } = await hearing(mine);
  const told: TeamEvent[] = [
    event(),
    {
      topic: "rendition",
      id: randomUUID(),
      promotion: "pot-sale",
      name: "Pot sale",
      by: null,
      left: 0,
      state: "ready",
      progress: 1,
    },
    { topic: "promotion", slug: "pot-sale", revision: 3, by: "Tess" },
    { topic: "presence", slug: "pot-sale", page: "p", name: "Tess", at: "", here: true },
  ];
  await tellTeam(db, theirs, event());
  for (const one of told) await tellTeam(db, mine, one);
  await until(() => heard.length === told.length);
  expect(heard).toEqual(told);
  off();
});

test("who has stopped listening hears nothing more; the others do", async () => {
  const team = randomUUID();
  const [leaving, staying] = [await hearing(team), await hearing(team)];
  leaving.off();
  await tellTeam(db, team, event());
  await until(() => staying.heard.length === 1);
  expect(leaving.heard).toEqual([]);
  staying.off();
});

test("what is no event is passed over, and does not stop the channel", async () => {
  const team = randomUUID();
  const { heard, off } = await hearing(team);
  for (const payload of [
    "",
    "not json",
    "null",
    JSON.stringify({ team, event: { topic: "weather" } }),
    JSON.stringify({ event: event() }),
  ])
    await sql`select pg_notify('stencilcraft_team_events', ${payload})`.execute(db);
  const good = event();
  await tellTeam(db, team, good);
  await until(() => heard.length > 0);
  expect(heard).toEqual([good]);
  off();
});

test("a channel that is lost is opened again by itself, and who listens is told that something may have been missed", async () => {
  const team = randomUUID();
  const { heard, off } = await hearing(team);
  const told = { listening: 0, gone: 0 };
  const listens = onTeamEvent(
    team,
    () => undefined,
    () => told.listening++,
  );
  onTeamEvent(
    team,
    () => undefined,
    () => told.gone++,
  )();
  await sql`
    select pg_terminate_backend(pid) from pg_stat_activity
    where query = 'listen stencilcraft_team_events' and application_name = ${NAME}`.execute(db);
  await until(async () => {
    await tellTeam(db, team, event({ id: "after" }));
    return heard.some((one) => idOf(one) === "after");
  });
  expect(told).toEqual({ listening: 1, gone: 0 });
  listens();
  off();
});
