import { type Edit } from "./edit";
import { editTo } from "./edits";
import { same, stepsOf, valueAt } from "./patch";
import { type Longer, type Promotion } from "./promotion";

/** What a shorter version has of its own, whatever becomes of the longer one. */
const OWN: ReadonlySet<string> = new Set(["version", "name", "longer"]);

/**
 * Brings into a shorter version what was changed in the longer one since it was made of it. What was changed in the
 * shorter one too stays as it is there. Null where nothing comes in.
 *
 * @param base the longer one as the shorter was made of it @param now as it is now, in the revision of `longer`
 */
export function takeOver(
  own: Promotion,
  { base, now, longer }: { readonly base: Promotion; readonly now: Promotion; readonly longer: Longer },
): Edit | null {
  const changes = editTo(base, now, "").patch.filter(
    ({ path }) => !OWN.has(stepsOf(path)[0] ?? "") && same(valueAt(base, path), valueAt(own, path)),
  );
  if (same(own.longer, longer) && changes.length === 0) return null;
  return { label: "Take changes over", patch: [...changes, { op: "replace", path: "/longer", value: longer }] };
}
