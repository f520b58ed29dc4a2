import { expect, test } from "@playwright/test";
import sharp from "sharp";
import { containPlace, coverPart } from "../core/geometry/framing";
import { rect } from "../core/geometry/rect";

/** Cover and contain against Chromium's own layout of an `<img>` (CSS Images 3, object-fit). */
const SHAPES = [
  [400, 100, 240, 240],
  [100, 400, 320, 180],
  [333, 250, 180, 320],
  [1920, 1080, 300, 300],
] as const;

for (const [width, height, frameWidth, frameHeight] of SHAPES)
  test(`a ${width} × ${height} picture in a frame of ${frameWidth} × ${frameHeight}`, async ({ page }) => {
    // Red on its left two fifths, green on the rest, blue where there is no picture: the edges tell where it lies.
    const picture = `<svg xmlns="http://www.w3.org/2000/svg" width="${width}" height="${height}" shape-rendering="crispEdges"><rect width="${width}" height="${height}" fill="#0f0"/><rect width="${width * 0.4}" height="${height}" fill="#f00"/></svg>`;
    const show = async (fit: "cover" | "contain"): Promise<{ data: Buffer; channels: number }> => {
      await page.setContent(
        `<body style="margin:0"><img style="display:block;width:${frameWidth}px;height:${frameHeight}px;object-fit:${fit};background:#00f" src="data:image/svg+xml,${encodeURIComponent(picture)}">`,
      );
      await page.locator("img").evaluate((image) => (image instanceof HTMLImageElement ? image.decode() : undefined));
      const { data, info } = await sharp(await page.locator("img").screenshot())
        .raw()
        .toBuffer({ resolveWithObject: true });
      return { data, channels: info.channels };
    };
    const row = ({ data, channels }: { data: Buffer; channels: number }, channel: number): number[] =>
      Array.from({ length: frameWidth }, (_, x) => x).filter(
        (x) => (data[(Math.floor(frameHeight / 2) * frameWidth + x) * channels + channel] ?? 0) > 200,
      );

    const part = coverPart({ width, height }, { width: frameWidth, height: frameHeight });
    const edge = ((width * 0.4 - part.x) / part.width) * frameWidth;
    const covered = await show("cover");
    expect(Math.abs(Math.max(-1, ...row(covered, 0)) + 1 - Math.max(0, edge))).toBeLessThanOrEqual(1);
    expect(row(covered, 2)).toEqual([]);

    const place = containPlace({ width, height }, rect(0, 0, frameWidth, frameHeight));
    const shown = row(await show("contain"), 0);
    expect(Math.abs(Math.min(...shown) - place.x)).toBeLessThanOrEqual(1);
    expect(Math.abs(Math.max(...shown) + 1 - (place.x + place.width * 0.4))).toBeLessThanOrEqual(1);
  });
