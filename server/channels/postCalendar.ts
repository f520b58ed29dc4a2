import ical from "ical-generator";
import { sql } from "kysely";
import { wallTime } from "../../core/offer/validity";
import { type TeamScope } from "../db/teamScope";
import { type PostState } from "../db/tables";

const DAY_MS = 86_400_000;
/** The calendar shows so much of what was and of what comes. */
const DAYS_BEFORE = 35;
const DAYS_AHEAD = 60;
const MOST_POSTS = 1000;

/** A post as the calendar shows it. */
export interface CalendarPost {
  readonly id: string;
  readonly slug: string;
  readonly name: string;
  readonly channel: string;
  readonly placement: string;
  readonly state: PostState;
  readonly at: Date;
  readonly views: number;
}
/** An offer as the calendar shows it. */
export interface CalendarOffer {
  readonly id: string;
  readonly name: string;
  readonly startsAt: Date;
  readonly endsAt: Date;
}
/** How often a channel's posts were seen on a day. */
export interface ViewsOfDay {
  readonly day: string;
  readonly channel: string;
  readonly views: number;
}
export interface PostCalendar {
  readonly posts: readonly CalendarPost[];
  readonly offers: readonly CalendarOffer[];
  readonly views: readonly ViewsOfDay[];
}

/** What was posted lately and is planned, the offers of that time, and how often all of it was seen. */
export async function postCalendar(scope: TeamScope, now: Date): Promise<PostCalendar> {
  const from = new Date(now.getTime() - DAYS_BEFORE * DAY_MS);
  const to = new Date(now.getTime() + DAYS_AHEAD * DAY_MS);
  const [posts, offers, views] = await Promise.all([
    scope
      .select("post")
      .innerJoin("promotion", "promotion.id", "post.promotion_id")
      .where("at", ">=", from)
      .where("at", "<", to)
      .where("state", "!=", "cancelled")
      .orderBy("at")
      .limit(MOST_POSTS)
      .select([
        "post.id",
        "promotion.slug",
        "promotion.name",
        "post.channel",
        "post.placement",
        "post.state",
        "post.at",
      ])
      .select(sql<string>`(select coalesce(sum(views), 0) from post_views where post_id = post.id)`.as("views"))
      .execute(),
    scope
      .select("offer")
      .where("ends_at", ">", from)
      .where("starts_at", "<", to)
      .orderBy("starts_at")
      .limit(200)
      .select(["id", "name", "starts_at", "ends_at"])
      .execute(),
    scope
      .select("post_views")
      .innerJoin("post", "post.id", "post_views.post_id")
      .where("day", ">=", from.toISOString().slice(0, 10))
      .groupBy(["day", "channel"])
      .orderBy("day")
      .select(["day", "channel", sql<string>`sum(views)`.as("views")])
      .execute(),
  ]);
  return {
    posts: posts.map((post) => ({ ...post, views: Number(post.views) })),
    offers: offers.map(({ id, name, starts_at, ends_at }) => ({ id, name, startsAt: starts_at, endsAt: ends_at })),
    views: views.map(({ day, channel, views: seen }) => ({ day, channel, views: Number(seen) })),
  };
}

/** A post is no appointment: it has no length to speak of. */
const EVENT_MINUTES = 15;

/** The calendar as other programs read it (iCalendar, RFC 5545): posts as events, offers as days. */
export function calendarFile(
  { posts, offers }: PostCalendar,
  { team, zone, address }: { readonly team: string; readonly zone: string; readonly address: (slug: string) => string },
): string {
  const calendar = ical({ name: `${team}: posts and offers`, prodId: { company: "Stencilcraft", product: "Posts" } });
  for (const { id, slug, name, channel, placement, at } of posts)
    calendar.createEvent({
      ...{ id: `${id}@stencilcraft`, start: at, end: new Date(at.getTime() + EVENT_MINUTES * 60_000) },
      ...{ summary: `${name} → ${placement}`, description: channel, url: address(slug) },
    });
  for (const { id, name, startsAt, endsAt } of offers)
    calendar.createEvent({
      ...{ id: `${id}@stencilcraft`, allDay: true, summary: name },
      start: dayOf(startsAt, zone),
      // The day after the last (RFC 5545, 3.6.1).
      end: new Date(dayOf(new Date(endsAt.getTime() - 1), zone).getTime() + DAY_MS),
    });
  return calendar.toString();
}

/** The day that it is where the team is, as a moment of that name in UTC: whole days have no zone. */
const dayOf = (at: Date, zone: string): Date => new Date(`${wallTime(at, zone).slice(0, 10)}T00:00:00Z`);
