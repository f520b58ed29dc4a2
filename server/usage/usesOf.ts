import { sql } from "kysely";
import { type TeamScope } from "../db/teamScope";
import { namesAny } from "./namesAny";

/** A place where a thing of the team's is used. */
export interface Use {
  readonly what: "promotion" | "product" | "offer" | "template" | "brand";
  readonly name: string;
  readonly to: string;
}

/**
 * Everywhere some things are used, by their ids, asked of all documents that the team has: promotions, the pictures of
 * products, the terms of offers, templates (drafts, and every edition that can be filled or was), brand books. As many
 * queries for a thousand things as for one.
 */
export async function usesOfEach(scope: TeamScope, ids: readonly string[]): Promise<ReadonlyMap<string, Use[]>> {
  const uses = new Map<string, Use[]>(ids.map((id) => [id, []]));
  const add = (text: string, use: Use): void => {
    for (const [id, of] of uses) if (text.includes(`"${id}"`)) of.push(use);
  };
  if (ids.length === 0) return uses;
  const [promotions, pictures, offers, templates, brands] = await Promise.all([
    scope
      .select("promotion")
      .select(["name", "slug", sql<string>`document::text`.as("text")])
      .where(namesAny("document", ids))
      .orderBy("name")
      .execute(),
    scope
      .select("product")
      .innerJoin("product_picture", "product_picture.product_id", "product.id")
      .select(["product.name", "product.id", "product_picture.media_id"])
      .where("product_picture.media_id", "in", [...ids])
      .orderBy("product.name")
      .execute(),
    scope
      .select("offer")
      .select(["name", "id", sql<string>`terms::text || scope::text`.as("text")])
      .where((where) => where.or([namesAny("terms", ids), namesAny("scope", ids)]))
      .orderBy("name")
      .execute(),
    scope
      .select("template")
      .leftJoin("template_edition", "template_edition.template_id", "template.id")
      .select(["template.name", "template.slug"])
      .select(sql<string>`draft::text || coalesce(string_agg(template_edition.document::text, ''), '')`.as("text"))
      .where((where) => where.or([namesAny("draft", ids), namesAny("template_edition.document", ids)]))
      // One that was removed is used as long as a promotion is on it.
      .where(
        sql<boolean>`(removed_at is null or exists (
          select from promotion
          where promotion.team_id = template.team_id and promotion.document::text like '%"' || template.slug || '"%'))`,
      )
      .groupBy("template.id")
      .orderBy("template.name")
      .execute(),
    scope
      .select("brand")
      .select(["name", sql<string>`book::text`.as("text")])
      .where(namesAny("book", ids))
      .orderBy("name")
      .execute(),
  ]);
  for (const { name, slug, text } of promotions) add(text, { what: "promotion", name, to: `/promotions/${slug}` });
  for (const { name, id, media_id } of pictures)
    uses.get(media_id)?.push({ what: "product", name, to: `/catalogue?product=${id}` });
  for (const { name, id, text } of offers) add(text, { what: "offer", name, to: `/catalogue/offers?offer=${id}` });
  for (const { name, slug, text } of templates)
    add(text, { what: "template", name, to: `/templates/${slug}/workshop` });
  for (const { name, text } of brands)
    add(text, { what: "brand", name: `the brand book of ${name}`, to: "/brand-book" });
  return uses;
}

/** Everywhere a thing is used. */
export const usesOf = async (scope: TeamScope, id: string): Promise<Use[]> =>
  (await usesOfEach(scope, [id])).get(id) ?? [];

export const usesInWords = (uses: readonly Use[]): string =>
  uses.map(({ what, name }) => (what === "brand" ? name : `the ${what} “${name}”`)).join(", ");
