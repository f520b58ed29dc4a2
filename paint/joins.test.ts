import { mkdtemp, readFile, rm, writeFile } from "node:fs/promises";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { execa } from "execa";
import { ssim } from "ssim.js";
import { JOINS, JOIN_EASES, type InkedJoin, type JoinKind } from "../core/document/joins";
import { ENDINGS, type EndingKind } from "../core/document/endings";
import { type BrandForm, FORMS } from "../core/brand/forms";
import { type DisplayList, type PictureNode } from "../core/scene/displayList";
import { endingAt } from "../core/scene/endingAt";
import { joinAt } from "../core/scene/joinAt";
import { wholeOf } from "../core/geometry/rect";
import { nodeSurface } from "../server/render/nodeResources";
import { partOf } from "../core/testing/sample";
import { resourcesWith } from "../server/testing/painting";
import { createPainter } from "./painter";

/** Joins as they are painted, against ffmpeg's `xfade`, and against what each of them must and must not show. */

/** So large that the one column where `xfade` shows a pixel of the wrong picture at its seam counts for little. */
const SIZE = { width: 1280, height: 720 };
const WHOLE = { x: 0, y: 0, ...SIZE };

/** A picture with a pattern of its own, so that what is moved is seen to be. */
function pattern(red: number, blue: number) {
  const surface = nodeSurface(SIZE.width, SIZE.height);
  const context = surface.canvas.getContext("2d");
  const gradient = context.createLinearGradient(0, 0, SIZE.width, SIZE.height);
  gradient.addColorStop(0, `rgb(${red}, 40, ${blue})`);
  gradient.addColorStop(1, `rgb(${red}, 220, ${blue})`);
  context.fillStyle = gradient;
  context.fillRect(0, 0, SIZE.width, SIZE.height);
  context.fillStyle = "#ffffff";
  for (let at = 0; at < 8; at++) context.fillRect(80 + at * 144, 80 + at * 64, 96, 96);
  return surface;
}
const [leaving, coming] = [pattern(230, 30), pattern(30, 230)];
const resources = {
  ...resourcesWith(() => null),
  picture: ({ media }: { readonly media: string }) => (media === "a" ? leaving.image : coming.image),
};
const shown = (media: string): PictureNode => ({
  kind: "picture",
  media,
  ...SIZE,
  levels: 1,
  part: WHOLE,
  place: WHOLE,
  leastScale: 1,
});
const [A, B]: [DisplayList, DisplayList] = [[shown("a")], [shown("b")]];

function painted(list: DisplayList): ImageData {
  const target = nodeSurface(SIZE.width, SIZE.height);
  createPainter(SIZE, SIZE, resources).paint(list, target.context);
  return target.canvas.getContext("2d").getImageData(0, 0, SIZE.width, SIZE.height) as unknown as ImageData;
}
const joined = (change: Partial<InkedJoin> & { readonly kind: JoinKind }, time: number): ImageData =>
  painted(
    joinAt(
      wholeOf(SIZE),
      { form: "cut card", color: "#ffcc00", angle: 0, ease: "even", ...change },
      { list: A, coming: B, time },
    ),
  );
/** How far two frames are apart, in the mean, of 255: of every seventh value, so that all channels and columns count. */
function apart(one: ImageData, other: ImageData): number {
  let [sum, count] = [0, 0];
  for (let at = 0; at < one.data.length; at += 7, count++) sum += Math.abs((one.data[at] ?? 0) - (other.data[at] ?? 0));
  return sum / count;
}
const bytesOf = ({ data }: ImageData): Buffer => Buffer.from(data.buffer, data.byteOffset, data.byteLength);
const isSame = (one: ImageData, other: ImageData): boolean => bytesOf(one).equals(bytesOf(other));
const alike = (one: ImageData, other: ImageData): number => ssim(one, other).mssim;

