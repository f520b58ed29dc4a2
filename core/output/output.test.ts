import { frameCount } from "../time/frames";
import { type Named, besideEachOther, fileNameBy, patternProblem, USUAL_PATTERN } from "./fileName";
import { readOutput, usualOutput } from "./output";
import { RATES, RATE_NAMES, isRate } from "./rates";

const named: Named = {
  ...{ promotion: "Käse & Brot: Friday’s box!", format: "vertical", placement: "Vertical short", revision: 12 },
  ...{ output: usualOutput("1080p"), date: "2026-11-28" },
};

test("rates are exact: an hour at 29.97 has 107 892 frames (SMPTE ST 12-1), and 10 minutes 17 982", () => {
  expect(frameCount(3_600_000, RATES["29.97"])).toBe(107_892);
  expect(frameCount(600_000, RATES["29.97"])).toBe(17_982);
  expect(RATE_NAMES).toHaveLength(8);
  expect([isRate("23.976"), isRate("31"), isRate(30)]).toEqual([true, false, false]);
});

test.each([
  [USUAL_PATTERN, "kase-brot-friday-s-box-vertical-1080p.mp4"],
  ["{date} {promotion} {placement}", "2026-11-28-kase-brot-friday-s-box-vertical-short.mp4"],
  ["{revision}/../{rate}", "r12-..-30.mp4"],
  ["…", "kase-brot-friday-s-box.mp4"],
  ["", "kase-brot-friday-s-box.mp4"],
])("a file called by %j is %s", (pattern, name) => expect(fileNameBy(pattern, named)).toBe(name));

test("a shape without a name, and a kind of its own, are in the name", () => {
  const output = { ...usualOutput("480p"), kind: "webm" as const };
  expect(fileNameBy("{format}-{placement}", { ...named, format: "5x7", placement: null, output })).toBe("5x7.webm");
});

test("a name is never longer than file systems and archives take", () => {
  expect(fileNameBy("{promotion}", { ...named, promotion: "w".repeat(400) }).length).toBeLessThanOrEqual(124);
});

test("names that are alike are counted, so that nothing is written over", () => {
  expect(besideEachOther(["a.mp4", "b.mp4", "a.mp4", "a.webm", "a.mp4"])).toEqual([
    ...["a.mp4", "b.mp4", "a-2.mp4", "a.webm", "a-3.mp4"],
  ]);
});

test.each([
  ["{promotion}-{format}", null],
  ["{product}", "stands for nothing"],
  ["{promotion", "bracket is open"],
  ["x".repeat(121), "At most 120"],
])("what is wrong with the pattern %j is said", (pattern, said) => {
  const problem = patternProblem(pattern);
  if (said === null) expect(problem).toBeNull();
  else expect(problem).toContain(said);
});

test.each([
  { kind: "avi" },
  { quality: "8k" },
  { rate: "31" },
  { mostBytes: 5 },
  { loudness: 3 },
  { captions: "x".repeat(36) },
])("a file can't be made as %j", (wrong) => {
  expect(() => readOutput({ ...usualOutput("1080p"), ...wrong })).toThrow();
});
