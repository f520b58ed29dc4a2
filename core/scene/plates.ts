import { type Plate } from "../document/plates";
import { type Rect, rect } from "../geometry/rect";
import { type Outline, cutCard, hole, polygon, roundedRect } from "../type/outline";
import { burst } from "./stickers";

const BADGE_POINTS = 16;
const BADGE_DEPTH = 0.9;

/** A plate, and the place that it takes, round words with their padding. */
interface DrawnPlate {
  readonly place: Rect;
  readonly outline: Outline;
}

/**
 * A plate round words.
 * @param inner the words' place with padding on every side
 * @param pad the padding, which what goes beyond it is measured by
 */
export function plateRound(plate: Plate, inner: Rect, pad: number): DrawnPlate {
  const { x, y, width, height } = inner;
  switch (plate) {
    case "card":
      return { place: inner, outline: cutCard(inner, pad) };
    case "round":
      return { place: inner, outline: roundedRect(inner, height / 2) };
    case "badge": {
      // A round that holds the corners of its words between its dents.
      const side = Math.hypot(width, height) / BADGE_DEPTH;
      const place = rect(x + width / 2 - side / 2, y + height / 2 - side / 2, side, side);
      return { place, outline: burst(place, BADGE_POINTS, BADGE_DEPTH) };
    }
    case "ribbon": {
      const end = height * 0.45;
      const place = rect(x - end, y, width + 2 * end, height);
      const [right, foot, middle] = [place.x + place.width, y + height, y + height / 2];
      return {
        place,
        outline: polygon(
          ...[place.x, y, right, y, right - end * 0.6, middle, right, foot],
          ...[place.x, foot, place.x + end * 0.6, middle],
        ),
      };
    }
    case "price tag": {
      const [tip, eye] = [height * 0.5, height * 0.09];
      const place = rect(x - tip, y, width + tip, height);
      const [right, foot, middle] = [x + width, y + height, y + height / 2];
      return {
        place,
        outline: [
          ...polygon(place.x, middle, x, y, right, y, right, foot, x, foot),
          ...hole(rect(x - eye, middle - eye, 2 * eye, 2 * eye)),
        ],
      };
    }
  }
}
