import { paintThreads } from "../render/paintThreads";
import { type JobName } from "./enqueue";

/** Kinds of work that do not wait for one another: each has a runner of its own in every worker. */
export const LANE_NAMES = ["ingest", "paint", "make", "errands"] as const;
export type LaneName = (typeof LANE_NAMES)[number];

const LANES: { readonly [Name in JobName]: LaneName } = {
  "ingest-media": "ingest",
  "follow-subject": "ingest",
  "paint-segment": "paint",
  "render-rendition": "make",
  // Three renders of a batch take minutes; that an approval has lapsed, or that it is time to post, must not wait for them.
  "compare-renders": "errands",
  "check-approval": "errands",
  "send-post": "errands",
  "read-views": "errands",
  "tidy-up": "errands",
};
export const laneOf = (name: JobName): LaneName => LANES[name];

/** How many jobs of a lane a worker runs side by side: while one waits for a disk or another program, the others go on. */
export function jobsAtOnce(lane: LaneName): number {
  if (lane === "paint") return paintThreads();
  return lane === "make" ? 3 : 2;
}
