import { type Sticker } from "../document/stickers";
import { type Rect, rect } from "../geometry/rect";
import { type Outline, STEP, appendPlaced, ellipse, hole, polygon, rectangle, roundedRect } from "../type/outline";

/** Stickers are drawn on a square of so many units and put into their places. */
const GRID = 100;

/** A round on the grid, from its middle. */
const round = (x: number, y: number, radius: number): Outline =>
  ellipse(rect(x - radius, y - radius, 2 * radius, 2 * radius));

/** A shape that begins at a point and goes on by curves, each given by two control points and its end. */
const curved = (x: number, y: number, ...curves: readonly (readonly number[])[]): Outline => [
  STEP.move,
  x,
  y,
  ...curves.flatMap((points) => [STEP.cubic, ...points]),
  STEP.close,
];

/** A round that is left free. */
const free = (x: number, y: number, radius: number): Outline =>
  hole(rect(x - radius, y - radius, 2 * radius, 2 * radius));

/** The same outline in as many directions round the middle. @param turns in degrees, multiples of 45 */
function around(outline: Outline, turns: readonly number[]): Outline {
  return turns.flatMap((degrees) => {
    const [sine, cosine] = [exact(Math.sin((degrees * Math.PI) / 180)), exact(Math.cos((degrees * Math.PI) / 180))];
    const turned: number[] = [];
    let index = 0;
    while (index < outline.length) {
      const step = outline[index] ?? 0;
      const count = { [STEP.move]: 2, [STEP.line]: 2, [STEP.quadratic]: 4, [STEP.cubic]: 6 }[step] ?? 0;
      turned.push(step);
      for (let at = index + 1; at <= index + count; at += 2) {
        const [x, y] = [(outline[at] ?? 0) - GRID / 2, (outline[at + 1] ?? 0) - GRID / 2];
        turned.push(GRID / 2 + x * cosine - y * sine, GRID / 2 + x * sine + y * cosine);
      }
      index += count + 1;
    }
    return turned;
  });
}
/** Rounded, because platforms differ in the last bits of a sine. */
const exact = (share: number): number => Math.round(share * 1e6) / 1e6;
const EIGHT_WAYS = [0, 45, 90, 135, 180, 225, 270, 315] as const;

const WHOLE = rect(0, 0, GRID, GRID);

