import { remembered } from "./remembered";

test("work is done once for all who ask for it, also at once, and anew when it is no longer kept", async () => {
  const done: string[] = [];
  const once = remembered<{ readonly of: string }>(2);
  const ask = (key: string) =>
    once(key, () => {
      done.push(key);
      return Promise.resolve({ of: key });
    });
  const [one, same] = await Promise.all([ask("one"), ask("one")]);
  expect(one).toBe(same);
  await ask("two");
  await ask("one");
  // “two” was not asked for for longer than “one”.
  await ask("three");
  expect(await ask("one")).toBe(one);
  await ask("two");
  expect(done).toEqual(["one", "two", "three", "two"]);
});

test("what failed is tried anew", async () => {
  const once = remembered(2);
  await expect(once("one", () => Promise.reject(new Error("no")))).rejects.toThrow("no");
  expect(await once("one", () => Promise.resolve({ now: true }))).toEqual({ now: true });
});
