import { waveformPeaks } from "./peaks";

test("each bar is the highest level of its stretch", () =>
  expect(waveformPeaks(Int16Array.from([0, 100, -32768, 0, 16384, 0]), 3)).toEqual([0, 100, 50]));
test("a sound shorter than the bars has a bar a sample", () =>
  expect(waveformPeaks(Int16Array.from([32767, 0]), 400)).toEqual([100, 0]));
test("nothing has no bars", () => expect(waveformPeaks(new Int16Array(), 10)).toEqual([]));
