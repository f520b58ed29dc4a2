import { millis } from "../units";
import { gainAt, gainPointsOf, pulledPoint } from "./gainPoints";

const point = (at: number, gain: number) => ({ at: millis(at), gain });
const POINTS = [point(1000, 0), point(2000, -12), point(4000, -6)];

test("points are kept in order, of two at one time the later one, and none as nothing", () => {
  expect(gainPointsOf([point(2000, -12), point(1000, 0), point(1000, 3)])).toEqual([point(1000, 3), point(2000, -12)]);
  expect(gainPointsOf([])).toBeNull();
});

test("a point that is pulled stays between those beside it, in the piece, and within what a level can be", () => {
  expect(pulledPoint(POINTS, 1, { at: 2500.4, gain: -9.3 }, 5000)).toEqual(point(2500, -9.5));
  expect(pulledPoint(POINTS, 1, { at: 300, gain: 0 }, 5000).at).toBe(1001);
  expect(pulledPoint(POINTS, 1, { at: 9000, gain: 0 }, 5000).at).toBe(3999);
  expect(pulledPoint(POINTS, 0, { at: -50, gain: 90 }, 5000)).toEqual(point(0, 20));
  expect(pulledPoint(POINTS, 2, { at: 9000, gain: -99 }, 4600.4)).toEqual(point(4600, -60));
});

test("between two points the level is straight, before and after them it stays", () => {
  expect([500, 1000, 1500, 3000, 9000].map((time) => gainAt(POINTS, time))).toEqual([0, 0, -6, -9, -6]);
  expect(gainAt([], 700)).toBe(0);
});
