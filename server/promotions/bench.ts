import { offerState } from "../../core/offer/validity";
import { type TeamScope } from "../db/teamScope";
import { inReview } from "../review/promotionReview";
import { ALL_PROMOTIONS, listPromotions } from "./promotionList";

/** The rest is on the page of all promotions. */
const MOST_IN_WORK = 8;
const MOST_RUNNING = 50;
const MOST_OFFERS = 200;
const SOON_MS = 14 * 86_400_000;

/** What needs doing: promotions in work, those whose review waits for somebody, offers that start or end soon, renders under way. */
export async function loadBench(scope: TeamScope) {
  const now = new Date();
  const [promotions, offers, running, reviews] = await Promise.all([
    listPromotions(scope, ALL_PROMOTIONS, { most: MOST_IN_WORK }),
    scope
      .select("offer")
      .select(["id", "name", "starts_at", "ends_at", "zone"])
      .where("ends_at", ">", now)
      .where("starts_at", "<", new Date(now.getTime() + SOON_MS))
      .orderBy("starts_at")
      .limit(MOST_OFFERS)
      .execute(),
    scope
      .select("rendition")
      .innerJoin("render", "render.id", "rendition.render_id")
      .innerJoin("promotion", "promotion.id", "render.promotion_id")
      .where("rendition.state", "in", ["waiting", "working"])
      .orderBy("rendition.created_at")
      .limit(MOST_RUNNING)
      .select([
        "rendition.id",
        "rendition.state",
        "rendition.format",
        "rendition.progress",
        "promotion.slug",
        "promotion.name",
      ])
      .execute(),
    inReview(scope),
  ]);
  const days = offers.flatMap((offer) => {
    const state = offerState({ startsAt: offer.starts_at, endsAt: offer.ends_at, zone: offer.zone }, now);
    const next = state === "coming" ? offer.starts_at : offer.ends_at;
    return state !== "ended" && next.getTime() - now.getTime() < SOON_MS
      ? [
          {
            id: offer.id,
            name: offer.name,
            what: state === "coming" ? ("starts" as const) : ("ends" as const),
            at: next,
            startsAt: offer.starts_at,
            endsAt: offer.ends_at,
            zone: offer.zone,
          },
        ]
      : [];
  });
  return { promotions, offers: days.sort((a, b) => a.at.getTime() - b.at.getTime()), running, reviews, now };
}
