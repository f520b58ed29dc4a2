import { type PostgresPool } from "kysely";
import { LRUCache } from "lru-cache";
import pg from "pg";

/** A statement that was asked for so often is asked for again and again: it is worth a name. */
const NAMED_AFTER = 3;
/** Each connection of the database keeps the plans of all that are named. */
const MOST_NAMED = 500;
/** What has more values looks in a list, and is another text for each length. */
const MOST_VALUES = 12;
/** What the database says when a table was changed that a named statement was planned for (PostgreSQL, appendix A). */
const FEATURE_NOT_SUPPORTED = "0A000";

/**
 * A pool whose connections plan each statement once: what is asked for again is prepared under a name, and planned no more.
 * Planning takes longer than most of our queries themselves. See docs/decisions/statements-are-prepared.md.
 */
export function preparingPool(pool: pg.Pool): PostgresPool {
  const names = new Map<string, string>();
  const times = new LRUCache<string, number>({ max: 2000 });
  let last = 0;

  function nameOf(text: string): string | undefined {
    const known = names.get(text);
    if (known !== undefined || names.size >= MOST_NAMED) return known;
    const asked = (times.get(text) ?? 0) + 1;
    times.set(text, asked);
    if (asked < NAMED_AFTER) return undefined;
    const name = `statement-${++last}`;
    names.set(text, name);
    return name;
  }

  async function ask(client: pg.PoolClient, text: string, values: unknown[]): Promise<pg.QueryResult> {
    // What has no values is said as it is: changes of tables, the beginnings and ends of transactions.
    const isUsual = values.length > 0 && values.length <= MOST_VALUES;
    const name = isUsual ? nameOf(text) : undefined;
    if (name === undefined) return client.query(text, values);
    try {
      return await client.query({ name, text, values });
    } catch (error) {
      // Planned anew, under another name, the next time.
      if (error instanceof pg.DatabaseError && error.code === FEATURE_NOT_SUPPORTED) names.delete(text);
      throw error;
    }
  }

  /** The same client each time: Kysely keeps one connection for each. */
  const clients = new WeakMap<pg.PoolClient, pg.PoolClient>();
  function preparing(client: pg.PoolClient): pg.PoolClient {
    const query = (text: string, values: unknown[]): Promise<pg.QueryResult> => ask(client, text, values);
    return new Proxy(client, {
      get: (target, key): unknown => (key === "query" ? query : Reflect.get(target, key)),
    });
  }

  return {
    end: () => pool.end(),
    async connect() {
      const client = await pool.connect();
      const known = clients.get(client) ?? preparing(client);
      clients.set(client, known);
      return known;
    },
  };
}
