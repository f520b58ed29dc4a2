import { converter, formatHex } from "culori";

export interface DominantColor {
  readonly hex: string;
  /** The share of the picture, 0 to 1. */
  readonly share: number;
}

const ROUNDS = 12;
const toOklab = converter("oklab");

interface Point {
  readonly l: number;
  readonly a: number;
  readonly b: number;
}
const distance = (one: Point, other: Point): number =>
  (one.l - other.l) ** 2 + (one.a - other.a) ** 2 + (one.b - other.b) ** 2;

/** Colours closer than this in OKLab are told as one. */
const MERGE = 0.06;

/**
 * The colours a picture is made of, largest share first: k-means in OKLab, started from the farthest points so that the
 * same pixels always give the same answer; see-through pixels do not count.
 * @param rgba bytes, four a pixel; a small copy of the picture is enough
 */
export function dominantColors(rgba: Uint8Array | Uint8ClampedArray, most = 6): DominantColor[] {
  const points: Point[] = [];
  for (let at = 0; at + 3 < rgba.length; at += 4)
    if ((rgba[at + 3] ?? 0) > 127)
      points.push(
        toOklab({ mode: "rgb", r: (rgba[at] ?? 0) / 255, g: (rgba[at + 1] ?? 0) / 255, b: (rgba[at + 2] ?? 0) / 255 }),
      );
  if (points.length === 0) return [];
  let centres = farthestPoints(points, most);
  let sizes: number[] = [];
  for (let round = 0; round < ROUNDS; round++) {
    const sums = centres.map(() => ({ l: 0, a: 0, b: 0, count: 0 }));
    for (const point of points) {
      const sum = sums[nearest(point, centres)];
      if (!sum) continue;
      sum.l += point.l;
      sum.a += point.a;
      sum.b += point.b;
      sum.count += 1;
    }
    const kept = sums.filter(({ count }) => count > 0);
    centres = kept.map(({ l, a, b, count }) => ({ l: l / count, a: a / count, b: b / count }));
    sizes = kept.map(({ count }) => count);
  }
  return merged(centres, sizes).map(({ centre, size }) => ({
    hex: formatHex({ mode: "oklab", ...centre }),
    share: size / points.length,
  }));
}

function merged(centres: readonly Point[], sizes: readonly number[]): { centre: Point; size: number }[] {
  const ordered = centres.map((centre, index) => ({ centre, size: sizes[index] ?? 0 })).sort((a, b) => b.size - a.size);
  const kept: { centre: Point; size: number }[] = [];
  for (const one of ordered) {
    const alike = kept.find(({ centre }) => distance(centre, one.centre) < MERGE ** 2);
    if (alike) alike.size += one.size;
    else kept.push({ ...one });
  }
  return kept.sort((a, b) => b.size - a.size);
}

function farthestPoints(points: readonly Point[], most: number): Point[] {
  const mean = { l: 0, a: 0, b: 0 };
  for (const { l, a, b } of points) {
    mean.l += l / points.length;
    mean.a += a / points.length;
    mean.b += b / points.length;
  }
  const first = points[nearest(mean, points)];
  if (!first) return [];
  const chosen = [first];
  const reach = points.map((point) => distance(point, first));
  while (chosen.length < most) {
    const far = reach.reduce((best, value, index) => (value > (reach[best] ?? 0) ? index : best), 0);
    const next = points[far];
    if (!next || (reach[far] ?? 0) === 0) break;
    chosen.push(next);
    points.forEach((point, index) => {
      reach[index] = Math.min(reach[index] ?? 0, distance(point, next));
    });
  }
  return chosen;
}

function nearest(point: Point, centres: readonly Point[]): number {
  let best = 0;
  let least = Infinity;
  centres.forEach((centre, index) => {
    const gap = distance(point, centre);
    if (gap < least) [best, least] = [index, gap];
  });
  return best;
}
