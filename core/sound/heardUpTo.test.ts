import { heardUpTo } from "./heardUpTo";

/** Each 400 ms, 100 ms after the one before: half a second at −20, then silence, then −40. */
const moments = [-20, -20, -Infinity, -Infinity, -40];

test("a meter shows the moment that ends there, and nothing before one has ended", () => {
  expect(heardUpTo({ moments }, 399)).toEqual({ moment: null, integrated: null });
  expect(heardUpTo({ moments }, 400).moment).toBe(-20);
  expect(heardUpTo({ moments }, 650).moment).toBeNull();
  expect(heardUpTo({ moments }, 850).moment).toBe(-40);
  expect(heardUpTo({ moments }, 5000).moment).toBeNull();
});

test("up to there silence does not count, and what is soft beside the rest no more than BS.1770 lets it", () => {
  expect(heardUpTo({ moments }, 700).integrated).toBeCloseTo(-20, 9);
  // −40 is under the gate, which lies ten under the mean of what is heard.
  expect(heardUpTo({ moments }, 5000).integrated).toBeCloseTo(-20, 9);
});
