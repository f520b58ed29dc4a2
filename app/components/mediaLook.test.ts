import { testClip, testPicture } from "../../core/testing/promotions";
import { factLine, megabytes, thumbAddress } from "./mediaLook";

test.each([
  [1600, "level-0"],
  [800, "level-1"],
  [700, "level-1"],
  [100, "level-4"],
  [5, "level-5"],
  [9000, "level-0"],
])("a thumbnail %d wide comes from %s, never enlarged where it need not be", (width, level) => {
  expect(thumbAddress(testPicture(), width)?.endsWith(level)).toBe(true);
});

test("a sound has no thumbnail", () =>
  expect(thumbAddress({ kind: "sound", id: "s", name: "s", length: 1, loudness: null, peak: null }, 100)).toBeNull());

test("facts are written in figures", () => {
  expect(factLine(testPicture())).toBe("1600 × 1200");
  expect(factLine(testClip({ rate: { numerator: 30000, denominator: 1001 }, frames: 300 }))).toBe(
    "1280 × 720 · 10.0 s · 29.97 fps",
  );
  expect(factLine({ kind: "sound", id: "s", name: "s", length: 4500, loudness: -17.52, peak: -3 })).toBe(
    "4.5 s · -17.5 LUFS",
  );
  expect(factLine({ kind: "sound", id: "s", name: "s", length: 4500, loudness: null, peak: null })).toBe(
    "4.5 s · silent",
  );
});

test.each([
  [0, "1 kB"],
  [999, "1 kB"],
  [45_300, "45 kB"],
  [2_558_729, "2.6 MB"],
  [3_141_592_653, "3.1 GB"],
])("%d bytes are %s", (bytes, text) => expect(megabytes(bytes)).toBe(text));
