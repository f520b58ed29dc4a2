import { openShowQueue } from "./showQueue";

/** Something to show that ends when it is told to. */
function showing(log: string[], name: string): { show: () => Promise<void>; end: () => void; fail: () => void } {
  let [end, fail] = [(): void => undefined, (): void => undefined];
  const done = new Promise<void>((resolve, reject) => {
    end = resolve;
    fail = () => reject(new Error("It could not be shown."));
  });
  return {
    show: () => {
      log.push(name);
      return done;
    },
    end: () => end(),
    fail: () => fail(),
  };
}
const settled = (): Promise<void> => new Promise((resolve) => setImmediate(resolve));

test("two are made at once; of those that wait, the newest comes next, with what it is to show now", async () => {
  const log: string[] = [];
  const queue = openShowQueue();
  const [one, two, three, four, again] = ["one", "two", "three", "four", "three, again"].map((name) =>
    showing(log, name),
  );
  queue.add("1", one!.show);
  queue.add("2", two!.show);
  queue.add("3", three!.show);
  queue.add("4", four!.show);
  queue.add("3", again!.show);
  expect(log).toEqual(["one", "two"]);
  one!.end();
  await settled();
  expect(log).toEqual(["one", "two", "three, again"]);
  // One that fails makes room like any other.
  two!.fail();
  await settled();
  expect(log).toEqual(["one", "two", "three, again", "four"]);
});

test("what has left the page is not made", async () => {
  const log: string[] = [];
  const queue = openShowQueue();
  const [one, two, three] = ["one", "two", "three"].map((name) => showing(log, name));
  queue.add("1", one!.show);
  queue.add("2", two!.show);
  queue.add("3", three!.show);
  queue.drop("3");
  one!.end();
  two!.end();
  await settled();
  expect(log).toEqual(["one", "two"]);
});
