import { type ArrangementOf } from "../document/arrangements";
import { type Rect, rect, wholeOf } from "../geometry/rect";
import { type Content, type Layout } from "./layout";
import { roomIn, stanceOf, steps } from "./shape";

/** How many tiles each row has (each column in a lying shape), by how many tiles there are. */
const ROWS: Readonly<Record<number, readonly number[]>> = {
  1: [1],
  2: [1, 1],
  3: [1, 2],
  4: [2, 2],
  5: [2, 1, 2],
  6: [2, 2, 2],
  7: [1, 2, 2, 2],
};
/** The same where the first tile is for words: it has a row of its own. */
const ROWS_WITH_WORDS: Readonly<Record<number, readonly number[]>> = {
  2: [1, 1],
  3: [1, 1, 1],
  4: [1, 1, 2],
  5: [1, 2, 2],
  6: [1, 2, 1, 2],
  7: [1, 2, 2, 2],
};
/** A row of words against a row of pictures; lying, it is a column and needs more. */
const WORDS_WEIGHT = 0.72;
const WORDS_WEIGHT_LYING = 1.15;

/** Three to six pictures in tiles that fill the frame, arriving one after another. */
export function layMosaic({ gap }: ArrangementOf<"mosaic">, { shape, ground, entries, pictures }: Content): Layout {
  const hasWords = entries.length > 0;
  const lying = stanceOf(shape) === "lying";
  const tiles = mosaicTiles(
    rect(0, 0, shape.width, shape.height),
    pictures.length + (hasWords ? 1 : 0),
    gap,
    lying,
    hasWords ? (lying ? WORDS_WEIGHT_LYING : WORDS_WEIGHT) : null,
    shape.safe.top,
  );
  const [words = wholeOf(shape)] = tiles;
  const shown = hasWords ? tiles.slice(1) : tiles;
  return {
    grounds: [{ place: wholeOf(shape), ink: ground }],
    pictures: shown.map((place, index) => ({
      index,
      place,
      drift: "none",
      arrives: 0.02 + (0.42 * index) / Math.max(1, shown.length),
    })),
    rules: [],
    columns: hasWords
      ? [
          {
            area: roomIn(shape, words, steps(3)),
            entries,
            align: "start",
            anchor: "middle",
            gap: steps(2),
            on: { kind: "ground", role: ground },
          },
        ]
      : [],
    logo: null,
  };
}

/**
 * Tiles that fill an area with gaps between them, in rows, or in columns when `lying`.
 * @param first the weight of the first row, which is for words; null when all tiles are for pictures
 * @param extra height that the first row gets besides, where a format's safe area takes from it
 */
export function mosaicTiles(
  area: Rect,
  count: number,
  gap: number,
  lying: boolean,
  first: number | null,
  extra = 0,
): Rect[] {
  const rows = (first === null ? ROWS : ROWS_WITH_WORDS)[Math.min(7, Math.max(1, count))] ?? [1];
  const weights = rows.map((_, index) => (index === 0 && first !== null ? first : 1));
  const whole = (lying ? area.width : area.height) - gap * (rows.length - 1);
  const added = first !== null && !lying ? Math.min(extra, whole / 4) : 0;
  const sum = weights.reduce((total, weight) => total + weight, 0);
  let start = lying ? area.x : area.y;
  return rows.flatMap((tiles, row) => {
    const length = ((whole - added) * (weights[row] ?? 1)) / sum + (row === 0 ? added : 0);
    const across = lying ? area.height : area.width;
    const side = (across - gap * (tiles - 1)) / tiles;
    const places = Array.from({ length: tiles }, (_, index) => {
      const at = index * (side + gap);
      return lying ? rect(start, area.y + at, length, side) : rect(area.x + at, start, side, length);
    });
    start += length + gap;
    return places;
  });
}
