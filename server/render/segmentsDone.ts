import { EventEmitter } from "node:events";

/**
 * Tells whoever waits in this process that the painting of a segment ended here, so that it does not have to look first. What
 * ends in other processes is seen in the database.
 */
export const segmentsDone = new EventEmitter<{ done: [key: string] }>().setMaxListeners(100);
