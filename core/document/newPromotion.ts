import { scenesOf } from "./design";
import { withCopiedItems } from "./copiedItems";
import { formatRecord } from "./formatList";
import { tuneLanes } from "./lanes";
import { inOrder } from "./patch";
import { PROMOTION_VERSION, type Promotion, type TemplateRef } from "./promotion";
import { type Template } from "./template";

/** What a promotion begins with; what is left out is not chosen yet. */
export interface FirstChoices {
  readonly name: string;
  readonly brand: string;
  readonly product?: string | null;
  readonly offer?: string | null;
  readonly tune?: string | null;
  readonly fills?: Promotion["fills"];
}

/** A promotion of a template, with all of its scenes and nothing set. */
export const newPromotion = (
  ref: TemplateRef,
  template: Template,
  { name, brand, product = null, offer = null, tune = null, fills = {} }: FirstChoices,
): Promotion => ({
  ...withCopiedItems(
    { items: {}, adjustments: {} },
    template,
    new Map(template.scenes.map(({ id: own }) => [own, own])),
  ),
  version: PROMOTION_VERSION,
  name,
  template: { slug: ref.slug, edition: ref.edition },
  brand,
  product,
  offer,
  formats: formatRecord(template.formats),
  placements: {},
  scenes: inOrder(scenesOf(ref, template)),
  fills: inOrder(fills),
  lanes: tuneLanes(tune),
  captions: {},
  longer: null,
  spare: {},
});
