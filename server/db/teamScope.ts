import {
  type CompiledQuery,
  type DeleteQueryBuilder,
  type DeleteResult,
  type Insertable,
  type InsertQueryBuilder,
  type InsertResult,
  type Kysely,
  type SelectQueryBuilder,
  type UpdateQueryBuilder,
  type UpdateResult,
} from "kysely";
import { type Database } from "./tables";
import { type KeptTable, type TeamMemory } from "./teamMemory";

/** The tables whose rows belong to a team. */
export type TeamTableName = {
  [Table in keyof Database]: Database[Table] extends { team_id: string } ? Table : never;
}[keyof Database];

type Selecting<Table extends TeamTableName> = SelectQueryBuilder<Database, Table, object>;
type New<Table extends TeamTableName> = Omit<Insertable<Database[Table]>, "team_id">;

/**
 * The one place where queries are tied to a team. Everything a signed-in person does goes through a scope, so no route
 * can forget the team: rows of another team are simply not there.
 */
export interface TeamScope {
  readonly teamId: string;
  /** The team itself. */
  team(): SelectQueryBuilder<Database, "team", object>;
  select<Table extends TeamTableName>(table: Table): Selecting<Table>;
  /** Columns with a default may be left out. */
  insert<Table extends TeamTableName>(
    table: Table,
    rows: New<Table> | readonly New<Table>[],
  ): InsertQueryBuilder<Database, Table, InsertResult>;
  update<Table extends TeamTableName>(table: Table): UpdateQueryBuilder<Database, Table, Table, UpdateResult>;
  remove<Table extends TeamTableName>(table: Table): DeleteQueryBuilder<Database, Table, DeleteResult>;
  /** Media that are there; what was removed and may be brought back is under `removedMedia`. */
  media(): Selecting<"media">;
  removedMedia(): Selecting<"media">;
  /**
   * The rows of a query, from memory where nothing changed since it was asked before and a page is being read. They are
   * shared, so nobody may write to them.
   */
  kept<Table extends KeptTable, Row extends object>(
    query: SelectQueryBuilder<Database, Table, Row>,
  ): Promise<readonly Row[]>;
  /** Several changes that happen together or not at all. */
  together<Result>(work: (scope: TeamScope) => Promise<Result>): Promise<Result>;
  /** For pieces that tell others what happened; not for queries. */
  readonly connection: Kysely<Database>;
}

/** What all tables of teams have. */
type TeamTables = Record<string, { readonly team_id: string }>;

/*
 * Kysely types queries on tables that are named in the code alone. One on a table that is known only when it is asked for is
 * built as on any of them, and is of the table's own type by TeamScope's word. So are rows that were kept under the text and
 * the values of a query: they are what it gave.
 */
const nameOf = (table: TeamTableName): string => table;
const ofItsTable = (queryOrRows: unknown): never => queryOrRows as never;

async function rowsKept<Row extends object>(
  memory: TeamMemory,
  query: { compile(): CompiledQuery; execute(): Promise<Row[]> },
): Promise<readonly Row[]> {
  const { sql, parameters } = query.compile();
  return ofItsTable(await memory(JSON.stringify([sql, parameters]), () => query.execute()));
}

/** @param memory what is remembered of the team, for whoever only reads */
export function teamScope(db: Kysely<Database>, teamId: string, memory: TeamMemory | null = null): TeamScope {
  const tables = db.withTables<TeamTables>();
  const select: TeamScope["select"] = (table) =>
    ofItsTable(tables.selectFrom(nameOf(table)).where(`${nameOf(table)}.team_id`, "=", teamId));
  return {
    teamId,
    team: () => db.selectFrom("team").where("id", "=", teamId),
    select,
    insert: (table, rows) => ofItsTable(tables.insertInto(nameOf(table)).values(withTeam(rows, teamId))),
    update: (table) => ofItsTable(tables.updateTable(nameOf(table)).where(`${nameOf(table)}.team_id`, "=", teamId)),
    remove: (table) => ofItsTable(tables.deleteFrom(nameOf(table)).where(`${nameOf(table)}.team_id`, "=", teamId)),
    media: () => select("media").where("media.deleted_at", "is", null),
    removedMedia: () => select("media").where("media.deleted_at", "is not", null),
    kept: (query) => (memory ? rowsKept(memory, query) : query.execute()),
    together: (work) => db.transaction().execute((transaction) => work(teamScope(transaction, teamId))),
    connection: db,
  };
}

const withTeam = (rows: object | readonly object[], teamId: string): { readonly team_id: string }[] =>
  [rows].flat().map((row) => ({ ...row, team_id: teamId }));
