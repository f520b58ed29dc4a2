import { applyEdit, inverseOf } from "../../core/document/edits";
import { type Promotion, readPromotion } from "../../core/document/promotion";
import { fetchNewest, sendEdits } from "../edits/editServer";
import { openKeptSessions } from "../edits/keptSession";
import { type EditedOnPage } from "../edits/useEdits";

const sessions = openKeptSessions<Promotion>();

/** Where edits of a promotion go. It names its session too. */
const editsAddress = (slug: string): string => `/promotions/${slug}/edits`;

/** Sends what waits to be saved of a promotion. Gives whether all of it is saved. */
export const allSaved = (slug: string): Promise<boolean> => sessions.allSaved(editsAddress(slug));

/** A promotion as it is edited on a desk. */
export function editedPromotion(slug: string): EditedOnPage<Promotion> {
  const address = editsAddress(slug);
  return {
    kept: { among: sessions, key: address },
    apply: applyEdit,
    inverse: inverseOf,
    send: (base, edits) => sendEdits(address, readPromotion, { base, edits }),
    newest: () => fetchNewest(address, readPromotion),
    revisionIn: (event) =>
      event.topic === "promotion" && event.slug === slug ? { revision: event.revision, by: event.by } : null,
  };
}
