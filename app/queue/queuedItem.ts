import { type QueueItem } from "../../server/jobs/queuePage";

/** A piece of work as it is shown: when it ended is said in words. */
export type QueuedItem = Omit<QueueItem, "endedAt"> & { readonly ended: string | null };
