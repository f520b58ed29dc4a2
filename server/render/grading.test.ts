import { execFileSync } from "node:child_process";
import { createCanvas } from "@napi-rs/canvas";
import { type Grade, gradeChange } from "../../core/grading/grade";
import { LOOK_NAMES, lookChange } from "../../core/grading/looks";
import { type LookupTable, applyTable, compileTable } from "../../core/grading/lookupTable";
import { randomFrom } from "../../core/testing/randomFrom";
import { partOf } from "../../core/testing/sample";
import { cubeFile } from "../testing/cubeFile";

const SIDE = 256;
/** Every third colour at random, with the corners and greys of the cube among them. */
function manyColors(): Uint8ClampedArray {
  const random = randomFrom(5);
  const pixels = new Uint8ClampedArray(SIDE * SIDE * 4);
  for (let at = 0; at < pixels.length; at += 4) {
    const grey = Math.floor(random() * 256);
    const color = at % 3 === 0 ? [grey, grey, grey] : [0, 0, 0].map(() => Math.floor(random() * 256));
    pixels.set([...color, 255], at);
  }
  pixels.set([0, 0, 0, 255, 255, 255, 255, 255, 255, 0, 0, 255, 0, 255, 255, 255], 0);
  return pixels;
}

const applied = (table: LookupTable): Uint8ClampedArray => {
  const pixels = manyColors();
  applyTable(pixels, table);
  return pixels;
};

function farthest(one: ArrayLike<number>, other: ArrayLike<number>): number {
  let most = 0;
  for (let at = 0; at < one.length; at++) most = Math.max(most, Math.abs((one[at] ?? 0) - (other[at] ?? 0)));
  return most;
}

/** The same colours under a filter of CSS, as Skia does it: another implementation of the W3C Filter Effects Module. */
function filtered(filter: string): Uint8ClampedArray {
  const from = createCanvas(SIDE, SIDE);
  const image = from.getContext("2d").createImageData(SIDE, SIDE);
  image.data.set(manyColors());
  from.getContext("2d").putImageData(image, 0, 0);
  const to = createCanvas(SIDE, SIDE);
  const context = to.getContext("2d");
  context.filter = filter;
  context.drawImage(from, 0, 0);
  return context.getImageData(0, 0, SIDE, SIDE).data;
}

test.each<[string, Grade]>([
  ["saturate(1.6)", { saturation: 0.6 }],
  ["saturate(0.25)", { saturation: -0.75 }],
  ["hue-rotate(70deg)", { hue: 70 }],
  ["hue-rotate(-120deg)", { hue: -120 }],
  ["brightness(1.35)", { brightness: 0.35 }],
  ["brightness(0.4)", { brightness: -0.6 }],
  ["contrast(1.5)", { contrast: 0.5 }],
  ["contrast(0.3)", { contrast: -0.7 }],
])("%s of the W3C Filter Effects Module is met to one step of 255, clamped colours too", (filter, grade) => {
  const graded = applied(compileTable("tried", gradeChange(grade)));
  expect(farthest(graded, manyColors())).toBeGreaterThan(20);
  expect(farthest(graded, filtered(filter))).toBeLessThanOrEqual(1);
});

/** The same colours through ffmpeg's filter for cube files. */
const throughFfmpeg = (table: LookupTable): Buffer =>
  execFileSync(
    "ffmpeg",
    [
      ...["-v", "error", "-f", "rawvideo", "-pix_fmt", "rgba", "-s", `${SIDE}x${SIDE}`, "-i", "pipe:0"],
      ...["-vf", `lut3d=file=${cubeFile(table)}:interp=tetrahedral`, "-f", "rawvideo", "-pix_fmt", "rgba", "pipe:1"],
    ],
    { input: Buffer.from(manyColors()), maxBuffer: 1 << 24 },
  );

test.each(partOf(LOOK_NAMES, 4))("the table of “%s” gives what ffmpeg's lut3d gives, to one step of 255", (name) => {
  const table = compileTable(name, lookChange(name, 1));
  const ours = applied(table);
  expect(farthest(ours, manyColors())).toBeGreaterThan(10);
  expect(farthest(ours, throughFfmpeg(table))).toBeLessThanOrEqual(1);
});

test("a grade of everything at once is what ffmpeg makes of its cube file too", () => {
  const grade: Grade = {
    ...{ exposure: 0.7, brightness: -0.1, contrast: 0.3, highlights: -0.5, shadows: 0.6, saturation: 0.4 },
    ...{ warmth: -0.6, tint: 0.5, hue: 25, fade: 0.3 },
  };
  const table = compileTable("all", gradeChange(grade));
  expect(farthest(applied(table), throughFfmpeg(table))).toBeLessThanOrEqual(1);
});
