import { largestFirst } from "./largestFirst";

const NEVER = new AbortController().signal;

/** A task that a test ends by hand. */
function task() {
  let end = (): void => undefined;
  const ended = new Promise<void>((resolve) => (end = resolve));
  return { run: () => ended, end };
}

test("so many run at once as there are places", async () => {
  const gate = largestFirst(2);
  const tasks = [task(), task(), task()];
  let begun = 0;
  const all = tasks.map(({ run }) =>
    gate.run(1, NEVER, () => {
      begun++;
      return run();
    }),
  );
  await Promise.resolve();
  expect(begun).toBe(2);
  tasks[0]?.end();
  await all[0];
  expect(begun).toBe(3);
  tasks.forEach(({ end }) => end());
  await Promise.all(all);
});

test("the largest that waits goes first; equal ones go in the order they came", async () => {
  const gate = largestFirst(1);
  const order: string[] = [];
  const add = (name: string, work: number): Promise<void> =>
    gate.run(work, NEVER, () => {
      order.push(name);
      return Promise.resolve();
    });
  await Promise.all([add("first", 1), add("small", 2), add("large", 9), add("also large", 9), add("middle", 5)]);
  expect(order).toEqual(["first", "large", "also large", "middle", "small"]);
});

test("a place is free again after a task has failed", async () => {
  const gate = largestFirst(1);
  await expect(gate.run(1, NEVER, () => Promise.reject(new Error("broken")))).rejects.toThrow("broken");
  expect(await gate.run(1, NEVER, () => Promise.resolve("fine"))).toBe("fine");
});

test("what is stopped while it waits is never begun, and holds no place", async () => {
  const gate = largestFirst(1);
  const stop = new AbortController();
  const running = task();
  const first = gate.run(1, stop.signal, running.run);
  let begun = false;
  const waiting = gate.run(1, stop.signal, () => {
    begun = true;
    return Promise.resolve();
  });
  stop.abort();
  await expect(waiting).rejects.toThrow();
  running.end();
  await first;
  expect(await gate.run(1, NEVER, () => Promise.resolve("next"))).toBe("next");
  expect(begun).toBe(false);
  await expect(gate.run(1, stop.signal, () => Promise.resolve())).rejects.toThrow();
});
