import { toast } from "sonner";
import { type Edit } from "../../core/document/edit";

/** Makes an edit and gives it on; where it can't be made, says why. Null is nothing to do. */
export function attemptEdit(make: () => Edit | null, onEdit: (edit: Edit) => void): void {
  try {
    const edit = make();
    if (edit) onEdit(edit);
  } catch (error) {
    toast.error(error instanceof Error ? error.message : "That did not work.");
  }
}
