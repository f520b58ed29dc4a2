import { setTimeout as sleep } from "node:timers/promises";

/** Waits until something holds. Throws when it does not within a time that is long for anything a test waits for. */
export async function until(holds: () => boolean | Promise<boolean>, withinMs = 20_000): Promise<void> {
  const end = Date.now() + withinMs;
  while (!(await holds())) {
    if (Date.now() > end) throw new Error(`It did not come true within ${withinMs / 1000} s: ${holds.toString()}`);
    await sleep(20);
  }
}
