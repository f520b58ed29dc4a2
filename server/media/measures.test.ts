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
