import { formatOf, USUAL_FORMATS, isFormatName, safeArea } from "./formats";
import { QUALITIES, isQuality, outputSize, qualityScale } from "./quality";

test("every format's short side is 1080 design units, at its true ratio", () => {
  for (const name of USUAL_FORMATS) {
    const { width, height, ratio } = formatOf(name);
    const [across = 0, down = 0] = ratio.split(":").map(Number);
    expect(Math.min(width, height)).toBe(1080);
    expect(width / height).toBeCloseTo(across / down, 9);
  }
});

test("widescreen keeps at least the title-safe 90 % free (EBU R 95 / SMPTE ST 2046-1)", () => {
  const { width, height } = safeArea(formatOf("widescreen"));
  expect(width).toBeLessThanOrEqual(1920 * 0.9);
  expect(height).toBeLessThanOrEqual(1080 * 0.9);
});

test.each([
  ["square", "480p", 480, 480],
  ["vertical", "480p", 480, 854],
  ["widescreen", "480p", 854, 480],
  ["square", "1080p", 1080, 1080],
  ["vertical", "1080p", 1080, 1920],
] as const)("%s at %s is %d × %d", (format, quality, width, height) =>
  expect(outputSize(format, quality)).toEqual({ width, height }),
);

test("both sides of every file are even, as 4:2:0 colour needs, and within a pixel of the scale", () => {
  for (const format of USUAL_FORMATS)
    for (const quality of QUALITIES) {
      const { width, height } = outputSize(format, quality);
      expect([width % 2, height % 2]).toEqual([0, 0]);
      expect(Math.abs(width - formatOf(format).width * qualityScale(quality))).toBeLessThanOrEqual(1);
    }
});

test("names from outside are checked", () => {
  expect([
    isFormatName("square"),
    isFormatName("round"),
    isFormatName(null),
    isQuality("1080p"),
    isQuality("8k"),
  ]).toEqual([true, false, false, true, false]);
});
