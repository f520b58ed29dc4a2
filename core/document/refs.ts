import { same } from "./patch";
import { type Promotion } from "./promotion";

/** Every template that a document's scenes and style come from. */
export const refsOf = (document: Promotion): { slug: string; edition: number }[] => {
  const refs = [document.template, ...Object.values(document.scenes).map(({ from }) => from)].map(
    ({ slug, edition }) => ({ slug, edition }),
  );
  return refs.filter((ref, index) => refs.findIndex((other) => same(ref, other)) === index);
};
