import {
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
  /** Several changes that happen together or not at all. */
  together<Result>(work: (scope: TeamScope) => Promise<Result>): Promise<Result>;
  /** For pieces that tell others what happened; not for queries. */
  readonly connection: Kysely<Database>;
}

/**
 * Builds a query on a table that is known only when it is asked for. Kysely types queries on named tables alone: it is
 * built as for one of them, with what all of them have, and is of the table's own type by TeamScope's word.
 */
function onTable(table: TeamTableName, build: (known: "font", column: "font.team_id") => unknown): never {
  return build(table as "font", `${table}.team_id` as "font.team_id") as never;
}

export function teamScope(db: Kysely<Database>, teamId: string): TeamScope {
  const select: TeamScope["select"] = (table) =>
    onTable(table, (known, column) => db.selectFrom(known).where(column, "=", teamId));
  return {
    teamId,
    team: () => db.selectFrom("team").where("id", "=", teamId),
    select,
    insert: (table, rows) => onTable(table, (known) => db.insertInto(known).values(withTeam(rows, teamId))),
    update: (table) => onTable(table, (known, column) => db.updateTable(known).where(column, "=", teamId)),
    remove: (table) => onTable(table, (known, column) => db.deleteFrom(known).where(column, "=", teamId)),
    media: () => select("media").where("media.deleted_at", "is", null),
    removedMedia: () => select("media").where("media.deleted_at", "is not", null),
    together: (work) => db.transaction().execute((transaction) => work(teamScope(transaction, teamId))),
    connection: db,
  };
}

const withTeam = (rows: object | readonly object[], teamId: string): Insertable<Database["font"]>[] =>
  [rows].flat().map((row) => ({ ...row, team_id: teamId }) as Insertable<Database["font"]>);
