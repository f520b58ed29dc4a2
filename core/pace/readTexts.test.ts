import { type ReadText, readingLoad } from "./readTexts";

const text = (from: number, to: number, need: number): ReadText => ({ key: "a.b", text: "words", from, to, need });
const loads = (texts: readonly ReadText[], length: number): number[] =>
  readingLoad(texts, length, 1000).map(({ load }) => load);

test("a text loads the time in which it can be read by what it needs of it", () => {
  expect(loads([text(0, 4000, 1000)], 5000)).toEqual([0.25, 0.25, 0.25, 0.25, 0, 0]);
  expect(loads([], 2000)).toEqual([0, 0, 0]);
});

test("two texts at once add up: each can be read alone, and not both", () => {
  expect(loads([text(0, 2000, 1200), text(1000, 3000, 1500)], 3000)).toEqual([0.6, 1.35, 0.75, 0]);
});

test("what can't be read by itself is told from texts that only compete with each other", () => {
  const alone = (texts: readonly ReadText[]): number[] => readingLoad(texts, 2000, 1000).map((moment) => moment.alone);
  expect(alone([text(0, 2000, 1200), text(1000, 3000, 1500)])).toEqual([0.6, 0.75, 0.75]);
  expect(alone([text(0, 2000, 3000), text(0, 2000, 500)])).toEqual([1.5, 1.5, 0]);
});
