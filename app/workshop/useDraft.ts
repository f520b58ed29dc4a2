import { useMemo, useState } from "react";
import { toast } from "sonner";
import { ValidationError } from "yup";
import { type Template } from "../../core/document/template";
import { type TemplateDocument, listedTemplate } from "../../core/document/templateDocument";
import { templateEditTo } from "../../core/document/templateEdits";
import { tellMerged, tellRefused } from "../edits/tellMerged";
import { useEdits } from "../edits/useEdits";
import { type SavedDocument } from "../edits/editServer";
import { draftInWords } from "./draftPlaces";
import { editedDraft } from "./editedDraft";

/** Changes a draft; `label` names the step for undo. */
export type ChangeDraft = (change: (before: Template) => Template, label?: string) => void;

/** A draft of a template that is edited and saved as you go. Changes are functions of it; what of it differs is the edit. */
export function useDraft(slug: string, loaded: SavedDocument<TemplateDocument>) {
  const [edited] = useState(() => editedDraft(slug));
  const { session, state } = useEdits(edited, loaded, {
    onSaved: () => undefined,
    onMerged: (merged) => tellMerged(merged, draftInWords(merged.before), session.apply),
    onRefused: tellRefused,
    isShowable: () => true,
  });
  const draft = useMemo(() => listedTemplate(state.document), [state.document]);
  const change: ChangeDraft = (next, label = "Template") => {
    const { document } = session.state();
    const edit = templateEditTo(document, next(listedTemplate(document)), label);
    try {
      if (edit) session.apply(edit);
    } catch (error) {
      if (!(error instanceof ValidationError)) throw error;
      toast.error(error.message);
    }
  };
  return { session, state, draft, change };
}
