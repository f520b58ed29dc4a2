import { expect, test } from "@playwright/test";
import sharp from "sharp";
import { inverse, mapped } from "../core/geometry/affine";
import { PLAIN_FRAMING, framedPicture } from "../core/geometry/framedPicture";
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

/** A picture whose colour says where in it one is: red grows to the right, green downwards. */
const graded = (width: number, height: number): Promise<Buffer> =>
  sharp(
    Buffer.from(
      Array.from({ length: width * height }, (_, at) => [
        Math.round((255 * (at % width)) / (width - 1)),
        Math.round((255 * Math.floor(at / width)) / (height - 1)),
        0,
      ]).flat(),
    ),
    { raw: { width, height, channels: 3 } },
  )
    .png()
    .toBuffer();

const TURNS = [
  { turned: 30, mirrored: false, enlarged: 1 },
  { turned: -75, mirrored: true, enlarged: 1.3 },
  { turned: 90, mirrored: true, enlarged: 1 },
  { turned: 180, mirrored: false, enlarged: 1 },
] as const;

/** Turning, mirroring and the least zoom against Chromium's own CSS transforms and backgrounds. */
for (const { turned, mirrored, enlarged } of TURNS)
  test(`a picture turned by ${turned}°${mirrored ? ", mirrored" : ""}, fills its frame as Chromium paints it`, async ({
    page,
  }) => {
    const [picture, frame] = [{ width: 240, height: 150 }, rect(0, 0, 180, 260)];
    const framed = framedPicture(picture, frame, { ...PLAIN_FRAMING, turned, mirrored, enlarged });
    const [width, height] = [picture.width * framed.scale, picture.height * framed.scale];
    const source = `data:image/png;base64,${(await graded(picture.width, picture.height)).toString("base64")}`;
    await page.setContent(
      `<body style="margin:0"><div style="position:relative;overflow:hidden;width:${frame.width}px;height:${frame.height}px;background:#00f"><img style="position:absolute;left:${(frame.width - width) / 2}px;top:${(frame.height - height) / 2}px;width:${width}px;height:${height}px;transform:rotate(${turned}deg) scaleX(${mirrored ? -1 : 1})" src="${source}"></div>`,
    );
    await page.locator("img").evaluate((image) => (image instanceof HTMLImageElement ? image.decode() : undefined));
    const { data, info } = await sharp(await page.locator("div").screenshot())
      .raw()
      .toBuffer({ resolveWithObject: true });
    const colorAt = (x: number, y: number): number[] =>
      [0, 1, 2].map((channel) => data[(y * info.width + x) * info.channels + channel] ?? 0);
    const back = framed.map && inverse(framed.map);
    for (let y = 5; y < frame.height; y += 50)
      for (let x = 5; x < frame.width; x += 34) {
        const at = back ? mapped(back, { x: x + 0.5, y: y + 0.5 }) : { x: x + 0.5, y: y + 0.5 };
        const [red = 0, green = 0, blue = 255] = colorAt(x, y);
        const px = framed.part.x + ((at.x - framed.place.x) / framed.place.width) * framed.part.width;
        const py = framed.part.y + ((at.y - framed.place.y) / framed.place.height) * framed.part.height;
        expect(Math.abs(red - (255 * px) / picture.width)).toBeLessThan(4);
        expect(Math.abs(green - (255 * py) / picture.height)).toBeLessThan(4);
        expect(blue).toBeLessThan(4);
      }
    // No gap anywhere along the edges: not a pixel of what is behind.
    const edges = [...Array(frame.width).keys()].flatMap((x) => [colorAt(x, 0), colorAt(x, frame.height - 1)]);
    const sides = [...Array(frame.height).keys()].flatMap((y) => [colorAt(0, y), colorAt(frame.width - 1, y)]);
    expect(Math.max(...[...edges, ...sides].map(([, , blue = 255]) => blue))).toBeLessThan(8);
  });

test("a whole picture with its room shared out stands where Chromium's object-position puts it", async ({ page }) => {
  const [picture, frame] = [{ width: 320, height: 180 }, rect(0, 0, 200, 300)];
  for (const [x, y] of [
    [0.5, 0],
    [0.5, 0.25],
    [0.5, 1],
  ] as const) {
    const { place } = framedPicture(picture, frame, { ...PLAIN_FRAMING, way: "whole", point: { x, y } });
    await page.setContent(
      `<body style="margin:0"><img style="display:block;width:${frame.width}px;height:${frame.height}px;object-fit:contain;object-position:${x * 100}% ${y * 100}%;background:#00f" src="data:image/png;base64,${(await graded(picture.width, picture.height)).toString("base64")}">`,
    );
    await page.locator("img").evaluate((image) => (image instanceof HTMLImageElement ? image.decode() : undefined));
    const { data, info } = await sharp(await page.locator("img").screenshot())
      .raw()
      .toBuffer({ resolveWithObject: true });
    const shown = [...Array(frame.height).keys()].filter(
      (row) => (data[(row * info.width + 100) * info.channels + 2] ?? 255) < 128,
    );
    expect(Math.abs(Math.min(...shown) - place.y)).toBeLessThanOrEqual(1);
    expect(Math.abs(Math.max(...shown) + 1 - (place.y + place.height))).toBeLessThanOrEqual(1);
  }
});
