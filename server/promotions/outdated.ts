import { isDeepStrictEqual } from "node:util";
import { type MediaFacts } from "../../core/document/facts";
import { type TeamScope } from "../db/teamScope";
import { readRenderInput, type RenderInput } from "../render/renderInput";
import { loadRenderInput } from "./loadFacts";

/**
 * Compares the renders of promotions with what would be rendered now, after something they draw from has changed, and
 * marks their renditions as out of date with the reason; those that are the same again lose their mark. Gives how many
 * renditions are newly marked.
 */
export async function markOutdated(scope: TeamScope, promotionIds: readonly string[], reason: string): Promise<number> {
  if (promotionIds.length === 0) return 0;
  const renders = await scope
    .renders()
    .select(["id", "input"])
    .where("promotion_id", "in", [...promotionIds])
    .execute();
  let marked = 0;
  for (const render of renders) {
    const then = readRenderInput(render.input);
    const now = await loadRenderInput(scope, then.document).catch(() => null);
    const same = now !== null && isDeepStrictEqual(pixelsOf(then), pixelsOf(now));
    const changed = await scope
      .changeRendition()
      .set({ outdated_by: same ? null : reason })
      .where("render_id", "=", render.id)
      .where("outdated_by", same ? "is not" : "is", null)
      .returning("id")
      .execute();
    if (!same) marked += changed.length;
  }
  return marked;
}

/** As `markOutdated`, for the promotions whose documents name something that has changed. */
export const markNaming = async (scope: TeamScope, ids: readonly string[], reason: string): Promise<number> =>
  markOutdated(
    scope,
    (await promotionsNaming(scope, ids)).map(({ id }) => id),
    reason,
  );

/** What of an input can change a frame: names of media can't. */
function pixelsOf({ facts, hashes }: RenderInput): unknown {
  const nameless = (media: MediaFacts): object => ({ ...media, name: "" });
  const plain: unknown = JSON.parse(
    JSON.stringify({
      ...facts,
      brand: {
        ...facts.brand,
        logos: facts.brand.logos.map(({ variant, picture }) => ({ variant, picture: nameless(picture) })),
      },
      media: Object.fromEntries(Object.entries(facts.media).map(([id, media]) => [id, nameless(media)])),
      hashes,
    }),
  );
  return plain;
}

/** The promotions whose documents name something by its id. */
export async function promotionsNaming(
  scope: TeamScope,
  ids: readonly string[],
): Promise<{ id: string; name: string; slug: string }[]> {
  const rows = await scope.promotions().select(["id", "name", "slug", "document"]).execute();
  return rows
    .filter(({ document }) => {
      const text = JSON.stringify(document);
      return ids.some((id) => text.includes(`"${id}"`));
    })
    .map(({ id, name, slug }) => ({ id, name, slug }));
}
