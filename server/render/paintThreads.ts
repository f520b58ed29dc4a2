import { availableParallelism } from "node:os";
import { config } from "../config";

/** How many segments a process paints at once: as many as there are processors. Each is painted and encoded side by side. */
export const paintThreads = (): number => config().PAINT_THREADS ?? availableParallelism();
