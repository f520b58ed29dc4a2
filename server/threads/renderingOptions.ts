/**
 * What Node is told to run a program that renders. Threads that help the garbage collector take the processor from the
 * encoders, and more of it than a painting thread needs by itself; and while a process only waits for them, it looks through
 * all that it has, three times over, to find a few megabytes (docs/decisions/frames-are-given-back.md).
 */
export const RENDERING_OPTIONS = ["--single-threaded-gc", "--no-memory-reducer"];
