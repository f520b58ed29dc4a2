import { array, object, string } from "yup";
import { asTemplate } from "../../core/document/asTemplate";
import { isSlotKey } from "../../core/document/sceneTemplate";
import { PURPOSES } from "../../core/document/template";
import { templateDocument } from "../../core/document/templateDocument";
import { readTemplate } from "../../core/document/templateSchema";
import { type TeamScope } from "../db/teamScope";
import { loadRenderInput } from "../promotions/loadFacts";
import { promotionBySlug } from "../promotions/promotionStore";
import { slugOf } from "../../core/text/slug";
import { addTemplate } from "./importPackage";

const schema = object({
  name: string()
    .matches(/\S/, "A template needs a name.")
    .max(60, "A name has at most 60 characters.")
    .required("A template needs a name."),
  purpose: string().oneOf(PURPOSES, "Choose what the template is for.").required("Choose what the template is for."),
  about: string().max(200, "At most 200 characters.").defined(),
  fixed: array(
    string()
      .matches(/^[a-z0-9-]+\.[a-z0-9-]+$/)
      .required(),
  )
    .max(400)
    .required(),
});

/** Keeps a promotion as a template of the team's own, published in its first edition. Throws Yup's ValidationError in words. */
export async function keepAsTemplate(
  scope: TeamScope,
  memberId: string,
  slug: string,
  wishes: unknown,
): Promise<{ slug: string; name: string }> {
  const { name, purpose, about, fixed } = schema.validateSync(wishes, { abortEarly: false });
  const { document } = await promotionBySlug(scope, slug);
  const { facts } = await loadRenderInput(scope, document);
  const template = asTemplate(document, facts, {
    slug: slugOf(name).replace(/^promotion-/, "template-"),
    name: name.trim(),
    purpose,
    about: about.trim(),
    fixed: new Set(fixed.filter(isSlotKey)),
  });
  return addTemplate(scope, memberId, readTemplate(JSON.parse(JSON.stringify(templateDocument(template)))));
}
