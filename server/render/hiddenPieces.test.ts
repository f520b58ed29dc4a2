import { type Rect, rect } from "../../core/geometry/rect";
import { withoutHidden } from "./hiddenPieces";
import { type FilledPiece, type FramePiece, OPAQUE_BLACK } from "./planar/framePieces";

const filled = (place: Rect, color = OPAQUE_BLACK): FilledPiece => ({ kind: "filled", place, color });
const laid = (x: number, y: number, isOpaque = false): FramePiece => ({
  ...{ kind: "laid", pixels: { bytes: new Uint8Array(400), width: 10, height: 10 }, part: rect(0, 0, 10, 10) },
  ...{ x, y, isOpaque },
});
const GROUND = filled(rect(0, 0, 100, 200));
const SEEN_THROUGH = 0x80000000;

test("what lies below others with all of itself is left out, whatever it is", () => {
  const cover = filled(rect(10, 10, 50, 50));
  const layer: FramePiece = { kind: "layer", alpha: 9, cut: rect(20, 20, 9, 9), pieces: [laid(0, 0)] };
  expect(withoutHidden([laid(10, 10), layer, laid(50, 50, true), filled(rect(11, 11, 5, 5)), cover])).toEqual([cover]);
  // Above it, beside it, a little over its edge, or anywhere: seen.
  const anywhere: FramePiece = { kind: "layer", alpha: 9, pieces: [] };
  const others = [laid(9, 10), anywhere, cover, laid(20, 20)];
  expect(withoutHidden(others)).toEqual(others);
});

test("of a place in a colour what is seen is left, where that is a rectangle", () => {
  const left = (...covers: Rect[]) => {
    const [first] = withoutHidden([GROUND, ...covers.map((place) => filled(place, OPAQUE_BLACK + 1))]);
    return first?.kind === "filled" && first.color === OPAQUE_BLACK ? first.place : null;
  };
  expect(left(rect(0, 0, 100, 120))).toEqual(rect(0, 120, 100, 80));
  expect(left(rect(-5, 50, 300, 500))).toEqual(rect(0, 0, 100, 50));
  expect(left(rect(40, -1, 60, 300))).toEqual(rect(0, 0, 40, 200));
  expect(left(rect(70, 10, 30, 190), rect(0, 0, 70, 200))).toEqual(rect(70, 0, 30, 10));
  expect(left(rect(0, 0, 100, 120), rect(0, 120, 100, 80))).toBeNull();
  for (const cover of [rect(10, 0, 80, 200), rect(0, 10, 100, 20), rect(0, 0, 50, 50), rect(100, 0, 9, 9)])
    expect(left(cover)).toEqual(GROUND.place);
});

test("what one can see through hides nothing", () => {
  const others = [GROUND, filled(GROUND.place, SEEN_THROUGH), laid(0, 0), laid(0, 0)];
  expect(withoutHidden(others)).toEqual(others);
});
