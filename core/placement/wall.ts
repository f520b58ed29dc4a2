import { type Rect, type Size, rect } from "../geometry/rect";

/** Where pictures of several shapes hang side by side. Lengths in any one unit. */
export interface WallSpace extends Size {
  /** Between two pictures. */
  readonly gap: number;
  /** Kept free above each picture, for what it is called. */
  readonly label: number;
}

/**
 * Hangs pictures so that they are seen as large as they can be together, none of them small: in columns that end level,
 * or in rows that do, whichever gives the greater product of their areas. The tallest come first, from the left. Gives each
 * picture's place, in the order of the shapes, with the whole in the middle of the space.
 *
 * @param shapes at most twelve: every way to group them is tried
 */
export function hang(shapes: readonly Size[], space: WallSpace): Rect[] {
  const order = shapes.map((_, index) => index).sort((one, other) => ratioOf(shapes[one]) - ratioOf(shapes[other]));
  const ratios = order.map((index) => ratioOf(shapes[index]));
  let best: { readonly score: number; readonly places: readonly Rect[] } | null = null;
  for (const groups of groupings(ratios))
    for (const hung of [inColumns(groups, space), inRows(groups, space)]) {
      if (!hung || hung.some(({ width, height }) => width <= 0 || height <= 0)) continue;
      const score = hung.reduce((sum, { width, height }) => sum + Math.log(width * height), 0);
      if (!best || score > best.score + 1e-9) best = { score, places: hung };
    }
  const places = middled(best?.places ?? ratios.map(() => rect(0, 0, 0, 0)), space);
  return shapes.map((_, index) => places[order.indexOf(index)] ?? rect(0, 0, 0, 0));
}

const ratioOf = (shape: Size | undefined): number => (shape ? shape.width / shape.height : 1);

/** Every way to cut a list into groups that keeps its order. */
function groupings(list: readonly number[]): (readonly number[])[][] {
  const [first, ...rest] = list;
  if (first === undefined) return [[]];
  if (rest.length === 0) return [[[first]]];
  return groupings(rest).flatMap(([next = [], ...others]) => [
    [[first], next, ...others],
    [[first, ...next], ...others],
  ]);
}

const sum = (numbers: readonly number[]): number => numbers.reduce((total, number) => total + number, 0);

/** Columns of one height: the greatest at which all fit into the width. Null where there is no room for them. */
function inColumns(groups: readonly (readonly number[])[], { width, height, gap, label }: WallSpace): Rect[] | null {
  // A column of width w is as high as w times `slope`, and what stands between its pictures.
  const columns = groups.map((ratios) => ({
    ratios,
    slope: sum(ratios.map((ratio) => 1 / ratio)),
    fixed: ratios.length * label + (ratios.length - 1) * gap,
  }));
  const free = width - (groups.length - 1) * gap;
  const fitting =
    (free + sum(columns.map(({ fixed, slope }) => fixed / slope))) / sum(columns.map(({ slope }) => 1 / slope));
  const level = Math.min(height, fitting);
  let x = 0;
  return columns.flatMap(({ ratios, slope, fixed }) => {
    const wide = (level - fixed) / slope;
    let y = 0;
    const places = ratios.map((ratio) => {
      const place = rect(x, y + label, wide, wide / ratio);
      y += label + wide / ratio + gap;
      return place;
    });
    x += wide + gap;
    return places;
  });
}

/** Rows of one width: the greatest at which all fit into the height. */
function inRows(groups: readonly (readonly number[])[], { width, height, gap, label }: WallSpace): Rect[] | null {
  // A row of width w is as high as (w − what stands between) divided by `slope`.
  const rows = groups.map((ratios) => ({ ratios, slope: sum(ratios), fixed: (ratios.length - 1) * gap }));
  const free = height - (groups.length - 1) * gap - groups.length * label;
  const fitting = (free + sum(rows.map(({ fixed, slope }) => fixed / slope))) / sum(rows.map(({ slope }) => 1 / slope));
  const level = Math.min(width, fitting);
  let y = 0;
  return rows.flatMap(({ ratios, slope, fixed }) => {
    const high = (level - fixed) / slope;
    let x = 0;
    const places = ratios.map((ratio) => {
      const place = rect(x, y + label, high * ratio, high);
      x += high * ratio + gap;
      return place;
    });
    y += label + high + gap;
    return places;
  });
}

function middled(places: readonly Rect[], { width, height, label }: WallSpace): Rect[] {
  const farthest = Math.max(0, ...places.map((place) => place.x + place.width));
  const lowest = Math.max(0, ...places.map((place) => place.y + place.height));
  const [dx, dy] = [(width - farthest) / 2, Math.max(0, (height - lowest) / 2)];
  return places.map((place) => ({ ...place, x: place.x + dx, y: Math.max(label, place.y + dy) }));
}
