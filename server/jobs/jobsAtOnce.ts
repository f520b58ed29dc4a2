/** How many jobs a worker runs side by side: while one waits for a disk or another program, the others go on. */
export const JOBS_AT_ONCE = 3;
