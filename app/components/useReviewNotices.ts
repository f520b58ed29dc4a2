import { useLocation, useNavigate } from "react-router";
import { toast } from "sonner";
import { type ReviewEvent } from "../../core/team/teamEvent";
import { useTeamEvents } from "./useTeamEvents";

const SAID: Readonly<Record<ReviewEvent["what"], ((event: ReviewEvent) => string) | null>> = {
  none: null,
  comment: ({ name, by }) => `${by} said something about “${name}”.`,
  asked: ({ name, by }) => `${by} asks for approval of “${name}”.`,
  changes: ({ name, by }) => `${by} asks for changes to “${name}”.`,
  approved: ({ name, by }) => `${by} approved “${name}”.`,
  lapsed: ({ name }) => `“${name}” was changed since it was approved.`,
};

/** Tells, on whatever page, what others say about promotions and decide. @param person what the person is called */
export function useReviewNotices(person: string): void {
  const navigate = useNavigate();
  const { pathname } = useLocation();
  useTeamEvents((event) => {
    if (event.topic !== "review" || (event.by === person && event.what !== "lapsed")) return;
    const review = `/promotions/${event.slug}/review`;
    const said = SAID[event.what];
    // There it is seen.
    if (said === null || pathname === review) return;
    toast(said(event), { action: { label: "Open", onClick: () => void navigate(review) } });
  });
}
