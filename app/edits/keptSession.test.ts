import { jest } from "@jest/globals";
import { type EditSession } from "./editSession";
import { openKeptSessions } from "./keptSession";

const { session: keptSession, allSaved } = openKeptSessions<object>();
const session = (revision: number, isWaiting = false): EditSession<object> => ({
  state: () => ({ document: {}, save: "saved", undo: null, redo: null }),
  subscribe: () => () => undefined,
  tellTo: () => undefined,
  apply: () => undefined,
  undo: () => undefined,
  redo: () => undefined,
  heardOf: () => undefined,
  catchUp: () => undefined,
  isWaiting: () => isWaiting,
  revision: () => revision,
  rest: () => undefined,
  sendNow: () => true,
});

test("on the server every request has a session of its own", () => {
  const [one, other] = [session(1), session(1)];
  expect(keptSession("a", 1, () => one)).toBe(one);
  expect(keptSession("a", 1, () => other)).toBe(other);
});

describe("in a browser", () => {
  beforeAll(() => {
    Object.assign(globalThis, { window: {} });
  });
  afterAll(() => {
    Reflect.deleteProperty(globalThis, "window");
  });

  test("the session of a document goes on from desk to desk; another document has its own", () => {
    const first = keptSession("b", 3, () => session(3));
    expect(keptSession("b", 3, () => session(3))).toBe(first);
    expect(keptSession("c", 3, () => session(3))).not.toBe(first);
  });

  test("one that others have gone on from gives way, but never while something in it waits to be saved", () => {
    const old = keptSession("d", 3, () => session(3));
    expect(keptSession("d", 4, () => session(4))).not.toBe(old);
    const waiting = keptSession("e", 3, () => session(3, true));
    expect(keptSession("e", 9, () => session(9))).toBe(waiting);
  });

  test("what waits is sent before somebody goes on from it, and told of when it can't be", async () => {
    expect(await allSaved("never opened")).toBe(true);
    let waits = true;
    const told = new Set<() => void>();
    const sent = jest.fn();
    keptSession("f", 1, () => ({
      ...session(1),
      isWaiting: () => waits,
      rest: sent,
      subscribe: (listener) => {
        told.add(listener);
        return () => told.delete(listener);
      },
    }));
    const saved = allSaved("f");
    expect(sent).toHaveBeenCalledTimes(1);
    told.forEach((tell) => tell());
    waits = false;
    told.forEach((tell) => tell());
    expect(await saved).toBe(true);
    expect(told.size).toBe(0);
    jest.useFakeTimers();
    waits = true;
    const never = allSaved("f");
    jest.advanceTimersByTime(10_000);
    expect(await never).toBe(false);
    jest.useRealTimers();
  });
});
