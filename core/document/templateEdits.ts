import { type Edit } from "./edit";
import { type Paths, differences, inverseOf, patched, same, stepsOf } from "./patch";
import { type Template } from "./template";
import { type TemplateDocument, templateDocument } from "./templateDocument";
import { checkTouchedTemplate } from "./templateSchema";

/** Places come and go by format; arrangements and places are put in as they are, all else field by field. */
const PATHS: Paths = {
  isSparse: ({ length, 0: part, 2: field }) =>
    (part === "scenes" && field === "places" && length === 4) || (part === "adjustments" && length === 2),
  isWhole: ({ length, 0: part, 2: field }) =>
    (field === "arrangement" && length === 3) ||
    (field === "places" && length === 5) ||
    (part === "items" && length === 2) ||
    (part === "adjustments" && length === 3),
};

/** The document after an edit. Throws, naming the place and the cure, when the result would not be a template. */
export function applyTemplateEdit(document: TemplateDocument, { patch }: Edit): TemplateDocument {
  const next = patched(document, patch, PATHS);
  checkTouchedTemplate(
    next,
    patch.map(({ path }) => stepsOf(path)),
  );
  return next;
}

/** The edit that takes `edit` back, given the document it is about to be applied to. */
export const inverseTemplateEdit = (document: TemplateDocument, { label, patch }: Edit): Edit => ({
  label,
  patch: inverseOf(document, patch, PATHS),
});

/** One step from a document to another version of its template; null where they say the same. */
export function templateEditTo(before: TemplateDocument, after: Template, label: string): Edit | null {
  const next = templateDocument(after, before);
  return same(before, next) ? null : { label, patch: differences(before, next, PATHS) };
}
