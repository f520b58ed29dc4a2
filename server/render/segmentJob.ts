import { type Kysely } from "kysely";
import { readOutput } from "../../core/output/output";
import { RATES } from "../../core/output/rates";
import { outputSize } from "../../core/placement/quality";
import { type Database, type SegmentEnd } from "../db/tables";
import { type Jobs } from "../jobs/enqueue";
import { type GivenUp } from "../jobs/jobTask";
import { whileTelling } from "../jobs/whileTelling";
import { segmentKey } from "../storage/keys";
import { isStorageFull, needRoom } from "../storage/full";
import { store } from "../storage/store";
import { type PaintPool } from "./paintPool";
import { paintedFor, readRenderInput } from "./renderInput";
import { endSegment, notePainted, whoAwaits } from "./segmentWork";
import { paintAndKeep } from "./segmentPainter";
import { segmentsDone } from "./segmentsDone";
import { storedFormat } from "./storedFormat";

type Asked = Jobs["paint-segment"];

/**
 * Paints one segment for whoever waits for it. Safe to run twice. One that nobody waits for any more is left, however far it
 * is.
 */
export async function paintSegment(db: Kysely<Database>, pool: PaintPool, { segment: key }: Asked): Promise<void> {
  const row = await whoAwaits(db, key);
  if (!row) return;
  if (await store().has(segmentKey(key))) return ended(db, key, "stored");
  const [format, output] = [storedFormat(row.format), readOutput(row.output)];
  const segment = { key, from: row.from_frame, to: row.to_frame };
  const wanted = {
    input: readRenderInput(row.input),
    rate: RATES[output.rate],
    ...paintedFor(format, output),
    ...outputSize(format, output.quality),
  };
  const stop = new AbortController();
  let painted = 0;
  const tell = async (): Promise<void> => {
    if (!(await notePainted(db, key, painted))) stop.abort(new Error("Nobody waits for the segment any more."));
  };
  try {
    await needRoom();
    await whileTelling(tell, () => paintAndKeep(pool, wanted, segment, () => painted++, stop.signal));
    await notePainted(db, key, segment.to - segment.from);
    await ended(db, key, "stored");
  } catch (error) {
    if (stop.signal.aborted) return;
    if (isStorageFull(error)) await ended(db, key, "no room");
    throw error;
  }
}

/** Says that a segment could not be painted after all tries. */
export const giveUpSegment = (db: Kysely<Database>, { segment }: Asked, why: GivenUp): Promise<void> =>
  ended(db, segment, why);

async function ended(db: Kysely<Database>, key: string, how: SegmentEnd): Promise<void> {
  await endSegment(db, key, how);
  segmentsDone.emit("done", key);
}
