import { rightsState } from "./rights";

const note = { source: "", licence: "own work", holder: "", from: null, to: null };
test.each([
  ["own work without an end", {}, "clear"],
  ["no licence", { licence: " " }, "missing"],
  ["the last day counts", { to: "2030-05-01" }, "clear"],
  ["the day after", { to: "2030-04-30" }, "ended"],
  ["the first day counts", { from: "2030-05-01" }, "clear"],
  ["the day before", { from: "2030-05-02" }, "not-yet"],
] as const)("%s", (_, change, wanted) => expect(rightsState({ ...note, ...change }, "2030-05-01")).toBe(wanted));
