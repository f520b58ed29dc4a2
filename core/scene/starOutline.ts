import { type Outline, polygon } from "../type/outline";

export const MOST_STARS = 5;
/** The inner radius of a regular five-pointed star against its outer one. */
const INNER = 0.382;

/** A five-pointed star in a square whose top left is at x, y. */
export function starOutline(x: number, y: number, side: number): Outline {
  const points = Array.from({ length: 10 }, (_, index) => {
    const angle = -Math.PI / 2 + (index * Math.PI) / 5;
    const radius = (side / 2) * (index % 2 === 0 ? 1 : INNER * 1.18);
    return [x + side / 2 + radius * Math.cos(angle), y + side * 0.53 + radius * Math.sin(angle)];
  });
  return polygon(...points.flat());
}

/** How many stars a text says, 0 to 5. */
export function starCount(text: string): number {
  const number = Number.parseInt(text, 10);
  return Number.isFinite(number) ? Math.min(MOST_STARS, Math.max(0, number)) : 0;
}
