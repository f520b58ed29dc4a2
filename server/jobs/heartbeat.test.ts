import { randomUUID } from "node:crypto";
import { sql } from "kysely";
import { closeDatabase, database } from "../db/connect";
import { until } from "../testing/until";
import { enqueue } from "./enqueue";
import { DEAD_AFTER_MS, startHeartbeat } from "./heartbeat";

const db = database();
afterAll(() => closeDatabase());

let beats: NodeJS.Timeout[] = [];
afterEach(async () => {
  beats.forEach((beat) => clearInterval(beat));
  beats = [];
  await db.deleteFrom("worker").execute();
});
const beat = (id: string): void => void beats.push(startHeartbeat(new Set([id])));

const seenAt = async (id: string): Promise<Date | undefined> =>
  (await db.selectFrom("worker").select("seen_at").where("id", "=", id).executeTakeFirst())?.seen_at;
const wasSeen = (id: string, ago: number) =>
  db
    .insertInto("worker")
    .values({ id, seen_at: new Date(Date.now() - ago) })
    .execute();

/** A job that a worker has taken, as the queue notes it. Gives a function that says who holds it now. */
async function takenBy(worker: string): Promise<() => Promise<string | null>> {
  const rendition = randomUUID();
  await enqueue(db, "render-rendition", { rendition, asking: 1 });
  const mine = sql`payload ->> 'rendition' = ${rendition}`;
  await sql`update graphile_worker._private_jobs set locked_by = ${worker}, locked_at = now() where ${mine}`.execute(
    db,
  );
  return async () => {
    const { rows } = await sql<{ locked_by: string | null }>`
      select locked_by from graphile_worker._private_jobs where ${mine}`.execute(db);
    return rows[0]?.locked_by ?? null;
  };
}

test("a worker says that it lives, again and again", async () => {
  const id = `alive-${randomUUID()}`;
  beat(id);
  await until(async () => (await seenAt(id)) !== undefined);
  const first = await seenAt(id);
  await until(async () => Number(await seenAt(id)) > Number(first));
});

test("the jobs of a worker that was killed before it could say that it lives are freed, but not at once", async () => {
  const unknown = `unknown-${randomUUID()}`;
  const [before, now] = [await takenBy(unknown), await takenBy(`${unknown}-too`)];
  await sql`update graphile_worker._private_jobs set locked_at = now() - ${DEAD_AFTER_MS + 1000} * interval '1 millisecond'
    where locked_by = ${unknown}`.execute(db);
  beat(`watching-${randomUUID()}`);
  await until(async () => (await before()) === null);
  expect(await now()).toBe(`${unknown}-too`);
});

test("the jobs of a worker that is gone are freed, those of one that lives are not", async () => {
  const [gone, lives, watching] = [`gone-${randomUUID()}`, `lives-${randomUUID()}`, `watching-${randomUUID()}`];
  await wasSeen(gone, DEAD_AFTER_MS + 1000);
  await wasSeen(lives, DEAD_AFTER_MS / 2);
  const [lost, held] = [await takenBy(gone), await takenBy(lives)];
  beat(watching);
  await until(async () => (await lost()) === null);
  expect(await held()).toBe(lives);
  expect(await seenAt(gone)).toBeUndefined();
});
