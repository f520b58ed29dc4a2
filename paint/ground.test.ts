import { type DisplayNode } from "../core/scene/displayList";
import { rect } from "../core/geometry/rect";
import { polygon } from "../core/type/outline";
import { beginsWith, groundLength } from "./ground";

const fill = (ink: string): DisplayNode => ({ kind: "fill", place: rect(0, 0, 100, 100), ink });
const shape = (ink: string): DisplayNode => ({
  kind: "shape",
  outline: polygon(0, 0, 10, 0, 10, 10),
  at: { x: 5, y: 5 },
  ink,
});
const still = (ink: string): DisplayNode => ({ kind: "still", bounds: rect(0, 0, 50, 50), children: [shape(ink)] });
const clip = (frame: number): DisplayNode => ({
  kind: "clip",
  media: "film",
  use: "hook",
  frame,
  width: 640,
  height: 360,
  part: rect(0, 0, 640, 360),
  place: rect(0, 0, 100, 100),
});

test("what two frames begin with is kept, as far as the last that is more than a still", () => {
  const before = [fill("#112233"), still("#ffffff"), fill("#445566"), still("#000000"), still("#222222")];
  const now = [fill("#112233"), still("#ffffff"), fill("#445566"), still("#000000"), still("#333333")];
  expect(groundLength(before, now)).toBe(3);
  expect(groundLength(before, before)).toBe(3);
});

test("stills alone are not worth it, and what differs at the front leaves nothing", () => {
  expect(groundLength([still("#ffffff"), fill("#112233")], [still("#ffffff"), fill("#112234")])).toBe(0);
  expect(groundLength([fill("#112233"), fill("#445566")], [fill("#112234"), fill("#445566")])).toBe(0);
  expect(groundLength([], [fill("#112233")])).toBe(0);
});

test("a clip ends it, wherever it is and even at the same frame: it may have come since", () => {
  const inLayer: DisplayNode = { kind: "layer", alpha: 0.5, children: [clip(4)] };
  expect(groundLength([fill("#112233"), clip(4), fill("#445566")], [fill("#112233"), clip(4), fill("#445566")])).toBe(
    1,
  );
  expect(groundLength([inLayer, fill("#445566")], [inLayer, fill("#445566")])).toBe(0);
});

test("a frame begins with a ground only where all of it is there", () => {
  const ground = [fill("#112233"), fill("#445566")];
  expect(beginsWith([...ground, still("#ffffff")], ground)).toBe(true);
  expect(beginsWith([fill("#112233")], ground)).toBe(false);
  expect(beginsWith([fill("#112233"), shape("#445566")], ground)).toBe(false);
});
