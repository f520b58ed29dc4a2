import { setTimeout as sleep } from "node:timers/promises";
import { type Kysely } from "kysely";
import { type Database, type SegmentEnd } from "../db/tables";
import { type Jobs, enqueue, keyOf } from "../jobs/enqueue";
import { type GivenUp } from "../jobs/jobTask";
import { StorageFull } from "../storage/full";
import { type SegmentPainter } from "./segmentPainter";
import { type Segment } from "./renderPlan";
import { awaitSegments, awaitedBy, awaitsNoMore, queuedAmong, stillAwaits } from "./segmentWork";
import { segmentsDone } from "./segmentsDone";

const LOOK_EVERY_MS = 250;
/** How often it is said that the rendition still waits, and seen to that somebody is at what it waits for. */
const RENEW_EVERY_MS = 3000;

/** A segment was given up, after all its tries. */
export class SegmentGivenUp extends Error {
  constructor(readonly why: GivenUp) {
    super(`A segment was given up: ${why}.`);
  }
}

type Asked = Pick<Jobs["render-rendition"], "rendition" | "isDraft" | "team">;
const segmentJob = (key: string, { isDraft, team }: Asked): Jobs["paint-segment"] => ({ segment: key, isDraft, team });

/** Paints with all workers there are: each segment is a job of its own, which is queued once, whoever waits for it. */
export function sharedPainter(db: Kysely<Database>, asked: Asked, stopping: AbortSignal): SegmentPainter {
  const { rendition } = asked;

  /** Queues those that nobody is at. The longest go first, so that no worker is left alone with one at the end. */
  async function queueThose(keys: readonly string[]): Promise<void> {
    const jobKeys = new Map(keys.map((key) => [key, keyOf("paint-segment", segmentJob(key, asked))]));
    const queued = await queuedAmong(db, [...jobKeys.values()]);
    for (const [key, jobKey] of jobKeys)
      if (!queued.has(jobKey)) await enqueue(db, "paint-segment", segmentJob(key, asked));
  }

  /** Waits until all have ended well. */
  async function untilStored(onPainted: (frames: number) => void, signal: AbortSignal): Promise<void> {
    let renewAt = Date.now() + RENEW_EVERY_MS;
    for (;;) {
      const rows = await awaitedBy(db, rendition);
      onPainted(rows.reduce((sum, { painted }) => sum + painted, 0));
      for (const { ended } of rows) throwIfGivenUp(ended);
      const open = rows.filter(({ ended }) => ended === null).map(({ key }) => key);
      if (open.length === 0) return;
      if (Date.now() >= renewAt) {
        await stillAwaits(db, rendition);
        await queueThose(open);
        renewAt = Date.now() + RENEW_EVERY_MS;
      }
      await untilSome(open, signal);
    }
  }

  return {
    async paint({ segments }, onPainted, signal) {
      const stop = AbortSignal.any([signal, stopping]);
      const longestFirst = segments.toSorted((one, other) => lengthOf(other) - lengthOf(one));
      await db.transaction().execute((within) => awaitSegments(within, rendition, longestFirst));
      await queueThose(longestFirst.map(({ key }) => key));
      try {
        await untilStored(onPainted, stop);
      } finally {
        // Where the worker stops, the job is taken up at once by another: what is being painted for it goes on.
        if (!stopping.aborted) await awaitsNoMore(db, rendition);
      }
    },
  };
}

const lengthOf = ({ from, to }: Segment): number => to - from;

function throwIfGivenUp(ended: SegmentEnd | null): void {
  if (ended === "no room") throw new StorageFull();
  if (ended === "failed" || ended === "set aside") throw new SegmentGivenUp(ended);
}

/** Waits until one of these has ended in this process, or it is time to look. */
async function untilSome(keys: readonly string[], signal: AbortSignal): Promise<void> {
  signal.throwIfAborted();
  const heard = new AbortController();
  const onDone = (key: string): void => {
    if (keys.includes(key)) heard.abort();
  };
  segmentsDone.on("done", onDone);
  try {
    await sleep(LOOK_EVERY_MS, undefined, { signal: AbortSignal.any([heard.signal, signal]) });
  } catch (error) {
    if (!heard.signal.aborted) throw error;
  } finally {
    segmentsDone.off("done", onDone);
  }
  signal.throwIfAborted();
}
