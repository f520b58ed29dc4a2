import { type TemplateDocument } from "../../core/document/templateDocument";
import { applyTemplateEdit, inverseTemplateEdit } from "../../core/document/templateEdits";
import { readTemplateDocument } from "../../core/document/templateSchema";
import { fetchNewest, sendEdits } from "../edits/editServer";
import { type EditedOnPage } from "../edits/useEdits";

/** A draft of a template as it is edited in the workshop. */
export function editedDraft(slug: string): EditedOnPage<TemplateDocument> {
  const address = `/templates/${slug}/edits`;
  return {
    // Publishing begins a draft anew.
    kept: null,
    apply: applyTemplateEdit,
    inverse: inverseTemplateEdit,
    send: (base, edits) => sendEdits(address, readTemplateDocument, { base, edits }),
    newest: () => fetchNewest(address, readTemplateDocument),
    revisionIn: (event) =>
      event.topic === "template" && event.slug === slug ? { revision: event.revision, by: event.by } : null,
  };
}
