import { sql } from "kysely";
import { database } from "../db/connect";

/** Nobody waits longer for an answer; whoever tries faster still is told to come again. Seconds. */
export const LONGEST_WAIT_S = 15;
/** Tries are forgotten after so long without one. */
const FORGOTTEN_AFTER_MIN = 15;

interface Pace {
  /** So many tries are checked at once. */
  readonly free: number;
  /** How far apart the next ones are at least, and how far they come to be, each twice as far as the one before. Seconds. */
  readonly first: number;
  readonly most: number;
}
/** One client that tries one address, as those do who have forgotten a password, and those who guess one. */
const CLIENT_AND_ADDRESS: Pace = { free: 5, first: 0.5, most: 8 };
/** One client that tries many addresses. Many colleagues may sit behind one. */
const CLIENT: Pace = { free: 30, first: 0.25, most: 2 };
/** One address that many clients try. Its owner waits with them, and so never for long. */
const ADDRESS: Pace = { free: 20, first: 0.1, most: 0.5 };
const LONGEST_FOR_ADDRESS_S = 3;

/** Counts a try, and gives how many seconds it has to wait until it may be checked. */
export async function nextTurn(client: string, email: string): Promise<number> {
  const [pair, alone, address] = await Promise.all([
    count(`both ${client} ${email}`, CLIENT_AND_ADDRESS),
    count(`client ${client}`, CLIENT),
    count(`address ${email}`, ADDRESS),
  ]);
  return Math.max(pair, alone, Math.min(address, LONGEST_FOR_ADDRESS_S));
}

/** In one statement, so that tries at the same moment get turns one after another. */
async function count(key: string, { free, first, most }: Pace): Promise<number> {
  const gap = sql`case when sign_in_pace.tries < ${free} then 0
    else least(${most}, ${first} * power(2, least(sign_in_pace.tries - ${free}, 20))) end * interval '1 second'`;
  const isOld = sql`sign_in_pace.next_at < now() - ${FORGOTTEN_AFTER_MIN} * interval '1 minute'`;
  const { rows } = await sql<{ wait: number }>`
    insert into sign_in_pace (key) values (${key})
    on conflict (key) do update set
      tries = case when ${isOld} then 1 else sign_in_pace.tries + 1 end,
      next_at = case when ${isOld} then now() else greatest(sign_in_pace.next_at, now()) + ${gap} end
    returning extract(epoch from next_at - now())::float8 as wait`.execute(database());
  return Math.max(0, rows[0]?.wait ?? 0);
}

/** Forgets the tries of a client for an address, after the right password. */
export async function forgetTries(client: string, email: string): Promise<void> {
  await database()
    .deleteFrom("sign_in_pace")
    .where("key", "in", [`both ${client} ${email}`, `client ${client}`, `address ${email}`])
    .execute();
}