describe("against ffmpeg's xfade", () => {
  let folder: string;
  beforeAll(async () => {
    folder = await mkdtemp(join(tmpdir(), "stencilcraft-unit-"));
    for (const [name, { canvas }] of [["a", leaving] as const, ["b", coming] as const])
      await writeFile(join(folder, `${name}.png`), await canvas.encode("png"));
  });
  afterAll(() => rm(folder, { recursive: true }));

  /** Frames of a second's transition of 25, in which so many have passed. */
  async function theirs(transition: string, passed: readonly number[]): Promise<ImageData[]> {
    const raw = join(folder, "frames.rgba");
    const still = (name: string): string[] => ["-framerate", "25", "-i", join(folder, `${name}.png`)];
    // Decoded once, then shown again and again.
    const held = "format=gbrp,loop=loop=49:size=1";
    const chosen = passed.map((count) => `eq(n\\,${10 + count})`).join("+");
    const fade = `xfade=transition=${transition}:duration=1:offset=0.4`;
    const graph = `[0]${held}[a];[1]${held}[b];[a][b]${fade},select=${chosen}`;
    const out = ["-fps_mode", "passthrough", "-pix_fmt", "rgba", "-f", "rawvideo", raw];
    await execa("ffmpeg", ["-v", "error", "-y", ...still("a"), ...still("b"), "-filter_complex", graph, ...out]);
    const data = new Uint8ClampedArray(await readFile(raw));
    const bytes = SIZE.width * SIZE.height * 4;
    expect(data.length).toBe(passed.length * bytes);
    return passed.map((_, at) => ({ ...SIZE, data: data.slice(at * bytes, (at + 1) * bytes) }) as unknown as ImageData);
  }

  const NAMED: readonly [JoinKind, number, string][] = [
    ["crossfade", 0, "fade"],
    ["wipe", 0, "wiperight"],
    ["wipe", 90, "wipedown"],
    ["wipe", 180, "wipeleft"],
    ["wipe", -90, "wipeup"],
    ["push", 0, "slideleft"],
    ["push", 90, "slideup"],
    ["push", 180, "slideright"],
    ["push", -90, "slidedown"],
  ];
  test.each(partOf(NAMED, 2))("a %s at %d° looks as %s does", async (kind, angle, transition) => {
    const passed = [5, 10, 19];
    for (const [at, frame] of (await theirs(transition, passed)).entries())
      expect(alike(joined({ kind, angle }, (passed[at] ?? 0) / 25), frame)).toBeGreaterThan(0.99);
  });
});

test("what is blurred is blurred as by ffmpeg's gblur of the same deviation, away from the edges of the frame", async () => {
  const sigma = 12;
  const ours = painted([{ kind: "layer", alpha: 1, blur: sigma, children: A }]);
  const { stdout } = await execa(
    "ffmpeg",
    [
      ...["-v", "error", "-f", "png_pipe", "-i", "pipe:0", "-vf", `format=gbrp,gblur=sigma=${sigma}:steps=3`],
      ...["-pix_fmt", "rgba", "-f", "rawvideo", "pipe:1"],
    ],
    { input: await leaving.canvas.encode("png"), encoding: "buffer", maxBuffer: 1 << 26 },
  );
  const margin = 4 * sigma;
  const differences: number[] = [];
  for (let y = margin; y < SIZE.height - margin; y += 3)
    for (let x = margin; x < SIZE.width - margin; x += 3)
      for (let channel = 0; channel < 3; channel++) {
        const at = (y * SIZE.width + x) * 4 + channel;
        differences.push(Math.abs((ours.data[at] ?? 0) - (stdout[at] ?? 0)));
      }
  // Both are approximations of a Gaussian, each its own: they part most at the corners of what is white.
  expect(differences.reduce((sum, one) => sum + one, 0) / differences.length).toBeLessThan(0.7);
  expect(differences.reduce((most, one) => Math.max(most, one), 0)).toBeLessThan(10);
  expect(apart(ours, painted(A))).toBeGreaterThan(2);
});

describe("the end of a promotion", () => {
  const end = (kind: Exclude<EndingKind, "as it is">, time: number, form: BrandForm = "cut card"): ImageData =>
    painted(endingAt(SIZE, { kind, color: "#ffcc00", lasts: 600, form }, A, time));
  const all = Buffer.alloc(SIZE.width * SIZE.height * 4, Buffer.from([255, 204, 0, 255]));
  const isAllColor = (frame: ImageData): boolean => all.equals(bytesOf(frame));

  test.each(ENDINGS.filter((kind) => kind !== "as it is"))(
    "%s: begins with the scene, is on its way, and all in its colour before the last frame",
    (kind) => {
      expect(isSame(end(kind, 0), painted(A))).toBe(true);
      expect(apart(end(kind, 0.45), painted(A))).toBeGreaterThan(5);
      expect(isAllColor(end(kind, 0.45))).toBe(false);
      expect(isAllColor(end(kind, 0.92))).toBe(true);
      expect(isAllColor(end(kind, 1))).toBe(true);
    },
  );

  test.each(FORMS)("a %s closes: its corners first, its middle last", (form) => {
    const isColor = ({ data }: ImageData, x: number, y: number): boolean =>
      (data[(y * SIZE.width + x) * 4 + 2] ?? 255) < 20 && (data[(y * SIZE.width + x) * 4 + 1] ?? 0) === 204;
    const half = end("shape closes", 0.55, form);
    const [right, low] = [SIZE.width - 4, SIZE.height - 4];
    const corners = [isColor(half, 4, 4), isColor(half, right, 4), isColor(half, 4, low), isColor(half, right, low)];
    expect(corners).toEqual([true, true, true, true]);
    expect(isColor(half, SIZE.width / 2, SIZE.height / 2)).toBe(false);
    expect(isAllColor(end("shape closes", 1, form))).toBe(true);
  });

  test("a shape closes toward the middle, shutters close from above and below", () => {
    const isYellow = ({ data }: ImageData, x: number, y: number): boolean =>
      (data[(y * SIZE.width + x) * 4 + 2] ?? 255) < 20 && (data[(y * SIZE.width + x) * 4 + 1] ?? 0) === 204;
    const shape = end("shape closes", 0.45);
    expect([isYellow(shape, 640, 360), isYellow(shape, 20, 360), isYellow(shape, 640, 10)]).toEqual([
      false,
      true,
      true,
    ]);
    const shutters = end("shutters close", 0.45);
    expect([isYellow(shutters, 20, 360), isYellow(shutters, 640, 10), isYellow(shutters, 640, 710)]).toEqual([
      false,
      true,
      true,
    ]);
  });
});

