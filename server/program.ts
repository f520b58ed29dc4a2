import { resolve } from "node:path";

/** Where programs and pages are built to, from the project's root, from which commands run. */
export const BUILT_PROGRAMS = "build/programs";
export const BUILT_PAGES = "build/pages";
/** Unit tests run from sources, but what they start is built before them (`bin/test`): a thread starts five times as fast. */
const runsBuilt = !import.meta.url.endsWith(".ts") || process.env["BUILT_PROGRAMS"] === "yes";

/** How Node runs one of our programs. */
export interface Program {
  readonly file: string;
  /** What Node itself is told, before the file. */
  readonly options: readonly string[];
}

/**
 * A program of ours, named by its source from the project's root: from that source, or as it was built, which starts at once.
 *
 * @param isBuilt as the calling process runs itself, if nothing else is said
 */
export function programOf(source: string, isBuilt = runsBuilt): Program {
  return isBuilt
    ? { file: resolve(BUILT_PROGRAMS, source.replace(/\.ts$/, ".js")), options: [] }
    : { file: resolve(source), options: ["--import", "tsx"] };
}
