import { useLocation, useNavigate } from "react-router";
import { toast } from "sonner";
import { useTeamEvents } from "./useTeamEvents";

/** Tells, on whatever page, that a render that this person asked for is done. @param person their id */
export function useRenderNotices(person: string): void {
  const navigate = useNavigate();
  const { pathname } = useLocation();
  useTeamEvents((event) => {
    if (event.topic !== "rendition" || event.by !== person || event.left > 0) return;
    if (event.state !== "ready" && event.state !== "failed") return;
    const send = `/promotions/${event.promotion}/send`;
    // There it is seen.
    if (pathname === send) return;
    const open = { label: "Open", onClick: () => void navigate(send) };
    if (event.state === "ready") toast(`“${event.name}” is rendered.`, { action: open });
    else toast.error(`“${event.name}” could not be rendered as a whole.`, { action: open });
  });
}
