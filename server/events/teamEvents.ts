import { EventEmitter } from "node:events";
import { type Kysely, sql } from "kysely";
import pg from "pg";
import { object, string, number } from "yup";
import { config } from "../config";
import { type Database } from "../db/tables";
import { log } from "../log";

/** Something a team's open pages may want to show: told by any process, heard by every web server. */
export interface TeamEvent {
  readonly team: string;
  readonly topic: "media" | "rendition";
  readonly id: string;
  readonly state: string;
  readonly progress: number;
}

const CHANNEL = "stencilcraft_team_events";
const schema = object({
  team: string().required(),
  topic: string()
    .oneOf(["media", "rendition"] as const)
    .required(),
  id: string().required(),
  state: string().required(),
  progress: number().required(),
});

export async function tellTeam(db: Kysely<Database>, event: TeamEvent): Promise<void> {
  await sql`select pg_notify(${CHANNEL}, ${JSON.stringify(event)})`.execute(db);
}

const heard = new EventEmitter().setMaxListeners(0);
let listening: Promise<void> | null = null;

/** Calls `listener` for each event of a team until the returned function is called. */
export function onTeamEvent(team: string, listener: (event: TeamEvent) => void): () => void {
  listening ??= listen();
  heard.on(team, listener);
  return () => heard.off(team, listener);
}

async function listen(): Promise<void> {
  const client = new pg.Client({ connectionString: config().DATABASE_URL });
  const again = (error?: unknown): void => {
    if (error)
      log.warn({ error: error instanceof Error ? error.message : error }, "lost the event channel; listening again");
    listening = null;
    if (heard.eventNames().length > 0) setTimeout(() => void (listening ??= listen()), 1000).unref();
  };
  client.on("error", again);
  client.on("notification", ({ payload }) => {
    const parsed: unknown = JSON.parse(payload ?? "null");
    if (schema.isValidSync(parsed)) heard.emit(parsed.team, parsed);
  });
  try {
    await client.connect();
    await client.query(`listen ${CHANNEL}`);
  } catch (error) {
    again(error);
  }
}
