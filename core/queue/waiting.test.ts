import { type QueuedWork, type WorkKind, waitFor, waitInWords } from "./waiting";

const usualMs: Readonly<Record<WorkKind, number>> = {
  clip: 60_000,
  file: 1000,
  draft: 30_000,
  rendition: 120_000,
  other: 10_000,
};
const queue: readonly QueuedWork[] = [
  { key: "running clip", kind: "clip", runsForMs: 20_000 },
  { key: "late clip", kind: "clip", runsForMs: 600_000 },
  { key: "draft", kind: "draft", runsForMs: null },
  { key: "mine", kind: "rendition", runsForMs: null },
  { key: "after", kind: "rendition", runsForMs: null },
];
const wait = (key: string, atOnce = 1) => waitFor(key, queue, { usualMs, atOnce });

test("what is left of what runs and the usual time of what waits before it are added up", () => {
  // 40 s of the clip that runs, 6 s of the one that is late, 30 s of the draft.
  expect(wait("mine")).toEqual({ behind: { clip: 2, draft: 1 }, ms: 76_000 });
  expect(wait("mine", 2)?.ms).toBe(38_000);
});

test("what runs waits for nothing; nor does what is not there", () => {
  expect(wait("running clip")).toBeNull();
  expect(wait("gone")).toBeNull();
});

test("it is said as people say it", () => {
  const said = (key: string, atOnce = 1): string => {
    const one = wait(key, atOnce);
    return one ? waitInWords(one) : "";
  };
  expect(said("mine")).toBe("waits behind 2 clips and a draft, about 1 min");
  expect(said("after")).toBe("waits behind 2 clips, a draft and a rendition, about 3 min");
  expect(said("mine", 4)).toBe("waits behind 2 clips and a draft, under a minute");
  expect(said("mine", 0)).toBe("waits: nothing is worked on just now");
  expect(waitInWords({ behind: {}, ms: 0 })).toBe("is next");
  expect(waitInWords({ behind: { rendition: 90 }, ms: 7_300_000 })).toBe("waits behind 90 renditions, about 2 h");
});
