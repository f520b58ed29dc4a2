import { boundedCache } from "./boundedCache";

let now = 0;
beforeEach(() => {
  now = 0;
});
function cacheOf(most: number): { cache: ReturnType<typeof boundedCache<string>>; dropped: string[] } {
  const dropped: string[] = [];
  const cache = boundedCache<string>(
    most,
    (key) => dropped.push(key),
    () => now,
  );
  return { cache, dropped };
}

test("what was not used for longest goes first, once the bytes are more than there may be", () => {
  const { cache, dropped } = cacheOf(100);
  cache.put("a", "A", 40);
  cache.put("b", "B", 40);
  now = 10_000;
  expect(cache.get("a")).toBe("A");
  cache.put("c", "C", 40);
  expect(dropped).toEqual(["b"]);
  expect([cache.has("a"), cache.has("b"), cache.has("c")]).toEqual([true, false, true]);
  expect(cache.bytes()).toBe(80);
});

test("what is on screen stays, even where it is more than the bound: else it would be fetched again and again", () => {
  const { cache, dropped } = cacheOf(100);
  for (const key of ["a", "b", "c"]) cache.put(key, key, 60);
  expect(dropped).toEqual([]);
  now = 5000;
  cache.put("d", "d", 60);
  expect(dropped).toEqual(["a", "b", "c"]);
  expect(cache.bytes()).toBe(60);
});

test("the same again takes the place of what it was", () => {
  const { cache, dropped } = cacheOf(100);
  cache.put("a", "old", 90);
  cache.put("a", "new", 30);
  expect([cache.get("a"), cache.bytes(), dropped]).toEqual(["new", 30, []]);
  expect(cache.get("nothing")).toBeNull();
});
