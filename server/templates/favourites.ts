import { type TeamScope } from "../db/teamScope";
import { newestTemplate } from "./templateStore";

/** Keeps, or no longer keeps, a template among a person's favourites. Throws a 404 when the team has no such template. */
export async function setFavourite(scope: TeamScope, memberId: string, slug: string, liked: boolean): Promise<void> {
  if (!liked) {
    await scope.remove("template_favourite").where("member_id", "=", memberId).where("slug", "=", slug).execute();
    return;
  }
  if (!(await newestTemplate(scope, slug)))
    throw new Response(`There is no template “${slug}” in your team.`, { status: 404 });
  await scope
    .insert("template_favourite", { member_id: memberId, slug })
    .onConflict((on) => on.columns(["member_id", "slug"]).doNothing())
    .execute();
}
