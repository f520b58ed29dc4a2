import { availableParallelism } from "node:os";
import { config } from "../config";

/** How many segments a process paints at once: one more than cores, because a thread waits while its encoder catches up. */
export const paintThreads = (): number => config().PAINT_THREADS ?? availableParallelism() + 1;
