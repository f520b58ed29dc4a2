import { randomUUID } from "node:crypto";
import { sql } from "kysely";
import { type Jobs, keyOf } from "../jobs/enqueue";
import { freeJobsOf, strikesOf } from "../jobs/freedJobs";
import { renditionKey, segmentKey } from "../storage/keys";
import { store } from "../storage/store";
import { askedRenditions } from "../testing/askedRenditions";
import { probedFrames } from "../testing/probedFrames";
import { type TestTeam, testTeam } from "../testing/team";
import { until } from "../testing/until";
import { type PaintPool, openPaintPool } from "./paintPool";
import { renderRendition } from "./renditionJob";
import { cancelRendition } from "./renditions";
import { giveUpSegment, paintSegment } from "./segmentJob";
import { sharedPainter } from "./sharedPainter";

/** The queue is read here by hand, as workers on several machines would. */
let team: TestTeam;
let pool: PaintPool;
beforeAll(() => {
  pool = openPaintPool(2);
});
afterAll(() => pool.close());
beforeEach(async () => {
  team = await testTeam();
});
afterEach(() => team.close());

const asked = (length: number, renders = 1): Promise<readonly string[]> => askedRenditions(team, length, renders);
const db = () => team.scope.connection;
const rowOf = (id: string) => team.scope.select("rendition").selectAll().where("id", "=", id).executeTakeFirstOrThrow();
const stopping = new AbortController().signal;
const render = (id: string) => {
  const wish = { rendition: id, asking: 1, isDraft: true, team: team.scope.teamId };
  return renderRendition(db(), sharedPainter(db(), wish, stopping), wish);
};

/** What is queued of segments that a rendition waits for. */
async function queuedFor(id: string): Promise<readonly Jobs["paint-segment"][]> {
  const { rows } = await sql<{ payload: Jobs["paint-segment"] }>`
    select payload from graphile_worker._private_jobs job
    join segment_wait on segment_wait.key = payload ->> 'segment'
    where rendition_id = ${id} order by job.id`.execute(db());
  return rows.map(({ payload }) => payload);
}
/** A job that is done leaves the queue. */
const leave = (job: Jobs["paint-segment"]) =>
  sql`delete from graphile_worker._private_jobs where key = ${keyOf("paint-segment", job)}`.execute(db());
/** As soon as all are queued. */
async function queued(id: string): Promise<readonly Jobs["paint-segment"][]> {
  const awaited = () => db().selectFrom("segment_wait").where("rendition_id", "=", id).select("key").execute();
  await until(async () => {
    const [segments, jobs] = [await awaited(), await queuedFor(id)];
    return jobs.length > 0 && jobs.length === segments.length;
  });
  return queuedFor(id);
}
async function paint(job: Jobs["paint-segment"]): Promise<void> {
  await paintSegment(db(), pool, job);
  await leave(job);
}

test("the segments of a rendition are jobs, which several workers take; the file has each frame once", async () => {
  const [id = ""] = await asked(500);
  const rendering = render(id);
  const jobs = await queued(id);
  expect(jobs.length).toBeGreaterThan(1);
  const awaited = await db().selectFrom("segment_wait").where("rendition_id", "=", id).selectAll().execute();
  const fresh = awaited.reduce((sum, { from_frame, to_frame }) => sum + to_frame - from_frame, 0);
  // Another worker than the one that is rendering paints all but one, and that one is painted last.
  const [last, ...others] = jobs;
  await Promise.all(others.map(paint));
  await until(async () => (await rowOf(id)).progress > 0);
  expect((await rowOf(id)).state).toBe("working");
  if (last) await paint(last);
  const note = await rendering;
  const { state, file } = await rowOf(id);
  const { frames } = file as { frames: number };
  expect([state, note?.frames, note?.freshFrames]).toEqual(["ready", frames, fresh]);
  expect(await probedFrames(await store().local(renditionKey(id)))).toBe(frames);
  expect(await queuedFor(id)).toEqual([]);
});

