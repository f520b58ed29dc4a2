import { Link } from "react-router";
import { isFormatName } from "../../core/placement/formats";
import { type ReviewState } from "../../core/review/reviewState";
import { wallTime } from "../../core/offer/validity";
import { dateFormat } from "../../core/text/formatters";
import { requirePerson } from "../../server/auth/sessions";
import { stillStamp } from "../../server/promotions/stillStamp";
import { loadBench } from "../../server/promotions/bench";
import type { Route } from "./+types/bench";
import { ButtonLink } from "../components/Button";
import { FormatMark } from "../components/FormatMark";
import { OfferCalendar } from "../components/OfferCalendar";
import { PageHead } from "../components/PageHead";
import { TrioThumbs } from "../components/TrioThumbs";
import { useRenditionNews } from "../components/useRenditionNews";
import { ForEditors } from "../components/ForEditors";

export async function loader({ request }: Route.LoaderArgs) {
  const { scope, team, name } = await requirePerson(request);
  const { promotions, offers, running, reviews, now } = await loadBench(scope);
  const day = (at: Date): string => wallTime(at, team.zone).slice(0, 10);
  const write = dateFormat(team.locale, {
    weekday: "short",
    day: "numeric",
    month: "short",
    timeZone: team.zone,
  });
  return {
    firstName: name.split(" ")[0] ?? name,
    today: day(now),
    stamp: stillStamp(team),
    more: promotions.count - promotions.promotions.length,
    promotions: promotions.promotions.map(({ changedAt, ...promotion }) => ({
      ...promotion,
      changed: write.format(changedAt),
    })),
    offers: offers.map(({ id, name: offer, what, at, startsAt, endsAt }) => {
      const shown = new Date(at.getTime() - (what === "ends" ? 1 : 0));
      return {
        id,
        name: offer,
        what,
        when: write.format(shown),
        from: day(startsAt),
        to: day(new Date(endsAt.getTime() - 1)),
      };
    }),
    running,
    reviews: reviews.map(({ at, ...review }) => ({ ...review, when: write.format(at) })),
  };
}

export default function Bench({
  loaderData: { firstName, today, stamp, more, promotions, offers, running, reviews },
}: Route.ComponentProps) {
  const shares = useRenditionNews(running);
  return (
    <main className="flex-1 px-8 py-7 max-sm:px-4">
      <PageHead title={`Good day, ${firstName}`} about="What is on the bench, and what the calendar says.">
        <ForEditors>
          <ButtonLink look="main" to="/promotions/new">
            New promotion
          </ButtonLink>
        </ForEditors>
      </PageHead>
      <div className="grid grid-cols-[minmax(0,1fr)_330px] gap-10 max-lg:grid-cols-1">
        <section aria-label="Promotions in work">
          <h2 className="mb-3">In work</h2>
          {promotions.length === 0 ? (
            <div className="border border-dashed border-firm p-14 text-center">
              <p className="text-soft">
                No promotion yet. Choose a template, a product and an offer; the first version fills itself.
              </p>
              <ButtonLink look="main" to="/promotions/new" className="mt-4">
                Make the first one
              </ButtonLink>
            </div>
          ) : (
            <ul className="grid grid-cols-2 gap-6 max-xl:grid-cols-2 max-md:grid-cols-1">
              {promotions.map(({ slug, revision, name, formats, changed }) => (
                <li key={slug} className="bg-card">
                  <Link to={`/promotions/${slug}`} className="flex h-full flex-col">
                    <TrioThumbs slug={slug} revision={revision} formats={formats} stamp={stamp} />
                    <span className="flex items-baseline justify-between gap-3 px-4 py-3">
                      <span className="font-semibold">{name}</span>
                      <span className="text-sm whitespace-nowrap text-soft">{changed}</span>
                    </span>
                  </Link>
                </li>
              ))}
            </ul>
          )}
          {more > 0 && (
            <Link to="/promotions" className="mt-4 inline-block underline underline-offset-4">
              All promotions, {more} more
            </Link>
          )}
        </section>
        <div className="flex flex-col gap-8">
          {reviews.length > 0 && (
            <section aria-label="In review">
              <h2 className="mb-3">In review</h2>
              <ul className="divide-y divide-rule border-y border-rule">
                {reviews.map((review) => (
                  <InReview key={review.slug} review={review} />
                ))}
              </ul>
            </section>
          )}
          <section aria-label="Renders under way">
            <div className="mb-3 flex items-baseline justify-between">
              <h2>Rendering now</h2>
              <Link to="/queue" className="text-sm text-soft underline underline-offset-2 hover:text-ink">
                The whole queue
              </Link>
            </div>
            {running.length === 0 ? (
              <p className="border-y border-rule py-3 text-sm text-soft">Nothing is rendering.</p>
            ) : (
              <ul className="divide-y divide-rule border-y border-rule">
                {running.map((rendition) => (
                  <Running
                    key={rendition.id}
                    rendition={rendition}
                    share={shares[rendition.id] ?? rendition.progress}
                  />
                ))}
              </ul>
            )}
          </section>
          <section aria-label="Offers soon">
            <h2 className="mb-3">Offers, two weeks ahead</h2>
            <OfferCalendar today={today} offers={offers} />
            <ul className="mt-3 divide-y divide-rule border-y border-rule">
              {offers.length === 0 && <li className="py-3 text-sm text-soft">No offer starts or ends soon.</li>}
              {offers.map(({ id, name, what, when }) => (
                <li key={id} className="flex items-baseline justify-between gap-3 py-2 text-sm">
                  <span className="font-semibold">{name}</span>
                  <span className={what === "ends" ? "text-warn" : "text-ready"}>
                    {what} {when}
                  </span>
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

/** Who waits for what. */
const WAITS_FOR: Readonly<Record<ReviewState, string>> = {
  none: "",
  asked: "waits for approval",
  changes: "waits for changes",
  approved: "",
  lapsed: "changed since it was approved",
};

function InReview({
  review: { slug, name, state, when, open },
}: {
  review: {
    readonly slug: string;
    readonly name: string;
    readonly state: ReviewState;
    readonly when: string;
    readonly open: number;
  };
}) {
  return (
    <li className="py-2 text-sm">
      <Link to={`/promotions/${slug}/review`} className="block">
        <span className="font-semibold">{name}</span>
        <span className="flex justify-between gap-3 text-soft">
          <span className={state === "asked" ? "" : "text-warn"}>{WAITS_FOR[state]}</span>
          <span className="whitespace-nowrap">
            {open > 0 && `${open} open · `}
            {when}
          </span>
        </span>
      </Link>
    </li>
  );
}

function Running({
  rendition: { format, slug, name },
  share,
}: {
  rendition: { readonly format: string; readonly slug: string; readonly name: string };
  share: number;
}) {
  return (
    <li className="py-2 text-sm">
      <Link to={`/promotions/${slug}/send`} className="flex items-center gap-2">
        {isFormatName(format) && <FormatMark format={format} />}
        <span className="flex-1 truncate">{name}</span>
        <span className="figures">{Math.round(share * 100)} %</span>
      </Link>
      <div className="mt-1 h-1.5 bg-rule">
        <div className="h-full bg-ready" style={{ width: `${share * 100}%` }} />
      </div>
    </li>
  );
}
