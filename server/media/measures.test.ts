import { readSceneScores } from "./clipLook";
import { opaquePart } from "./opaquePart";

test("cuts and movement are read from ffmpeg's scene scores", () => {
  const report = [
    "frame:0 pts:0 pts_time:0",
    "lavfi.scene_score=0.000000",
    "frame:1 pts:1 pts_time:0.04",
    "lavfi.scene_score=0.010000",
    "frame:2 pts:2 pts_time:0.08",
    "lavfi.scene_score=0.740000",
    "frame:3 pts:3 pts_time:0.12",
    "lavfi.scene_score=0.020000",
  ].join("\n");
  expect(readSceneScores(report)).toEqual({ cuts: [80], movement: 0.5 });
});
test("a cut between pictures that are alike stands out from what is around it; a lively moment does not", () => {
  const scored = (scores: readonly number[]): string =>
    scores.map((score, at) => `frame:${at} pts:${at} pts_time:${at / 25}\nlavfi.scene_score=${score}`).join("\n");
  const calm = Array.from({ length: 40 }, () => 0.01);
  const lively = Array.from({ length: 40 }, () => 0.05);
  expect(readSceneScores(scored(calm.with(20, 0.2))).cuts).toEqual([800]);
  expect(readSceneScores(scored(lively.with(20, 0.2))).cuts).toEqual([]);
  expect(readSceneScores(scored(calm.with(20, 0.09))).cuts).toEqual([]);
});
test("a clip that says nothing is still", () => expect(readSceneScores("")).toEqual({ cuts: [], movement: 0 }));

describe("see-through borders", () => {
  const pixels = (rows: readonly string[]): Uint8Array =>
    Uint8Array.from(
      rows.flatMap((row) => Array.from(row).flatMap((mark) => [0, 0, 0, { ".": 0, o: 6, "#": 255 }[mark] ?? 0])),
    );
  test("are what lies around everything that can be seen", () =>
    expect(opaquePart(pixels([".....", ".##..", "...#.", "....."]), 5, 4)).toEqual({
      x: 1,
      y: 1,
      width: 3,
      height: 2,
    }));
  test("a faint halo does not count", () =>
    expect(opaquePart(pixels(["ooo", "o#o", "ooo"]), 3, 3)).toEqual({ x: 1, y: 1, width: 1, height: 1 }));
  test("nothing has no part", () => expect(opaquePart(pixels(["...", "..."]), 3, 2)).toBeNull());
});
