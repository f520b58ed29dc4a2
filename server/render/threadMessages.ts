import { type SegmentTask } from "./segmentRender";

/** What the paint pool and its threads say to each other. */
export type ToThread = { readonly kind: "render"; readonly task: SegmentTask } | { readonly kind: "stop" };
export type FromThread =
  { readonly kind: "frame" } | { readonly kind: "done" } | { readonly kind: "failed"; readonly reason: string };
