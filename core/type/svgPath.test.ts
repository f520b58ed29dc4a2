import { rect } from "../geometry/rect";
import { hole, rectangle } from "./outline";
import { svgPath } from "./svgPath";

test("an outline is written as the path data that SVG reads", () => {
  expect(svgPath(rectangle(rect(1, 2, 30, 40)))).toBe("M1 2L31 2L31 42L1 42Z");
  expect(svgPath([0, 0.123456, 7, 2, 1, 2, 3, 4, 4])).toBe("M0.12 7Q1 2 3 4Z");
  expect(svgPath(hole(rect(0, 0, 10, 10))).match(/C/g)).toHaveLength(4);
  expect(svgPath([])).toBe("");
});
