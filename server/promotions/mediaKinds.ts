import { type MediaUse, newlyUsed } from "../../core/document/named";
import { type Promotion } from "../../core/document/promotion";
import { type TeamScope } from "../db/teamScope";

/** The kinds of media that can be used in a way, and how that is said. */
const TAKES: Readonly<Record<MediaUse, { readonly kinds: readonly string[]; readonly words: string }>> = {
  shown: { kinds: ["picture", "clip"], words: "a picture or a clip is shown here" },
  beside: { kinds: ["picture"], words: "a picture is shown there" },
  heard: { kinds: ["sound", "clip"], words: "a sound, or a clip with one, is heard there" },
};

/** Why something that a promotion newly uses can't be used so, in words; null where all can. */
export async function kindProblem(scope: TeamScope, before: Promotion, after: Promotion): Promise<string | null> {
  const used = newlyUsed(before, after);
  if (used.length === 0) return null;
  const rows = await scope
    .media()
    .select(["id", "name", "kind"])
    .where(
      "id",
      "in",
      used.map(({ id }) => id),
    )
    .execute();
  for (const { id, use } of used) {
    const item = rows.find((row) => row.id === id);
    const { kinds, words } = TAKES[use];
    if (item && !kinds.includes(item.kind)) return `“${item.name}” is a ${item.kind}: ${words}. What was there stays.`;
  }
  return null;
}
