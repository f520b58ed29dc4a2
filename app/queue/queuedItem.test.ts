import { type Output, usualOutput } from "../../core/output/output";
import { type QueueItem } from "../../server/jobs/queuePage";
import { queuedItem } from "./queuedItem";

const WHEN = new Intl.DateTimeFormat("en-GB", { timeStyle: "short", timeZone: "Europe/London" });
const TITLES = { "square-feed": "Square feed" };
const item = (output: Output | null): QueueItem => ({
  ...{ id: "one", what: output ? "rendition" : "clip", name: "Pots", state: "ready", progress: 1 },
  ...{ problem: null, host: null, wait: null, endedAt: new Date("2026-03-29T12:05:00Z") },
  of: output && { slug: "pots", format: "square", output },
});

test.each<readonly [Partial<Output>, string, string]>([
  [{}, "square", "square · 480p"],
  [{ kind: "gif" }, "square Loop, GIF", "square Loop, GIF · 480p"],
  [{ kind: "webm", quality: "1080p", rate: "59.94" }, "square WebM, VP9", "square WebM, VP9 · 1080p · 59.94 fps"],
  // At no rate; and sound is in no size.
  [{ kind: "still", rate: "60" }, "square Still, PNG", "square Still, PNG · 480p"],
  [{ kind: "sound", rate: "60" }, "square Sound alone", "square Sound alone"],
  [{ placement: "square-feed", rate: "25" }, "Square feed", "Square feed · 480p · 25 fps"],
  // The team took its placement out since.
  [{ placement: "gone" }, "gone", "gone · 480p"],
])("files of one format are told apart: %p", (made, title, about) => {
  const { of } = queuedItem(item({ ...usualOutput("480p"), ...made }), WHEN, TITLES);
  expect(of).toEqual({ slug: "pots", format: "square", title, about });
});

test("what is read in is of no format; when it ended is said where the team is", () => {
  const { of, ended } = queuedItem(item(null), WHEN, TITLES);
  expect([of, ended]).toEqual([null, "13:05"]);
});
