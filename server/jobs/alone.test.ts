import { openRoom } from "./alone";

/** A task that runs until it is ended, and notes when it begins and ends. */
function held(name: string, notes: string[]) {
  let end = (): void => undefined;
  const ended = new Promise<void>((resolve) => (end = resolve));
  return {
    end: () => end(),
    run: async (): Promise<void> => {
      notes.push(`${name} begins`);
      await ended;
      notes.push(`${name} ends`);
    },
  };
}

test("tasks run side by side; one under suspicion waits for them, and those after it wait for it", async () => {
  const room = openRoom();
  const notes: string[] = [];
  const [first, second, suspect, late] = ["first", "second", "suspect", "late"].map((name) => held(name, notes));
  if (!first || !second || !suspect || !late) throw new Error("four tasks");
  const all = [room.run(false, first.run), room.run(false, second.run), room.run(true, suspect.run)];
  all.push(room.run(false, late.run));
  await new Promise(setImmediate);
  expect(notes).toEqual(["first begins", "second begins"]);
  second.end();
  first.end();
  await Promise.all(all.slice(0, 2));
  await new Promise(setImmediate);
  expect(notes.slice(4)).toEqual(["suspect begins"]);
  suspect.end();
  await all[2];
  await new Promise(setImmediate);
  expect(notes.at(-1)).toBe("late begins");
  late.end();
  await Promise.all(all);
});

test("a task that fails lets the next in", async () => {
  const room = openRoom();
  await expect(room.run(true, () => Promise.reject(new Error("broke")))).rejects.toThrow("broke");
  expect(await room.run(true, () => Promise.resolve(7))).toBe(7);
});
