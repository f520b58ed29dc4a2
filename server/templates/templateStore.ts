import { type TemplatesByRef, templateKey } from "../../core/document/facts";
import { type TemplateRef } from "../../core/document/promotion";
import { type Template } from "../../core/document/template";
import { readTemplate } from "../../core/document/templateSchema";
import { SHIPPED_BY_REF, SHIPPED_EDITION, SHIPPED_TEMPLATES, shippedTemplate } from "../../core/templates/shipped";
import { readOnce } from "../db/readOnce";
import { type TeamScope } from "../db/teamScope";

/** Editions never change once they are published. */
const readStored = readOnce(readTemplate);

/** A template that can be filled, in its newest edition. */
export interface OfferedTemplate {
  readonly ref: TemplateRef;
  readonly template: Template;
  /** Whether it is the team's own, and so can be changed in the workshop. */
  readonly own: boolean;
}

/** Everything the team can fill: its own templates first, then those that ship. */
export async function offeredTemplates(scope: TeamScope): Promise<OfferedTemplate[]> {
  const rows = await scope.kept(
    scope
      .select("template")
      .innerJoin("template_edition", (join) =>
        join
          .onRef("template_edition.template_id", "=", "template.id")
          .onRef("template_edition.edition", "=", "template.edition"),
      )
      .where("template.removed_at", "is", null)
      .select(["template.slug", "template.edition", "template_edition.document"])
      .orderBy("template.name"),
  );
  const own = rows.map(({ slug, edition, document }): OfferedTemplate => ({
    ref: { slug, edition },
    template: readStored(document),
    own: true,
  }));
  return [
    ...own,
    ...SHIPPED_TEMPLATES.map((template): OfferedTemplate => ({
      ref: { slug: template.slug, edition: SHIPPED_EDITION },
      template,
      own: false,
    })),
  ];
}

/** A template in its newest edition by its slug; null when the team has none. */
export async function newestTemplate(scope: TeamScope, slug: string): Promise<OfferedTemplate | null> {
  const shipped = shippedTemplate(slug);
  if (shipped) return { ref: { slug, edition: SHIPPED_EDITION }, template: shipped, own: false };
  return (await offeredTemplates(scope)).find(({ ref }) => ref.slug === slug) ?? null;
}

/** Templates in the editions asked for. Those that are not there are left out: whoever needs them says so. */
export async function templatesByRef(scope: TeamScope, refs: readonly TemplateRef[]): Promise<TemplatesByRef> {
  const found: Record<string, Template> = {};
  const others = refs.filter((ref) => {
    const shipped = SHIPPED_BY_REF[templateKey(ref)];
    if (shipped) found[templateKey(ref)] = shipped;
    return !shipped;
  });
  if (others.length === 0) return found;
  // Removed ones too: promotions made with them stay as they are.
  const rows = await scope.kept(
    scope
      .select("template")
      .innerJoin("template_edition", "template_edition.template_id", "template.id")
      .where(
        "template.slug",
        "in",
        others.map(({ slug }) => slug),
      )
      .select(["template.slug", "template_edition.edition", "template_edition.document"]),
  );
  for (const { slug, edition, document } of rows)
    if (others.some((ref) => ref.slug === slug && ref.edition === edition))
      found[templateKey({ slug, edition })] = readStored(document);
  return found;
}