test("each join begins with the one scene and ends with the other, and shows neither alone on its way", () => {
  const [before, after] = [painted(A), painted(B)];
  for (const kind of JOINS) {
    const ends = [isSame(joined({ kind }, 0), before), isSame(joined({ kind }, 1), after)];
    expect([kind, ...ends]).toEqual([kind, true, true]);
    for (const ease of JOIN_EASES) {
      const onItsWay = joined({ kind, ease }, 0.2);
      expect([kind, ease, apart(onItsWay, before) > 0, apart(onItsWay, after) > 1]).toEqual([kind, ease, true, true]);
    }
  }
});

test("a dip and a sweep are all in their colour in the middle, and never show both scenes", () => {
  for (const kind of ["dip", "sweep"] as const) {
    const { data } = joined({ kind }, 0.5);
    for (let at = 0; at < data.length; at += 4)
      if (data[at] !== 255 || data[at + 1] !== 204 || data[at + 2] !== 0)
        throw new Error(`${kind} shows more than its colour.`);
  }
  const sides = (list: DisplayList): string[] => list.flatMap((node) => (node.kind === "picture" ? [node.media] : []));
  const at = (kind: JoinKind, time: number): string[] =>
    sides(
      joinAt(
        wholeOf(SIZE),
        { kind, form: "cut card", color: "#000000", angle: 0, ease: "even" },
        { list: A, coming: B, time },
      ),
    );
  for (const kind of ["dip", "sweep"] as const) expect([at(kind, 0.3), at(kind, 0.7)]).toEqual([["a"], ["b"]]);
});

test("a slide lies over a scene that stands still; a wipe at any angle uncovers as much as its edge has passed", () => {
  const pixel = ({ data }: ImageData, x: number, y: number): number[] =>
    Array.from(data.slice((y * SIZE.width + x) * 4, (y * SIZE.width + x) * 4 + 3));
  const slid = joined({ kind: "slide" }, 0.5);
  expect(pixel(slid, 40, 360)).toEqual(pixel(painted(A), 40, 360));
  expect(pixel(slid, 680, 360)).toEqual(pixel(painted(B), 40, 360));
  const [before, after] = [painted(A), painted(B)];
  for (const angle of [30, 45, 135, -60, -150]) {
    const wiped = joined({ kind: "wipe", angle }, 0.5);
    // Half way its edge goes through the middle: what lies before it there is uncovered, what lies behind is not.
    const way = [Math.cos((angle * Math.PI) / 180), Math.sin((angle * Math.PI) / 180)] as const;
    const [x, y] = [Math.round(640 - way[0] * 160), Math.round(360 - way[1] * 160)];
    const [u, v] = [Math.round(640 + way[0] * 160), Math.round(360 + way[1] * 160)];
    expect([angle, pixel(wiped, x, y), pixel(wiped, u, v)]).toEqual([angle, pixel(after, x, y), pixel(before, u, v)]);
  }
});

test("a reveal grows from the middle", () => {
  const half = joined({ kind: "reveal" }, 0.5);
  const at = (x: number, y: number): number => half.data[(y * SIZE.width + x) * 4] ?? -1;
  expect(at(640, 360)).toBeLessThan(60);
  expect([at(16, 360), at(1264, 360), at(640, 12), at(640, 704)].every((red) => red > 200)).toBe(true);
});
