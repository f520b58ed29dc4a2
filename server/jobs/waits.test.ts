import { type TestTeam, testTeam } from "../testing/team";
import { enqueue } from "./enqueue";
import { noteTime } from "./jobTimes";
import { waitsOf } from "./waits";

let mine: TestTeam;
let theirs: TestTeam;
beforeAll(async () => {
  [mine, theirs] = await Promise.all([testTeam(), testTeam()]);
});
afterAll(async () => {
  await mine.close();
  await theirs.close();
});

const waiting = async (team: TestTeam, name: string, isLong: boolean): Promise<string> => {
  const media = await team.picture(name, { state: "waiting" });
  await enqueue(team.scope.connection, "ingest-media", { media, replacement: undefined, isLong });
  return media;
};

test("what waits says behind what, those of other teams among it, and about how long; others' items are not told of", async () => {
  const db = mine.scope.connection;
  const worker = { id: "waits-test", seen_at: new Date(), host: "elsewhere", pid: 1 };
  await db.insertInto("worker").values(worker).execute();
  // As many as count: a clip takes nine minutes.
  const started = Date.now() - 540_000;
  const times = { waitedFrom: new Date(started), started };
  for (let time = 0; time < 30; time++) await noteTime(db, "clip", { team: mine.scope.teamId }, times);
  const [other, own] = [await waiting(theirs, "before.mp4", true), await waiting(mine, "after.mp4", true)];
  const waits = await waitsOf(mine.scope);
  expect(Object.keys(waits)).toEqual([own]);
  expect(waits[own]).toMatch(/^waits behind .*(a clip|\d+ clips).*, about \d+ min$/);
  expect(Object.keys(await waitsOf(theirs.scope))).toEqual([other]);
  await db.deleteFrom("worker").where("id", "=", worker.id).execute();
  await db.deleteFrom("job_time").where("took_ms", ">=", 540_000).execute();
});

test("an item that is not in the queue any more waits behind nothing that could be said", async () => {
  const media = await mine.picture("forgotten.png", { state: "waiting" });
  expect((await waitsOf(mine.scope))[media]).toBeUndefined();
});
