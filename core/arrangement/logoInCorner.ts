import { type Rect, rect } from "../geometry/rect";
import { type Shape } from "../placement/formats";
import { type LogoPlace } from "./layout";
import { roomIn, steps } from "./shape";

/** The logo on its plate in the first corner of a picture, inside the safe area. */
export function logoInCorner(shape: Shape, picture: Rect): LogoPlace {
  const room = roomIn(shape, picture);
  return {
    box: rect(room.x, room.y, Math.min(room.width, steps(30)), Math.min(room.height, steps(10))),
    on: null,
    align: "start",
  };
}
