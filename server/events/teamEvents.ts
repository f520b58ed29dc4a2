import { EventEmitter } from "node:events";
import { type Kysely, sql } from "kysely";
import pg from "pg";
import { mixed, object, string } from "yup";
import { type TeamEvent, readTeamEvent } from "../../core/team/teamEvent";
import { config } from "../config";
import { type Database } from "../db/tables";
import { log } from "../log";

const LISTEN_AGAIN_MS = 1000;
const CHANNEL = "stencilcraft_team_events";
const addressed = object({ team: string().required(), event: mixed().required() });

/** Tells all open pages of a team, whichever web server they are connected to. */
export async function tellTeam(db: Kysely<Database>, team: string, event: TeamEvent): Promise<void> {
  await sql`select pg_notify(${CHANNEL}, ${JSON.stringify({ team, event })})`.execute(db);
}

const heard = new EventEmitter().setMaxListeners(0);
const gaps = new EventEmitter().setMaxListeners(0);
const GAP = "gap";
/** The connection that listens, from when it is first wanted until it is closed or lost. */
let channel: pg.Client | null = null;
/** Settles when the connection listens, or can't. */
let opening: Promise<void> = Promise.resolve();

/**
 * Calls `listener` for each event of a team until the returned function is called; of all that happens after `isListening`
 * is there. `onGap` is called when something may have been missed.
 */
export function onTeamEvent(
  team: string,
  listener: (event: TeamEvent) => void,
  onGap: () => void = () => undefined,
): () => void {
  heard.on(team, listener);
  gaps.on(GAP, onGap);
  if (!channel) opening = listen();
  return () => {
    heard.off(team, listener);
    gaps.off(GAP, onGap);
  };
}

/** There once the channel that was wanted is open. Whoever asks for what has happened after that misses nothing. */
export const isListening = (): Promise<void> => opening;

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
    const told = readTold(payload ?? "");
    if (told) heard.emit(told.team, told.event);
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
  gaps.emit(GAP);
  log.warn({ error: error instanceof Error ? error.message : error }, "lost the event channel; listening again");
  setTimeout(() => {
    if (!channel && heard.eventNames().length > 0) opening = listen();
  }, LISTEN_AGAIN_MS).unref();
}

/** What was told and whom, or null where it is no event: anyone with the database can notify. */
function readTold(payload: string): { readonly team: string; readonly event: TeamEvent } | null {
  try {
    const parsed: unknown = JSON.parse(payload);
    const { team, event: told } = addressed.validateSync(parsed, { strict: true });
    const event = readTeamEvent(told);
    return event && { team, event };
  } catch {
    return null;
  }
}