const DRAWN: Readonly<Record<Sticker, Outline>> = {
  burst: burst(WHOLE, 14, 0.8),
  star: burst(WHOLE, 5, 0.42),
  spark: curved(
    50,
    0,
    [54, 34, 66, 46, 100, 50],
    [66, 54, 54, 66, 50, 100],
    [46, 66, 34, 54, 0, 50],
    [34, 46, 46, 34, 50, 0],
  ),
  heart: curved(
    50,
    94,
    [18, 68, 0, 52, 0, 32],
    [0, 14, 13, 4, 26, 4],
    [37, 4, 46, 10, 50, 20],
    [54, 10, 63, 4, 74, 4],
    [87, 4, 100, 14, 100, 32],
    [100, 52, 82, 68, 50, 94],
  ),
  tick: polygon(0, 56, 16, 40, 38, 62, 84, 12, 100, 28, 38, 94),
  cross: polygon(14, 0, 50, 36, 86, 0, 100, 14, 64, 50, 100, 86, 86, 100, 50, 64, 14, 100, 0, 86, 36, 50, 0, 14),
  percent: [
    ...round(22, 22, 22),
    ...free(22, 22, 9),
    ...round(78, 78, 22),
    ...free(78, 78, 9),
    ...polygon(80, 4, 94, 4, 20, 96, 6, 96),
  ],
  arrow: polygon(0, 34, 55, 34, 55, 8, 100, 50, 55, 92, 55, 66, 0, 66, 12, 50),
  turn: [
    ...[STEP.move, 0, 92, STEP.cubic, 0, 46, 24, 24, 60, 24, STEP.line, 60, 4, STEP.line, 100, 38],
    ...[STEP.line, 60, 72, STEP.line, 60, 50, STEP.cubic, 36, 50, 20, 62, 16, 92, STEP.close],
  ],
  swash: curved(
    0,
    70,
    [28, 40, 70, 28, 100, 30],
    [74, 38, 46, 48, 34, 58],
    [54, 52, 72, 52, 88, 58],
    [58, 60, 24, 66, 0, 70],
  ),
  ring: [...round(50, 50, 50), ...free(50, 50, 36)],
  bubble: [...roundedRect(rect(0, 6, 100, 66), 18), ...polygon(20, 68, 46, 68, 18, 98)],
  pin: [
    ...curved(
      50,
      100,
      [38, 78, 16, 62, 16, 35],
      [16, 15, 31, 0, 50, 0],
      [69, 0, 84, 15, 84, 35],
      [84, 62, 62, 78, 50, 100],
    ),
    ...free(50, 35, 13),
  ],
  bell: [
    ...[STEP.move, 10, 78, STEP.cubic, 24, 66, 22, 56, 22, 42, STEP.cubic, 22, 22, 34, 10, 50, 10],
    ...[STEP.cubic, 66, 10, 78, 22, 78, 42, STEP.cubic, 78, 56, 76, 66, 90, 78, STEP.close],
    ...round(50, 88, 11),
    ...round(50, 8, 8),
  ],
  gift: [
    ...rectangle(rect(4, 26, 40, 20)),
    ...rectangle(rect(56, 26, 40, 20)),
    ...rectangle(rect(10, 52, 34, 46)),
    ...rectangle(rect(56, 52, 34, 46)),
    ...curved(48, 22, [24, 24, 14, 14, 22, 6], [30, -2, 44, 6, 48, 22]),
    ...curved(52, 22, [56, 6, 70, -2, 78, 6], [86, 14, 76, 24, 52, 22]),
  ],
  crown: [...polygon(6, 72, 0, 20, 28, 42, 50, 6, 72, 42, 100, 20, 94, 72), ...rectangle(rect(6, 78, 88, 14))],
  flame: [
    ...curved(
      50,
      0,
      [54, 22, 84, 36, 84, 66],
      [84, 86, 68, 100, 50, 100],
      [32, 100, 16, 86, 16, 66],
      [16, 52, 24, 44, 30, 34],
      [32, 44, 36, 48, 42, 48],
      [36, 30, 40, 12, 50, 0],
    ),
    // A smaller flame is left free in it: it runs the other way round.
    ...curved(
      50,
      56,
      [46, 68, 34, 74, 34, 84],
      [34, 91, 41, 95, 50, 95],
      [59, 95, 66, 91, 66, 84],
      [66, 74, 54, 68, 50, 56],
    ),
  ],
  bolt: polygon(58, 0, 14, 56, 44, 56, 36, 100, 86, 38, 54, 38),
  drop: [
    ...curved(
      50,
      0,
      [60, 24, 86, 42, 86, 66],
      [86, 86, 70, 100, 50, 100],
      [30, 100, 14, 86, 14, 66],
      [14, 42, 40, 24, 50, 0],
    ),
    ...free(36, 68, 10),
  ],
  leaf: [...curved(2, 98, [-6, 40, 30, 0, 98, 2], [100, 70, 60, 106, 14, 90])],
  flower: [...around(ellipse(rect(36, 0, 28, 40)), EIGHT_WAYS), ...round(50, 50, 7)],
  sun: [...round(50, 50, 24), ...around(polygon(45, 0, 55, 0, 53, 18, 47, 18), EIGHT_WAYS)],
  moon: curved(
    62,
    2,
    [30, 12, 22, 46, 40, 68],
    [54, 86, 78, 86, 94, 74],
    [82, 96, 56, 104, 34, 94],
    [6, 82, -4, 50, 10, 24],
    [22, 6, 42, -2, 62, 2],
  ),
  cloud: [...roundedRect(rect(0, 46, 100, 42), 21), ...round(38, 46, 24), ...round(66, 52, 18)],
};

/** A sticker in a place, which it fills. */
export function stickerOutline(sticker: Sticker, { x, y, width, height }: Rect): Outline {
  const placed: number[] = [];
  appendPlaced(placed, DRAWN[sticker], width / GRID, height / GRID, x, y);
  return placed;
}

/** A round with `points` points, whose dents reach in to `depth` of its radius. */
export function burst({ x, y, width, height }: Rect, points: number, depth: number): Outline {
  const corners = Array.from({ length: points * 2 }, (_, index) => {
    const angle = (Math.PI * index) / points - Math.PI / 2;
    const reach = index % 2 === 0 ? 0.5 : 0.5 * depth;
    return [x + width * exact(0.5 + reach * Math.cos(angle)), y + height * exact(0.5 + reach * Math.sin(angle))];
  });
  return corners.flatMap(([cx = 0, cy = 0], index) => [index === 0 ? STEP.move : STEP.line, cx, cy]).concat(STEP.close);
}
