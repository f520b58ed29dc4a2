import { type FocalPoint } from "../geometry/framing";
import { standsOut } from "./subject/importance";
import { TONE_GRID, type Tones, cellColor } from "./tones";

/** How much of a picture's subject is in each cell of the tones' grid, row by row. All cells together are 1. */
export type SubjectMap = Float32Array;

/** How far from its focal point a subject reaches, in shares of the picture: the spread of a normal curve. */
const REACH = 0.18;
/** What is near the focal point counts this much, even where its colour does not stand out. */
const NEAR = 0.25;

/**
 * Where in a picture its subject is: what stands out in colour around the focal point. Without tones, what is around it.
 *
 * @param focal of the picture, in shares of it
 */
export function subjectMap(tones: Tones | undefined, focal: FocalPoint): SubjectMap {
  const cells = TONE_GRID * TONE_GRID;
  const rgb = new Uint8Array(cells * 3);
  if (tones)
    for (let cell = 0; cell < cells; cell++) {
      const { r, g, b } = cellColor(tones, cell % TONE_GRID, Math.floor(cell / TONE_GRID));
      rgb.set([r * 255, g * 255, b * 255].map(Math.round), cell * 3);
    }
  const colors = standsOut({ rgb });
  const map = Float32Array.from({ length: cells }, (_, cell) => {
    const { x, y } = cellMiddle(cell);
    const away = ((x - focal.x) ** 2 + (y - focal.y) ** 2) / (2 * REACH ** 2);
    return Math.exp(-away) * (NEAR + (1 - NEAR) * (colors[cell] ?? 0) ** 2);
  });
  const whole = map.reduce((sum, value) => sum + value, 0);
  return map.map((value) => value / whole);
}

/** The middle of a cell, in shares of the picture. */
export const cellMiddle = (cell: number): FocalPoint => ({
  x: ((cell % TONE_GRID) + 0.5) / TONE_GRID,
  y: (Math.floor(cell / TONE_GRID) + 0.5) / TONE_GRID,
});
