import { TONE_GRID, type Tones, cellColor } from "../picture/tones";
import { type Grade, GRADE_VALUES, gradeChange } from "./grade";
import { type Channels } from "./lookupTable";

/** What is looked at of a picture's colours: how light and how different in light, how strong, and where they lean. */
interface Leaning {
  readonly light: number;
  readonly spread: number;
  readonly strength: number;
  readonly warm: number;
  readonly magenta: number;
}
const MEASURES = ["light", "spread", "strength", "warm", "magenta"] as const satisfies readonly (keyof Leaning)[];

/** What may be changed, in the order in which it is tried, and by how much at first. */
const TRIED = [
  ["exposure", 0.5],
  ["warmth", 0.4],
  ["tint", 0.4],
  ["contrast", 0.25],
  ["saturation", 0.25],
] as const satisfies readonly (readonly [keyof Grade, number])[];
const ROUNDS = 60;
const SMALLEST = 0.01;

/** The mean colours of a picture's cells; of a clip, of all its measured moments. */
export const coloursOf = (tones: readonly Tones[]): Channels[] =>
  tones.flatMap((one) =>
    Array.from({ length: TONE_GRID * TONE_GRID }, (_, cell): Channels => {
      const { r, g, b } = cellColor(one, cell % TONE_GRID, Math.floor(cell / TONE_GRID));
      return [r, g, b];
    }),
  );

function leaningOf(colors: readonly Channels[]): Leaning {
  const clamped = (channel: number): number => Math.min(1, Math.max(0, channel));
  const shown = colors.map(([r, g, b]) => [clamped(r), clamped(g), clamped(b)] as const);
  const mean = (of: (color: Channels) => number): number =>
    shown.reduce((sum, color) => sum + of(color), 0) / Math.max(1, shown.length);
  const luma = ([r, g, b]: Channels): number => 0.299 * r + 0.587 * g + 0.114 * b;
  const light = mean(luma);
  return {
    light,
    spread: Math.sqrt(mean((color) => (luma(color) - light) ** 2)),
    strength: mean((color) => Math.max(...color) - Math.min(...color)),
    warm: mean(([r, , b]) => r - b),
    magenta: mean(([r, g, b]) => (r + b) / 2 - g),
  };
}

/**
 * The grade that brings a picture's colours nearest to another's: as light, as different in light, as strong, leaning the
 * same way. Found by trying: each value a step up and down, smaller steps once none helps.
 *
 * @param from colours of the one that is changed @param to colours of the one that it shall be like
 */
export function matchedGrade(from: readonly Channels[], to: readonly Channels[]): Grade {
  const wanted = leaningOf(to);
  const apart = (grade: Grade): number => {
    const found = leaningOf(from.map(gradeChange(grade)));
    return MEASURES.reduce((sum, name) => sum + (found[name] - wanted[name]) ** 2, 0);
  };
  let best: Grade = {};
  let least = apart(best);
  let scale = 1;
  for (let round = 0; round < ROUNDS && scale > SMALLEST; round++) {
    let isBetter = false;
    for (const [name, step] of TRIED)
      for (const sign of [1, -1]) {
        const { least: low, most } = GRADE_VALUES[name];
        const value = Math.min(most, Math.max(low, (best[name] ?? 0) + sign * step * scale));
        const tried = { ...best, [name]: value };
        const distance = apart(tried);
        if (distance >= least) continue;
        [best, least, isBetter] = [tried, distance, true];
      }
    if (!isBetter) scale /= 2;
  }
  return Object.fromEntries(
    TRIED.flatMap(([name]) => {
      const value = Math.round((best[name] ?? 0) * 100) / 100;
      return value === 0 ? [] : [[name, value]];
    }),
  );
}
