import { type TeamEvent, endsReading, readTeamEvent } from "./teamEvent";

const EVENTS: readonly TeamEvent[] = [
  { topic: "media", id: "m", state: "working", progress: 0.5 },
  {
    topic: "rendition",
    id: "r",
    promotion: "pot-sale",
    name: "Pot sale",
    by: null,
    left: 0,
    state: "ready",
    progress: 1,
  },
  { topic: "promotion", slug: "pot-sale", revision: 7, by: "Tamsin Kell" },
  { topic: "presence", slug: "pot-sale", page: "p", name: "Imre Vass", at: "", here: true },
  { topic: "presence", slug: "pot-sale", page: "p", name: "Imre Vass", at: "hook.headline", here: false },
];

test.each(EVENTS)("%o is read as it was told", (event) => {
  expect(readTeamEvent(JSON.parse(JSON.stringify(event)))).toEqual(event);
});

test.each(EVENTS.flatMap((event) => Object.keys(event).map((field) => [event.topic, field, event] as const)))(
  "of %s, nothing may be missing: without %s it is no event",
  (_, field, event) => {
    expect(readTeamEvent(Object.fromEntries(Object.entries(event).filter(([key]) => key !== field)))).toBeNull();
  },
);

test.each([
  [null],
  ["media"],
  [[]],
  [{ topic: "weather" }],
  [{ topic: "promotion", slug: "x", revision: "7", by: "T" }],
])("%o is no event", (value) => expect(readTeamEvent(value)).toBeNull());

test("a file that waits for room on the disk is still to be read in", () => {
  expect(["waiting", "working", "ready", "failed"].filter(endsReading)).toEqual(["ready", "failed"]);
});
