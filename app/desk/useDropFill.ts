import { useRef } from "react";
import { toast } from "sonner";
import { boolean, object, string } from "yup";
import { type SlotKey } from "../../core/document/sceneTemplate";
import { useTeamEvents } from "../components/useTeamEvents";

const received = object({ id: string().required(), name: string().required(), known: boolean().required() });

/** Brings a file dropped on a slot into the media, and fills the slot with it once it has been read in. */
export function useDropFill(fill: (slot: SlotKey, media: string) => void): (slot: SlotKey, files: FileList) => void {
  const waiting = useRef(new Map<string, SlotKey>());
  useTeamEvents((event) => {
    const slot = event.topic === "media" ? waiting.current.get(event.id) : undefined;
    if (!slot || event.topic !== "media" || event.state === "working") return;
    waiting.current.delete(event.id);
    if (event.state === "failed") {
      toast.error("The file could not be read in. Media says why.");
      return;
    }
    fill(slot, event.id);
  });
  return (slot, files) => {
    const file = files[0];
    if (!file) return;
    void (async () => {
      const response = await fetch(`/media/upload?name=${encodeURIComponent(file.name)}`, {
        method: "POST",
        body: file,
        headers: { "content-type": "application/octet-stream" },
      });
      const body: unknown = await response.json();
      if (!received.isValidSync(body)) {
        toast.error(
          typeof body === "object" && body !== null && "problem" in body
            ? String(body.problem)
            : `“${file.name}” was not taken.`,
        );
        return;
      }
      if (body.known) {
        // The very file is here already, read in long ago.
        fill(slot, body.id);
        return;
      }
      waiting.current.set(body.id, slot);
      toast(`Reading in “${file.name}” …`);
    })().catch(() => toast.error(`“${file.name}” did not arrive: the connection was lost. Try again.`));
  };
}
