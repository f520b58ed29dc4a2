import { type ArrangementOf } from "../document/arrangements";
import { type Rect, type Size, rect, wholeOf } from "../geometry/rect";
import { type Content, type Layout } from "./layout";
import { cutEvenly, roomIn, stanceOf, steps } from "./shape";

/**
 * The canvas that strips of one size make when stacked, and where each strip's middle lies from the canvas's middle.
 * Three strips of 1920 × 816 make 1920 × 2448 with middles at −816, 0 and +816 (common practice).
 */
export function stackOf(strip: Size, count: number, gap = 0): Size & { readonly middles: readonly number[] } {
  const height = strip.height * count + gap * (count - 1);
  return {
    width: strip.width,
    height,
    middles: Array.from({ length: count }, (_, index) => index * (strip.height + gap) + strip.height / 2 - height / 2),
  };
}

/**
 * Cuts a shape into strips of equal shape that fill it exactly. The gap is widened by less than a unit a strip where whole
 * strips would not come out otherwise; a stack without gaps keeps none.
 */
export function stripsIn(shape: Size, count: number, gap: number, beside: boolean): Rect[] {
  const whole = beside ? shape.width : shape.height;
  let even = gap;
  if (gap > 0) for (let more = 0; more < count && (whole - even * (count - 1)) % count !== 0; more++) even = gap + more;
  return cutEvenly(wholeOf(shape), count, even, beside);
}

/** Two to four pictures in strips of equal shape. Words get a strip of their own, the first. */
export function layStack({ way, gap }: ArrangementOf<"stack">, { shape, ground, entries, pictures }: Content): Layout {
  const beside = way === "auto" ? stanceOf(shape) === "lying" : way === "row";
  const hasWords = entries.length > 0;
  const count = Math.max(1, pictures.length) + (hasWords ? 1 : 0);
  const strips = stripsIn(shape, count, gap, beside);
  const [words = wholeOf(shape)] = strips;
  return {
    grounds: [{ place: wholeOf(shape), ink: ground }],
    pictures: strips.slice(hasWords ? 1 : 0).map((place, index) => ({
      index,
      place,
      drift: index % 2 === 0 ? "in" : "out",
      ...(index > 0 ? { arrives: 0.1 * index } : {}),
    })),
    rules: hasWords
      ? [
          {
            place: beside
              ? rect(words.x + words.width - steps(1), 0, steps(1), shape.height)
              : rect(0, words.y + words.height - steps(1), shape.width, steps(1)),
            ink: "accent",
          },
        ]
      : [],
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
