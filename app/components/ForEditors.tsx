import { Eye } from "lucide-react";
import { type ReactNode } from "react";
import { useMayEdit } from "./useMayEdit";

/** What is offered to those who may change things. Where it would stand, a reviewer reads why it is not there. */
export function ForEditors({ children }: { children: ReactNode }) {
  return useMayEdit() ? children : <ReviewerNote />;
}

export function ReviewerNote() {
  return (
    <span role="note" className="flex items-center gap-1.5 text-sm text-soft">
      <Eye aria-hidden size={14} /> a reviewer looks, and changes nothing
    </span>
  );
}
