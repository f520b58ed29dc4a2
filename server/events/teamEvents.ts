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

const LISTEN_AGAIN_MS = 1000;
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
/** The connection that listens, from when it is first wanted until it is closed or lost. */
let channel: pg.Client | null = null;

/** Calls `listener` for each event of a team until the returned function is called. */
export function onTeamEvent(team: string, listener: (event: TeamEvent) => void): () => void {
  heard.on(team, listener);
  if (!channel) void listen();
  return () => heard.off(team, listener);
}

/** Stops listening; who still has a listener hears nothing more. */
export async function closeTeamEvents(): Promise<void> {
  heard.removeAllListeners();
  const closing = channel;
  channel = null;
  await closing?.end();
}

async function listen(): Promise<void> {
  const client = (channel = new pg.Client({ connectionString: config().DATABASE_URL }));
  client.on("error", (error) => lost(client, error));
  client.on("notification", ({ payload }) => {
    const event = readEvent(payload ?? "");
    if (event) heard.emit(event.team, event);
  });
  try {
    await client.connect();
    await client.query(`listen ${CHANNEL}`);
  } catch (error) {
    lost(client, error);
  }
}

/** Listens again after a moment, as long as there is anyone to hear it. */
function lost(client: pg.Client, error: unknown): void {
  if (channel !== client) return;
  channel = null;
  log.warn({ error: error instanceof Error ? error.message : error }, "lost the event channel; listening again");
  setTimeout(() => {
    if (!channel && heard.eventNames().length > 0) void listen();
  }, LISTEN_AGAIN_MS).unref();
}

/** What was told, or null where it is no event: anyone with the database can notify. */
function readEvent(payload: string): TeamEvent | null {
  try {
    const parsed: unknown = JSON.parse(payload);
    return schema.isValidSync(parsed) ? parsed : null;
  } catch {
    return null;
  }
}
