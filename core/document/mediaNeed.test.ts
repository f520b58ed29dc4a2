import { testClip, testPicture } from "../testing/promotions";
import { type MediaNeed, anyOf, missesOf } from "./mediaNeed";

const NEED: MediaNeed = { accepts: ["picture", "clip"], shape: "tall", leastPixels: 1080, leastSeconds: 3 };
const tall = { width: 1080, height: 1920 };

test("what fits misses nothing; each side of a need is missed by itself, and all together", () => {
  expect(missesOf(testPicture(tall), "clear", NEED)).toEqual([]);
  expect(missesOf(testPicture(tall), "ended", NEED)).toEqual(["rights"]);
  expect(missesOf(testPicture({ width: 1079, height: 1920 }), "clear", NEED)).toEqual(["pixels"]);
  expect(missesOf(testPicture({ width: 1080, height: 1349 }), "clear", NEED)).toEqual(["shape"]);
  expect(missesOf(testPicture({ width: 1080, height: 1350 }), "clear", NEED)).toEqual([]);
  expect(missesOf(testClip({ ...tall, frames: 89, rate: { numerator: 30, denominator: 1 } }), "clear", NEED)).toEqual([
    "length",
  ]);
  expect(missesOf(testClip({ ...tall, frames: 90, rate: { numerator: 30, denominator: 1 } }), "clear", NEED)).toEqual(
    [],
  );
  const poor = testClip({ width: 640, height: 480, frames: 10, rate: { numerator: 30, denominator: 1 } });
  expect(missesOf(poor, "missing", NEED)).toEqual(["rights", "pixels", "length", "shape"]);
});

test("a picture has no length to miss, and where nothing is asked for only rights can be missed", () => {
  expect(missesOf(testPicture(tall), "clear", { ...NEED, leastSeconds: 60 })).toEqual([]);
  expect(missesOf(testPicture({ width: 20, height: 900 }), "clear", anyOf("picture"))).toEqual([]);
  expect(missesOf(testPicture({ width: 20, height: 900 }), "not-yet", anyOf("picture"))).toEqual(["rights"]);
});