test("what two renditions wait for is queued and painted once, and both get it; who is cancelled does not stop it", async () => {
  const [one = "", other = ""] = await asked(500, 2);
  const rendering = [render(one), render(other)];
  const jobs = await queued(one);
  await until(async () => (await queuedFor(other)).length === jobs.length);
  await cancelRendition(team.scope, one);
  await rendering[0];
  for (const job of jobs) await paint(job);
  await rendering[1];
  expect([(await rowOf(one)).state, (await rowOf(other)).state]).toEqual(["cancelled", "ready"]);
});

test("what nobody waits for any more is not painted to its end, nor begun", async () => {
  const [id = ""] = await asked(20_000);
  const rendering = render(id);
  const [first, second] = await queued(id);
  if (!first || !second) throw new Error("There are fewer segments than were expected.");
  const painting = paintSegment(db(), pool, first);
  await until(async () => (await rowOf(id)).progress > 0);
  await cancelRendition(team.scope, id);
  await Promise.all([rendering, painting, paintSegment(db(), pool, second)]);
  expect(await store().has(segmentKey(first.segment))).toBe(false);
  expect(await store().has(segmentKey(second.segment))).toBe(false);
});

test("a job that is lost while a rendition waits for it is queued again", async () => {
  const [id = ""] = await asked(500);
  const rendering = render(id);
  const jobs = await queued(id);
  for (const job of jobs) await leave(job);
  for (const job of await queued(id)) await paint(job);
  await until(async () => {
    for (const job of await queuedFor(id)) await paint(job);
    return (await rowOf(id)).state === "ready";
  });
  await rendering;
});

test("a segment that is given up ends the rendition with words; taken up again, it is painted", async () => {
  const [id = ""] = await asked(500);
  const rendering = render(id);
  const [first] = await queued(id);
  if (!first) throw new Error("Nothing is queued.");
  await giveUpSegment(db(), first, "set aside");
  await rendering;
  expect(await rowOf(id)).toMatchObject({
    state: "failed",
    problem: expect.stringContaining("it stopped the program that renders, twice") as string,
  });
  await team.scope.update("rendition").set({ state: "waiting", problem: null }).where("id", "=", id).execute();
  const again = render(id);
  await until(async () => {
    for (const job of await queuedFor(id)) await paint(job);
    return (await rowOf(id)).state === "ready";
  });
  await again;
});

test("where the disk of whoever paints is full, the rendition waits and says so", async () => {
  const [id = ""] = await asked(500);
  const rendering = render(id);
  const [first] = await queued(id);
  if (!first) throw new Error("Nothing is queued.");
  const full: PaintPool = {
    render: () => Promise.reject(Object.assign(new Error("write"), { code: "ENOSPC" })),
    close: () => Promise.resolve(),
  };
  await expect(Promise.all([paintSegment(db(), full, first), rendering])).rejects.toMatchObject({ code: "ENOSPC" });
  await expect(rendering).rejects.toMatchObject({ code: "ENOSPC" });
  expect(await rowOf(id)).toMatchObject({
    state: "waiting",
    problem: expect.stringContaining("goes on by itself") as string,
  });
});

test("when a worker breaks, what it painted is under suspicion, and not the rendition that waited for it", async () => {
  const [id = ""] = await asked(500);
  const rendering = render(id);
  const [first] = await queued(id);
  if (!first) throw new Error("Nothing is queued.");
  const worker = `worker-${randomUUID()}`;
  const renditionJob = keyOf("render-rendition", { rendition: id, asking: 1 });
  const keys = [keyOf("paint-segment", first), renditionJob];
  await sql`update graphile_worker._private_jobs set locked_by = ${worker}, locked_at = now()
    where key = any(${keys}::text[])`.execute(db());
  await freeJobsOf(db(), [worker], "broke");
  expect(await strikesOf(db(), keys[0] ?? "")).toBe(1);
  expect(await strikesOf(db(), renditionJob)).toBe(0);
  await cancelRendition(team.scope, id);
  await rendering;
});
