import { type TemplatesByRef, templateKey } from "./facts";
import { same } from "./patch";
import { type Promotion } from "./promotion";

/** Every template that a document's scenes and style come from. */
export const refsOf = (document: Promotion): { slug: string; edition: number }[] => {
  const refs = [document.template, ...Object.values(document.scenes).map(({ from }) => from)].map(
    ({ slug, edition }) => ({ slug, edition }),
  );
  return refs.filter((ref, index) => refs.findIndex((other) => same(ref, other)) === index);
};

/** Whether every template that a document comes from is at hand: without one it can't be shown. */
export const isShowable = (document: Promotion, templates: TemplatesByRef): boolean =>
  refsOf(document).every((ref) => templateKey(ref) in templates);
