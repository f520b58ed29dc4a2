import { Link } from "react-router";
import { dayAfter } from "../../core/offer/days";
import { wallTime } from "../../core/offer/validity";
import { placementById } from "../../core/placement/placements";
import { dateFormat } from "../../core/text/formatters";
import { requirePerson } from "../../server/auth/sessions";
import { channelsNow } from "../../server/channels/connected";
import { postCalendar } from "../../server/channels/postCalendar";
import { teamPlacements } from "../../server/placements/ownPlacements";
import type { Route } from "./+types/channels";
import { Notice } from "../components/Notice";
import { PageHead } from "../components/PageHead";
import { Tabs } from "../components/Tabs";
import { CHANNEL_TABS } from "../placements/channelTabs";
import { PostCalendar } from "../post/PostCalendar";
import { ViewsChart } from "../post/ViewsChart";

export async function loader({ request }: Route.LoaderArgs) {
  const { scope, team } = await requirePerson(request);
  const now = new Date();
  const [{ posts, offers, views }, { channels, problem }, { placements }] = await Promise.all([
    postCalendar(scope, now),
    channelsNow(),
    teamPlacements(scope),
  ]);
  const day = (at: Date): string => wallTime(at, team.zone).slice(0, 10);
  const written = dateFormat(team.locale, { dateStyle: "medium", timeStyle: "short", timeZone: team.zone });
  return {
    problem,
    today: day(now),
    channels: channels.map(({ id, title, about, placements: places }) => ({
      ...{ id, title, about },
      places: places.map((place) => place.title),
    })),
    posts: posts.map(({ at, placement, ...post }) => ({
      ...post,
      placement: placementById(placement, placements)?.title ?? placement,
      ...{ day: day(at), time: wallTime(at, team.zone).slice(11, 16), when: written.format(at) },
    })),
    offers: offers.map(({ id, name, startsAt, endsAt }) => ({
      ...{ id, name, from: day(startsAt), to: day(new Date(endsAt.getTime() - 1)) },
    })),
    views,
  };
}

const WEEKS = 5;
/** The chart goes back so far. */
const CHART_DAYS = 28;

export default function Channels({
  loaderData: { problem, today, channels, posts, offers, views },
}: Route.ComponentProps) {
  const coming = posts.filter(({ state }) => state !== "live");
  const live = posts.filter(({ state }) => state === "live").toReversed();
  return (
    <main className="flex-1 px-8 py-7 max-sm:px-4">
      <PageHead title="Channels" about="Where promotions go, and what is taken there.">
        <a href="/channels/calendar.ics" download className="self-center text-sm underline underline-offset-2">
          Calendar as ICS
        </a>
      </PageHead>
      <Tabs label="Channels" tabs={CHANNEL_TABS} />
      {problem !== null && (
        <Notice kind="warn" className="mb-4">
          {problem}
        </Notice>
      )}
      <div className="grid grid-cols-[minmax(0,1fr)_340px] gap-10 max-lg:grid-cols-1">
        <div className="flex min-w-0 flex-col gap-9">
          <PostCalendar today={today} weeks={WEEKS} posts={posts} offers={offers} />
          <ViewsChart
            from={dayAfter(today, -CHART_DAYS)}
            to={today}
            views={views}
            offers={offers}
            channels={channels}
          />
        </div>
        <div className="flex flex-col gap-8">
          <section aria-label="Planned">
            <h2 className="mb-3">Planned and under way</h2>
            {coming.length === 0 ? (
              <p className="border-y border-rule py-3 text-sm text-soft">
                Nothing is planned. A promotion is posted on its Send desk.
              </p>
            ) : (
              <ul className="divide-y divide-rule border-y border-rule text-sm">
                {coming.map(({ id, slug, name, placement, when, state }) => (
                  <li key={id} className="py-2">
                    <Link to={`/promotions/${slug}/post`} className="font-semibold underline-offset-2 hover:underline">
                      {name}
                    </Link>
                    <span className="block text-soft">
                      {placement}, {when}
                      {state === "failed" && <span className="text-wrong">: not posted</span>}
                    </span>
                  </li>
                ))}
              </ul>
            )}
          </section>
          <section aria-label="Posted">
            <h2 className="mb-3">Posted lately</h2>
            {live.length === 0 ? (
              <p className="border-y border-rule py-3 text-sm text-soft">Nothing yet.</p>
            ) : (
              <ul className="divide-y divide-rule border-y border-rule text-sm">
                {live.map(({ id, slug, name, placement, when, views: seen }) => (
                  <li key={id} className="py-2">
                    <span className="flex justify-between gap-3">
                      <Link
                        to={`/promotions/${slug}/post`}
                        className="font-semibold underline-offset-2 hover:underline"
                      >
                        {name}
                      </Link>
                      <span className="figures whitespace-nowrap">{seen} views</span>
                    </span>
                    <span className="text-soft">
                      {placement}, {when}
                    </span>
                  </li>
                ))}
              </ul>
            )}
          </section>
          <section aria-label="Connected">
            <h2 className="mb-3">Connected</h2>
            <ul className="divide-y divide-rule border-y border-rule text-sm">
              {channels.map(({ id, title, about, places }) => (
                <li key={id} className="py-2">
                  <span className="font-semibold">{title}</span>, simulated: {about}
                  <span className="block text-soft">{places.join(", ")}</span>
                </li>
              ))}
            </ul>
          </section>
        </div>
      </div>
    </main>
  );
}

export { ProblemPage as ErrorBoundary } from "../components/ProblemPage";
