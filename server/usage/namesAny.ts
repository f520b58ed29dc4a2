import { type RawBuilder, sql } from "kysely";

/** Whether a column of JSON names one of some things. Documents name things by their id, which occurs for nothing else. */
export const namesAny = (column: string, ids: readonly string[]): RawBuilder<boolean> =>
  sql<boolean>`${sql.ref(column)}::text like any(${ids.map((id) => `%"${id}"%`)}::text[])`;
