import { type Rgb, toLinear } from "../color/srgb";
import { type Size } from "../geometry/rect";

/** How much flashes in a part of the frame, at its worst. */
export interface Flashing {
  readonly kind: "general" | "red";
  /** Pairs of opposing changes within one second. */
  readonly perSecond: number;
  /** When that second ends, in seconds. */
  readonly at: number;
}

/** Watches frames that come one after another, each as RGBA of the size that it was opened for. */
export interface FlashWatch {
  add(rgba: ArrayLike<number>, seconds: number): void;
  /** The worst that was seen; null where no more flashed than is allowed. */
  worst(): Flashing | null;
}

/**
 * General and red flash thresholds of WCAG 2.2 (success criterion 2.3.1 and its definitions): opposing changes in relative
 * luminance by a tenth or more where the darker is below 0.8; changes to or from a saturated red by more than 0.2 in the
 * CIE 1976 UCS diagram; more than three pairs in any second, over more than a quarter of a field of view of 10 degrees, for
 * which 341 × 256 of 1024 × 768 pixels stand there: a third of the frame each way.
 */
const LEAST_CHANGE = 0.1;
const DARKER_BELOW = 0.8;
const SATURATED_RED = 0.8;
const LEAST_RED_CHANGE = 0.2;
const ALLOWED_PER_SECOND = 3;
const FIELD_PARTS = 3;
const MOST_OF_FIELD = 0.25;

/** What is exactly a second ago is not within it, however the times of frames are rounded. */
const ROUNDING = 1e-6;

export function watchFlashes(size: Size): FlashWatch {
  const cells = size.width * size.height;
  const kinds = [
    { kind: "general", changes: changesOf(cells), isChange: luminanceChanges(cells) },
    { kind: "red", changes: changesOf(cells), isChange: redChanges(cells) },
  ] as const;
  /** What each cell showed last: -1 at first. */
  const shown = new Int32Array(cells).fill(-1);
  let worst: Flashing | null = null;
  return {
    add(rgba, seconds) {
      const changed = new Set<unknown>();
      for (let cell = 0; cell < cells; cell++) {
        const color = packed(rgba, cell * 4);
        // What is as it was neither changes nor turns back.
        if (color === shown[cell]) continue;
        shown[cell] = color;
        const light = lightOf(rgba, cell * 4);
        for (const { changes, isChange } of kinds)
          if (isChange(cell, light)) {
            changes.add(cell, seconds);
            changed.add(changes);
          }
      }
      // Where nothing changed, no second ends that has more changes than one before.
      for (const { kind, changes } of kinds.filter((one) => changed.has(one.changes))) {
        const perSecond = Math.floor(mostOverField(changes.since(seconds - 1 + ROUNDING), size) / 2);
        if (perSecond > ALLOWED_PER_SECOND && perSecond > (worst?.perSecond ?? 0))
          worst = { kind, perSecond, at: seconds };
      }
    },
    worst: () => worst,
  };
}

/** Tells of each cell's next light whether it is a change that counts. */
type IsChange = (cell: number, light: Rgb) => boolean;

/** What goes on in one direction is one change, however slow: it counts when it turns back by enough. */
function luminanceChanges(cells: number): IsChange {
  const extreme = new Float32Array(cells).fill(Number.NaN);
  const direction = new Int8Array(cells);
  return (cell, { r, g, b }) => {
    const now = 0.2126 * r + 0.7152 * g + 0.0722 * b;
    const before = extreme[cell] ?? now;
    const by = now - before;
    const goesOn = by * (direction[cell] ?? 0) > 0;
    if (Number.isNaN(before) || goesOn) extreme[cell] = now;
    if (goesOn || !(Math.abs(by) >= LEAST_CHANGE)) return false;
    extreme[cell] = now;
    direction[cell] = Math.sign(by);
    return Math.min(before, now) < DARKER_BELOW;
  };
}

