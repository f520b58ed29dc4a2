import { type Edit } from "../document/edit";
import { type MarkInScene, giveMarkBack } from "../document/markEdits";
import { type Promotion } from "../document/promotion";

/** What mends a mark of the brand that was placed badly by hand; nothing where it stands as it usually does. */
export function markCures(document: Promotion, at: MarkInScene): Edit[] {
  const edit = giveMarkBack(document, at);
  return edit ? [{ ...edit, label: `Give the ${at.mark} its usual place` }] : [];
}
