import { JOB_NAMES } from "./enqueue";
import { jobsAtOnce, laneOf } from "./lanes";

test("nothing but renders waits for renders, and segments have a lane that renders, which wait for them, do not fill", () => {
  const beside = JOB_NAMES.filter((name) => laneOf(name) === laneOf("render-rendition"));
  expect(beside).toEqual(["render-rendition"]);
  expect(laneOf("paint-segment")).not.toBe(laneOf("render-rendition"));
});

test("in each lane one that waits for something holds up no other", () => {
  for (const name of JOB_NAMES.filter((job) => laneOf(job) !== "paint"))
    expect(jobsAtOnce(laneOf(name))).toBeGreaterThan(1);
});
