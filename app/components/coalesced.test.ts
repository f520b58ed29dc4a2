import { coalesced } from "./coalesced";

/** A run that ends when it is told to. */
function heldRun() {
  const ends: (() => void)[] = [];
  const run = (): Promise<void> => new Promise((resolve) => ends.push(resolve));
  return { ends, run };
}

const settled = (): Promise<void> => new Promise((resolve) => setImmediate(resolve));

test("wishes while it runs lead to one run more, which begins after the last of them", async () => {
  const { ends, run } = heldRun();
  const wish = coalesced(run);
  wish();
  wish();
  wish();
  expect(ends).toHaveLength(1);
  ends[0]?.();
  await settled();
  expect(ends).toHaveLength(2);
  ends[1]?.();
  await settled();
  expect(ends).toHaveLength(2);
});

test("a wish after it has ended runs at once", async () => {
  const { ends, run } = heldRun();
  const wish = coalesced(run);
  wish();
  ends[0]?.();
  await settled();
  wish();
  expect(ends).toHaveLength(2);
});
