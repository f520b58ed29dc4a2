import { type InkedEnding } from "../document/endings";
import { type InkedJoin, USUAL_JOIN } from "../document/joins";
import { type Rect, type Size, rect, wholeOf } from "../geometry/rect";
import { glide } from "../motion/easing";
import { type DisplayList, type DisplayNode } from "./displayList";
import { joinAt } from "./joinAt";

/** So much of its time it takes to close; for the rest it is closed. */
const CLOSES_IN = 0.9;

/** What is on screen while a promotion is closed. @param passed of its time, 0 to 1 */
export function endingAt(
  size: Size,
  { kind, color, form }: InkedEnding,
  list: DisplayList,
  passed: number,
): DisplayList {
  const time = Math.min(1, passed / CLOSES_IN);
  const whole = wholeOf(size);
  const page: DisplayList = [{ kind: "fill", place: whole, ink: color }];
  const join = (kind: InkedJoin["kind"], change: Partial<InkedJoin> = {}): InkedJoin => ({
    ...USUAL_JOIN,
    kind,
    form,
    ...change,
    color,
  });
  switch (kind) {
    case "fades":
      return joinAt(whole, join("crossfade"), { list, coming: page, time });
    case "wiped over":
      return joinAt(whole, join("wipe"), { list, coming: page, time });
    case "page slides over":
      return joinAt(whole, join("slide", { angle: 90 }), { list, coming: page, time });
    case "shape closes":
      // As a scene is revealed, backwards: the colour is what it leaves.
      return joinAt(whole, join("reveal"), { list: page, coming: list, time: 1 - time });
    case "shutters close":
      return [...list, ...shutters(whole, glide(time), color)];
  }
}

/** Two halves that meet in the middle. */
function shutters({ width, height }: Rect, progress: number, ink: string): DisplayNode[] {
  const middle = Math.round(height / 2);
  const upper = Math.round(middle * progress);
  const lower = Math.round((height - middle) * progress);
  return [rect(0, 0, width, upper), rect(0, height - lower, width, lower)]
    .filter((place) => place.height > 0)
    .map((place): DisplayNode => ({ kind: "fill", place, ink }));
}
