import { randomUUID } from "node:crypto";
import { type Kysely, sql } from "kysely";
import { connect } from "./connect";
import { type Database } from "./tables";

/** What PostgreSQL itself says of a connection (its view pg_prepared_statements). */
let db: Kysely<Database>;
/** A table of the test's own. */
let table: string;
beforeEach(async () => {
  db = connect();
  table = `prepared_${randomUUID().slice(0, 8)}`;
  await sql`create table ${sql.table(table)} (id integer, name text)`.execute(db);
  await sql`insert into ${sql.table(table)} values (1, 'one'), (2, 'two')`.execute(db);
});
afterEach(async () => {
  await sql`drop table ${sql.table(table)}`.execute(db);
  await db.destroy();
});

const from = (least: number, on: Kysely<Database>) =>
  sql`select * from ${sql.table(table)} where id >= ${least}`.execute(on);
async function preparedOn(on: Kysely<Database>): Promise<number> {
  const named = sql<{
    count: string;
  }>`select count(*) from pg_prepared_statements where statement like ${`%${table}%`}`;
  return Number((await named.execute(on)).rows[0]?.count);
}

test("what is asked again and again is prepared once for each connection, and answers each of its values", () =>
  db.connection().execute(async (one) => {
    await from(1, one);
    expect(await preparedOn(one)).toBe(0);
    for (let turn = 0; turn < 5; turn++) expect((await from((turn % 2) + 1, one)).rows).toHaveLength(2 - (turn % 2));
    expect(await preparedOn(one)).toBe(1);
    // Another connection, while this one is taken.
    expect((await from(2, db)).rows).toEqual([{ id: 2, name: "two" }]);
  }));

test("what has no values is never prepared", () =>
  db.connection().execute(async (one) => {
    for (let turn = 0; turn < 5; turn++) await sql`select * from ${sql.table(table)}`.execute(one);
    expect(await preparedOn(one)).toBe(0);
  }));

test("a table that is changed under a prepared statement fails it once; then it is planned anew", () =>
  db.connection().execute(async (one) => {
    for (let turn = 0; turn < 5; turn++) await from(2, one);
    await sql`alter table ${sql.table(table)} add column price integer default 7`.execute(one);
    await expect(from(2, one)).rejects.toThrow("cached plan must not change result type");
    expect((await from(2, one)).rows).toEqual([{ id: 2, name: "two", price: 7 }]);
    for (let turn = 0; turn < 5; turn++) expect((await from(1, one)).rows).toHaveLength(2);
  }));

test("what fails in a transaction is taken back, prepared or not", async () => {
  const insert = (on: Kysely<Database>, id: number) =>
    sql`insert into ${sql.table(table)} (id) values (${id})`.execute(on);
  for (let turn = 0; turn < 4; turn++) await insert(db, 10);
  await expect(
    db.transaction().execute(async (within) => {
      await insert(within, 20);
      throw new Error("not so");
    }),
  ).rejects.toThrow("not so");
  expect((await from(20, db)).rows).toEqual([]);
});
