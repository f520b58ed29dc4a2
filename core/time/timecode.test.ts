import fc from "fast-check";
import { FPS_30, type FrameRate } from "./frames";
import { frameOfTimecode, timecode, typedTime } from "./timecode";

const rate = (numerator: number, denominator = 1): FrameRate => ({ numerator, denominator });
const NTSC = rate(30_000, 1001);

test("drop-frame codes are those of SMPTE ST 12-1: two numbers are left out of each minute but every tenth", () => {
  const codes: readonly (readonly [frame: number, code: string])[] = [
    [0, "00:00:00;00"],
    [1799, "00:00:59;29"],
    [1800, "00:01:00;02"],
    [3597, "00:01:59;29"],
    [3598, "00:02:00;02"],
    [17_981, "00:09:59;29"],
    [17_982, "00:10:00;00"],
    // An hour by the clock is 107 892 frames, a day 2 589 408.
    [107_892, "01:00:00;00"],
    [2_589_407, "23:59:59;29"],
  ];
  for (const [frame, code] of codes) {
    expect(timecode(frame, NTSC)).toBe(code);
    expect(frameOfTimecode(code, NTSC)).toBe(frame);
  }
  expect(timecode(3600, rate(60_000, 1001))).toBe("00:01:00;04");
});

test("at whole rates, and at 24000/1001, nothing is dropped", () => {
  expect(timecode(1800, FPS_30)).toBe("00:01:00:00");
  expect(timecode(90_000, rate(25))).toBe("01:00:00:00");
  expect(timecode(1440, rate(24_000, 1001))).toBe("00:01:00:00");
});

test("numbers that are left out, and those that are none, name no frame", () => {
  for (const code of [
    "00:01:00;00",
    "00:01:00;01",
    "00:59:00;01",
    "00:00:60;00",
    "00:60:00;00",
    "00:00:00;30",
    "x",
    "",
  ])
    expect([code, frameOfTimecode(code, NTSC)]).toEqual([code, null]);
  expect(frameOfTimecode("00:10:00;00", NTSC)).toBe(17_982);
});

test("every frame has a code of its own that names it again", () => {
  const rates = fc.constantFrom(
    rate(24),
    rate(25),
    FPS_30,
    rate(50),
    rate(60),
    NTSC,
    rate(60_000, 1001),
    rate(24_000, 1001),
  );
  fc.assert(
    fc.property(rates, fc.nat(5_000_000), (at, frame) => {
      expect(frameOfTimecode(timecode(frame, at), at)).toBe(frame);
    }),
  );
});

test("times are typed as seconds, frames or timecode", () => {
  const typed = (text: string): number | null => typedTime(text, FPS_30);
  expect(["4.5", "4,5 s", " 12 ", ".5", "135 f", "1 frame", "00:04:15", "4:15", "01:00:00:00"].map(typed)).toEqual([
    4500, 4500, 12_000, 500, 4500, 33, 4500, 4500, 3_600_000,
  ]);
  expect(["", "s", ".", "four", "-2", "4:30", "1:2:3:4:5"].map(typed)).toEqual([
    null,
    null,
    null,
    null,
    null,
    null,
    null,
  ]);
});
