import { isDatabaseAway, onceAnswered } from "./away";

const away = (): Error => Object.assign(new Error("terminating connection"), { code: "57P01" });
const waiting = new AbortController().signal;

test("a query that finds the database away is asked again, until it is answered", async () => {
  const answers = [() => Promise.reject(away()), () => Promise.reject(away()), () => Promise.resolve("here")];
  expect(await onceAnswered(() => answers.shift()?.() ?? Promise.resolve("too often"), waiting)).toBe("here");
  expect(answers).toEqual([]);
});

test("what is wrong with a query itself is told at once", async () => {
  let asked = 0;
  const wrong = (): Promise<never> => {
    asked++;
    return Promise.reject(new Error("no such column"));
  };
  await expect(onceAnswered(wrong, waiting)).rejects.toThrow("no such column");
  expect(asked).toBe(1);
});

test("who must not wait any longer hears so", async () => {
  const stop = new AbortController();
  stop.abort(new Error("The worker stops."));
  await expect(onceAnswered(() => Promise.reject(away()), stop.signal)).rejects.toThrow("The worker stops.");
});

test("a database that is away is told by its code, by what a driver says, or by a cause", () => {
  const refused = Object.assign(new Error("connect"), { code: "ECONNREFUSED" });
  expect(
    [
      away(),
      refused,
      new Error("x", { cause: refused }),
      new AggregateError([refused]),
      new Error("no such table"),
    ].map(isDatabaseAway),
  ).toEqual([true, true, true, true, false]);
});
