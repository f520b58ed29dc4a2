import { jest } from "@jest/globals";
import { whileTelling, whileTellingProgress } from "./whileTelling";

beforeEach(() => {
  jest.useFakeTimers();
});
afterEach(() => {
  jest.useRealTimers();
});

/** A promise that is kept, or broken, from outside. */
function awaited(): { promise: Promise<void>; keep: () => void; fail: (error: Error) => void } {
  let keep = (): void => undefined;
  let fail: (error: Error) => void = () => undefined;
  const promise = new Promise<void>((resolve, reject) => ([keep, fail] = [resolve, reject]));
  return { promise, keep: () => keep(), fail: (error) => fail(error) };
}

test.each(["well", "with an error"])(
  "when work ends %s, what is being told is told first, and nothing after",
  async (how) => {
    const [work, telling] = [awaited(), awaited()];
    const order: string[] = [];
    const done = whileTelling(
      async () => {
        order.push("tells");
        await telling.promise;
        order.push("told");
      },
      () => work.promise,
    ).then(
      () => order.push("ended"),
      (error: unknown) => order.push(String(error)),
    );
    await jest.advanceTimersByTimeAsync(300);
    if (how === "well") work.keep();
    else work.fail(new Error("no more room"));
    await jest.advanceTimersByTimeAsync(2000);
    expect(order).toEqual(["tells"]);
    telling.keep();
    await done;
    await jest.advanceTimersByTimeAsync(2000);
    expect(order).toEqual(["tells", "told", how === "well" ? "ended" : "Error: no more room"]);
  },
);

test("the next one waits for the one before, however long that takes", async () => {
  const [work, first] = [awaited(), awaited()];
  let begun = 0;
  const done = whileTelling(
    () => (begun++ === 0 ? first.promise : Promise.resolve()),
    () => work.promise,
  );
  await jest.advanceTimersByTimeAsync(5000);
  expect(begun).toBe(1);
  first.keep();
  await jest.advanceTimersByTimeAsync(300);
  expect(begun).toBe(2);
  work.keep();
  await done;
});

test("what could not be told once is told the next time, and the work goes on", async () => {
  const work = awaited();
  let times = 0;
  const done = whileTelling(
    () => (times++ === 0 ? Promise.reject(new Error("database away")) : Promise.resolve()),
    () => work.promise.then(() => "made"),
  );
  await jest.advanceTimersByTimeAsync(600);
  expect(times).toBe(2);
  work.keep();
  expect(await done).toBe("made");
});

test("a share is told when work went on, and not again", async () => {
  const work = awaited();
  const told: number[] = [];
  let onProgress: (share: number) => void = () => undefined;
  const done = whileTellingProgress(
    (share) => Promise.resolve(void told.push(share)),
    (tell) => {
      onProgress = tell;
      return work.promise;
    },
  );
  await jest.advanceTimersByTimeAsync(1000);
  onProgress(0.1);
  onProgress(0.2);
  await jest.advanceTimersByTimeAsync(1000);
  onProgress(0.9);
  work.keep();
  await done;
  await jest.advanceTimersByTimeAsync(1000);
  expect(told).toEqual([0.2]);
});