function redChanges(cells: number): IsChange {
  const u = new Float32Array(cells).fill(Number.NaN);
  const v = new Float32Array(cells);
  const wasRed = new Uint8Array(cells);
  return (cell, light) => {
    const now = chromaticity(light);
    const isRed = light.r >= SATURATED_RED * (light.r + light.g + light.b) && light.r > 0;
    const isFirst = Number.isNaN(u[cell]);
    const isFar = Math.hypot(now.u - (u[cell] ?? 0), now.v - (v[cell] ?? 0)) > LEAST_RED_CHANGE;
    if (!isFirst && !isFar) return false;
    const isChange = !isFirst && (isRed || wasRed[cell] === 1);
    u[cell] = now.u;
    v[cell] = now.v;
    wasRed[cell] = isRed ? 1 : 0;
    return isChange;
  };
}

/** CIE 1976 u′v′ of linear sRGB (IEC 61966-2-1 to XYZ); black has the white point's (D65). */
function chromaticity({ r, g, b }: Rgb): { readonly u: number; readonly v: number } {
  const x = 0.4124 * r + 0.3576 * g + 0.1805 * b;
  const y = 0.2126 * r + 0.7152 * g + 0.0722 * b;
  const z = 0.0193 * r + 0.1192 * g + 0.9505 * b;
  const sum = x + 15 * y + 3 * z;
  return sum === 0 ? { u: 0.1978, v: 0.4683 } : { u: (4 * x) / sum, v: (9 * y) / sum };
}

/** A colour as one number, without its opacity. */
const packed = (rgba: ArrayLike<number>, at: number): number =>
  ((rgba[at] ?? 0) << 16) | ((rgba[at + 1] ?? 0) << 8) | (rgba[at + 2] ?? 0);

const LINEAR = Float32Array.from({ length: 256 }, (_, byte) => toLinear(byte / 255));
const lightOf = (rgba: ArrayLike<number>, at: number): Rgb => ({
  r: LINEAR[rgba[at] ?? 0] ?? 0,
  g: LINEAR[rgba[at + 1] ?? 0] ?? 0,
  b: LINEAR[rgba[at + 2] ?? 0] ?? 0,
});

/** How often each cell changed within the last second. */
interface Changes {
  add(cell: number, seconds: number): void;
  /** How many changes each cell had after a time, which never goes back. Valid until the next call. */
  since(seconds: number): Uint8Array;
}

function changesOf(cells: number): Changes {
  const counts = new Uint8Array(cells);
  /** What was added at one time goes at one time. */
  const moments: { readonly seconds: number; readonly cells: number[] }[] = [];
  return {
    add(cell, seconds) {
      const last = moments.at(-1);
      if (last?.seconds === seconds) last.cells.push(cell);
      else moments.push({ seconds, cells: [cell] });
      counts[cell] = (counts[cell] ?? 0) + 1;
    },
    since(seconds) {
      while (moments[0] && moments[0].seconds <= seconds)
        for (const cell of moments.shift()?.cells ?? []) counts[cell] = (counts[cell] ?? 1) - 1;
      return counts;
    },
  };
}

/** The most changes that more than a quarter of some field of view has in common. */
function mostOverField(counts: Uint8Array, { width, height }: Size): number {
  const part = (side: number): number => Math.max(1, Math.round(side / FIELD_PARTS));
  const [across, down] = [part(width), part(height)];
  if (counts.every((count) => count <= 2 * ALLOWED_PER_SECOND)) return 0;
  let most = 0;
  for (let top = 0; top + down <= height; top++)
    for (let left = 0; left + across <= width; left++) {
      const field: number[] = [];
      for (let y = top; y < top + down; y++)
        for (let x = left; x < left + across; x++) field.push(counts[y * width + x] ?? 0);
      field.sort((one, other) => other - one);
      most = Math.max(most, field[Math.floor(field.length * MOST_OF_FIELD)] ?? 0);
    }
  return most;
}
