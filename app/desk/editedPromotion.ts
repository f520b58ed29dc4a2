import { applyEdit, inverseOf } from "../../core/document/edits";
import { type Promotion, readPromotion } from "../../core/document/promotion";
import { fetchNewest, sendEdits } from "../edits/editServer";
import { type EditedOnPage } from "../edits/useEdits";

/** Where edits of a promotion go. It names its session too. */
export const editsAddress = (slug: string): string => `/promotions/${slug}/edits`;

/** A promotion as it is edited on a desk. */
export function editedPromotion(slug: string): EditedOnPage<Promotion> {
  const address = editsAddress(slug);
  return {
    key: address,
    apply: applyEdit,
    inverse: inverseOf,
    send: (base, edits) => sendEdits(address, readPromotion, { base, edits }),
    newest: () => fetchNewest(address, readPromotion),
    revisionIn: (event) =>
      event.topic === "promotion" && event.slug === slug ? { revision: event.revision, by: event.by } : null,
  };
}
