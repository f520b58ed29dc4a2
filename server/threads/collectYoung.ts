import { setFlagsFromString } from "node:v8";
import { runInNewContext } from "node:vm";

type Collect = (options: { readonly type: "minor" }) => void;
const isCollect = (value: unknown): value is Collect => typeof value === "function";

let collect: Collect | null = null;

/**
 * Has the garbage collector see off what was made and dropped just now: a fraction of a millisecond. It would do so by
 * itself once enough objects were made; it does not count what these keep outside of its heap, where a frame's pixels are
 * 8 MB. When it does look at that, it looks at everything (docs/decisions/frames-are-given-back.md).
 */
export function collectYoung(): void {
  collect ??= exposed();
  collect({ type: "minor" });
}

function exposed(): Collect {
  setFlagsFromString("--expose-gc");
  // How far a heap may grow until all of it is looked at: a few frames' pixels count as growth of a heap of 20 MB.
  setFlagsFromString("--heap-growing-percent=300");
  const gc: unknown = runInNewContext("gc");
  if (!isCollect(gc)) throw new TypeError("The garbage collector can't be called.");
  return gc;
}
