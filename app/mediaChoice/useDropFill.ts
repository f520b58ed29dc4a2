import { useRef } from "react";
import { toast } from "sonner";
import { object, string } from "yup";
import { type SlotKey } from "../../core/document/sceneTemplate";
import { endsReading } from "../../core/team/teamEvent";
import { ownAnswer } from "../components/ownAnswer";
import { useTeamEvents } from "../components/useTeamEvents";
import { sendFile } from "../components/sendFile";

const reading = object({ state: string().oneOf(["waiting", "working", "ready", "failed"]).required() });
const isReading = (value: unknown): value is { readonly state: string } => reading.isValidSync(value);

/**
 * Brings a file dropped on a slot, or on a lane, into the media, and fills that with it once it has been read in.
 *
 * @param promotion its slug, where places are slots of it: the server fills them too, for whoever has left the page by then
 */
export function useDropFill<Place extends string = SlotKey>(
  fill: (place: Place, media: string) => void,
  promotion: string | null = null,
): (place: Place, files: ArrayLike<File>) => void {
  const waiting = useRef(new Map<string, Place>());
  /** What came of items while files are on their way: that may be known before the answer to the upload is here. */
  const ended = useRef(new Map<string, string>());
  function settle(id: string, state: string): void {
    const place = waiting.current.get(id);
    if (!place) return;
    waiting.current.delete(id);
    if (state === "failed") toast.error("The file could not be read in. Media says why.");
    else fill(place, id);
  }
  async function ask(id: string): Promise<void> {
    const item = await ownAnswer(`/media/${id}/state`, isReading);
    if (item && endsReading(item.state)) settle(id, item.state);
  }
  async function askForWaiting(): Promise<void> {
    for (const id of waiting.current.keys()) await ask(id);
  }
  useTeamEvents(
    (event) => {
      if (event.topic !== "media" || !endsReading(event.state)) return;
      ended.current.set(event.id, event.state);
      settle(event.id, event.state);
    },
    // Asked again when the stream is open the next time.
    () => void askForWaiting().catch(() => undefined),
  );
  return (place, files) => {
    const file = files[0];
    if (!file) return;
    sendFile(file, promotion === null ? {} : { promotion, slot: place }, {
      onReceived: ({ id, known }) => {
        if (known) {
          // The very file is here already, read in long ago.
          fill(place, id);
          return;
        }
        waiting.current.set(id, place);
        const already = ended.current.get(id);
        if (already) {
          settle(id, already);
          return;
        }
        toast(`Reading in “${file.name}” …`);
        // What was told while the stream was away, before this was waited for, nobody tells again.
        void ask(id).catch(() => undefined);
      },
      onProblem: (problem, isLost) => void toast.error(isLost ? `${problem} Try again.` : problem),
    });
  };
}
