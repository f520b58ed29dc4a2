import { randomUUID } from "node:crypto";
import { type JobHelpers } from "graphile-worker";
import { sql } from "kysely";
import { closeDatabase, database } from "../db/connect";
import { openRoom } from "./alone";
import { MOST_TRIES, enqueue } from "./enqueue";
import { freeJobsOf, strikesOf } from "./freedJobs";
import { type GivenUp, type JobPlace, type JobWork, taskOf } from "./jobTask";

const db = database();
afterAll(() => closeDatabase());

interface Row {
  readonly id: string;
  readonly key: string | null;
  readonly attempts: number;
  readonly max_attempts: number;
  readonly locked_by: string | null;
  readonly waits: number;
}
/** The jobs for an item, as the queue holds them. `waits` is in seconds. */
const jobsOf = async (media: string): Promise<readonly Row[]> =>
  (
    await sql<Row>`
      select id, key, attempts, max_attempts, locked_by, extract(epoch from run_at - now())::float8 as waits
      from graphile_worker._private_jobs where payload ->> 'media' = ${media} order by id`.execute(db)
  ).rows;
const taken = async (media: string, by: string, attempts = 1): Promise<void> => {
  await sql`
    update graphile_worker._private_jobs set locked_by = ${by}, locked_at = now(), attempts = ${attempts}
    where payload ->> 'media' = ${media}`.execute(db);
};

/** What a task does with an item's job; `run` is the work. */
async function done(media: string, run: () => Promise<void>, stopping = new AbortController().signal) {
  const givenUp: GivenUp[] = [];
  const work: JobWork<"ingest-media"> = {
    run,
    giveUp: (_asked, why) => Promise.resolve(void givenUp.push(why)),
  };
  const place: JobPlace = { db, room: openRoom(), stopping };
  const [job] = await jobsOf(media);
  const failed = await Promise.resolve(
    taskOf("ingest-media", work, place)({ media }, { job } as unknown as JobHelpers),
  ).then(
    () => null,
    (error: unknown) => error,
  );
  return { failed, givenUp };
}
const asked = async (): Promise<string> => {
  const media = randomUUID();
  await enqueue(db, "ingest-media", { media, replacement: undefined });
  return media;
};

test("the same work asked for twice waits once; once it runs, a new asking waits beside it", async () => {
  const media = await asked();
  await enqueue(db, "ingest-media", { media, replacement: undefined });
  expect(await jobsOf(media)).toHaveLength(1);
  await taken(media, "busy");
  await enqueue(db, "ingest-media", { media, replacement: undefined });
  expect((await jobsOf(media)).map(({ locked_by }) => locked_by)).toEqual(["busy", null]);
});

test("of all that waits pictures go first, then drafts, then clips; what is for posting goes after them", async () => {
  const [posted, clip, draft, picture] = [randomUUID(), randomUUID(), randomUUID(), randomUUID()];
  await enqueue(db, "render-rendition", { rendition: posted, asking: 1 });
  await enqueue(db, "ingest-media", { media: clip, replacement: undefined, isLong: true });
  await enqueue(db, "render-rendition", { rendition: draft, asking: 1, isDraft: true });
  await enqueue(db, "ingest-media", { media: picture, replacement: undefined });
  const { rows } = await sql<{ about: string }>`
    select coalesce(payload ->> 'media', payload ->> 'rendition') as about from graphile_worker._private_jobs
    where coalesce(payload ->> 'media', payload ->> 'rendition') = any(${[posted, clip, draft, picture]})
    order by priority, run_at, id`.execute(db);
  expect(rows.map(({ about }) => about)).toEqual([picture, draft, clip, posted]);
});

test("teams take turns: one that asks for one thing does not wait for all that another has asked for", async () => {
  const [busy, small] = [randomUUID(), randomUUID()];
  const render = async (team: string): Promise<string> => {
    const rendition = randomUUID();
    await enqueue(db, "render-rendition", { rendition, asking: 1, team });
    return rendition;
  };
  const many = [await render(busy), await render(busy), await render(busy), await render(busy)];
  const few = [await render(small), await render(small)];
  const { rows } = await sql<{ about: string }>`
    select payload ->> 'rendition' as about from graphile_worker._private_jobs
    where payload ->> 'team' = any(${[busy, small]}) order by priority, run_at, id`.execute(db);
  expect(rows.map(({ about }) => about)).toEqual([many[0], few[0], many[1], few[1], many[2], many[3]]);
});

test("twenty killed workers are no failed try; the job begins again at once", async () => {
  const media = await asked();
  for (let kill = 0; kill < 20; kill++) {
    const worker = randomUUID();
    await taken(media, worker, 1);
    await freeJobsOf(db, [worker], "stopped");
    const [job] = await jobsOf(media);
    expect(job).toMatchObject({ locked_by: null, attempts: 0 });
    expect(job?.waits).toBeLessThanOrEqual(0);
  }
  expect(await strikesOf(db, `ingest-media:${media}`)).toBe(0);
});

test("a job that ran in two workers that broke is set aside, in words; its innocent neighbour runs", async () => {
  const [bad, good] = [await asked(), await asked()];
  await taken(bad, "first");
  await taken(good, "first");
  await freeJobsOf(db, ["first"], "broke");
  // Under suspicion, each runs alone; the good one ends well and is forgiven.
  expect((await done(good, () => Promise.resolve())).givenUp).toEqual([]);
  await taken(bad, "second");
  await freeJobsOf(db, ["second"], "broke");
  const run = (): Promise<void> => Promise.reject(new Error("it was run"));
  expect(await done(bad, run)).toEqual({ failed: null, givenUp: ["set aside"] });
  expect(await strikesOf(db, `ingest-media:${good}`)).toBe(0);
});

test("its own failures are tries, and after the last it is given up", async () => {
  const media = await asked();
  const broken = (): Promise<void> => Promise.reject(new Error("broken"));
  await taken(media, "here", 1);
  expect(await done(media, broken)).toMatchObject({ failed: { message: "broken" }, givenUp: [] });
  await taken(media, "here", MOST_TRIES);
  expect(await done(media, broken)).toMatchObject({ failed: { message: "broken" }, givenUp: ["failed"] });
});

test.each([
  ["the database is away", Object.assign(new Error("terminating connection"), { code: "57P01" }), 0],
  ["a connection broke", new Error("Connection terminated unexpectedly"), 0],
  ["the disk is full", Object.assign(new Error("write"), { code: "ENOSPC" }), 8],
  ["a program of ours found the disk full", new Error("ffmpeg ended with 1: No space left on device"), 8],
])("where %s, the job waits as a new one and this is no failed try", async (_why, error, least) => {
  const media = await asked();
  await taken(media, "here", MOST_TRIES);
  expect(await done(media, () => Promise.reject(error))).toEqual({ failed: null, givenUp: [] });
  const [, again] = await jobsOf(media);
  expect(again).toMatchObject({ locked_by: null, attempts: 0 });
  expect(again?.waits).toBeGreaterThanOrEqual(least - 1);
  expect(again?.waits).toBeLessThanOrEqual(least + 3);
});

test("what fails because the worker stops is given back", async () => {
  const media = await asked();
  await taken(media, "here", MOST_TRIES);
  const answer = await done(media, () => Promise.reject(new Error("stopped")), AbortSignal.abort());
  expect(answer).toEqual({ failed: null, givenUp: [] });
  expect((await jobsOf(media)).at(-1)).toMatchObject({ locked_by: null, attempts: 0 });
});
