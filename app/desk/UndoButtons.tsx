import { Redo2, Undo2 } from "lucide-react";
import { Button } from "../components/Button";
import { type EditSession, type EditState } from "../edits/editSession";

/** Takes the last step back, or does it again; says which that is. */
export function UndoButtons<Document>({
  session,
  state,
}: {
  session: Pick<EditSession<Document>, "undo" | "redo">;
  state: Pick<EditState<Document>, "undo" | "redo">;
}) {
  return (
    <>
      <Button
        onClick={session.undo}
        disabled={state.undo === null}
        aria-label="Undo"
        title={state.undo ?? undefined}
        className="px-3"
      >
        <Undo2 aria-hidden size={16} /> Undo
      </Button>
      <Button
        onClick={session.redo}
        disabled={state.redo === null}
        aria-label="Redo"
        title={state.redo ?? undefined}
        className="px-3"
      >
        <Redo2 aria-hidden size={16} />
      </Button>
    </>
  );
}
