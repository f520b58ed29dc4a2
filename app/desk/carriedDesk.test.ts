import { openDeskCarrier } from "./carriedDesk";

const { carriedOver, leaveDesk, standAt } = openDeskCarrier<{ readonly revision: number }>();
let asked = 0;
const ask = (): Promise<{ readonly revision: number }> => Promise.resolve({ revision: ++asked });
beforeEach(() => {
  asked = 0;
  leaveDesk();
});

test("another desk of the same promotion goes on with what the first was given, and asks once it stands", async () => {
  const first = await carriedOver("pots", "Fill", ask);
  expect(standAt("pots", "Fill", first)).toBe(false);
  const second = await carriedOver("pots", "Proof", ask);
  expect(second).toBe(first);
  expect(asked).toBe(1);
  expect(standAt("pots", "Proof", second)).toBe(true);
  // What it is given then is its own.
  const newer = await carriedOver("pots", "Proof", ask);
  expect(newer).toEqual({ revision: 2 });
  expect(standAt("pots", "Proof", newer)).toBe(false);
  expect(await carriedOver("pots", "Fill", ask)).toBe(newer);
});

test("another promotion, and whoever comes after the desk was left, are given what the server says", async () => {
  standAt("pots", "Fill", await carriedOver("pots", "Fill", ask));
  expect(await carriedOver("vases", "Proof", ask)).toEqual({ revision: 2 });
  leaveDesk();
  expect(await carriedOver("pots", "Proof", ask)).toEqual({ revision: 3 });
});
