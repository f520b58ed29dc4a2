import { Area, AreaChart, Legend, ReferenceArea, ResponsiveContainer, Tooltip, XAxis, YAxis } from "recharts";
import { dayAfter, daysBetween } from "../../core/offer/days";
import { type ViewsOfDay } from "../../server/channels/postCalendar";
import { chartAxis, chartTip } from "../components/chartLook";
import { type ShownOffer } from "./PostCalendar";

const HEIGHT = 230;
const FILLS = ["var(--color-accent)", "var(--color-ink)", "var(--color-firm)"] as const;

/** How often posts were seen day by day, with the offers that ran then. */
export function ViewsChart({
  from,
  to,
  views,
  offers,
  channels,
}: {
  /** The first and the last day, `YYYY-MM-DD`. */
  from: string;
  to: string;
  views: readonly ViewsOfDay[];
  offers: readonly ShownOffer[];
  channels: readonly { readonly id: string; readonly title: string }[];
}) {
  const days = Array.from({ length: daysBetween(from, to) + 1 }, (_, at) => dayAfter(from, at));
  const rows = days.map((day) => ({
    day,
    ...Object.fromEntries(
      channels.map(({ id }) => [id, views.find((one) => one.day === day && one.channel === id)?.views ?? 0]),
    ),
  }));
  const all = views.filter(({ day }) => day >= from && day <= to).reduce((sum, { views: seen }) => sum + seen, 0);
  const running = offers.filter((offer) => offer.to >= from && offer.from <= to);
  return (
    <section aria-label="Views" className="min-w-0">
      <h2 className="mb-3">Seen, in the last four weeks</h2>
      {all === 0 ? (
        <p className="border-y border-rule py-3 text-sm text-soft">Nothing that was posted was seen yet.</p>
      ) : (
        <figure aria-label={`${all} views in all; ${offersInWords(running)}`} className="overflow-hidden bg-card p-4">
          <figcaption className="mb-2 text-sm">
            <span className="figures font-semibold">{all}</span> views; shaded: {offersInWords(running)}
          </figcaption>
          <ResponsiveContainer width="100%" height={HEIGHT} initialDimension={{ width: 700, height: HEIGHT }}>
            <AreaChart data={rows} margin={{ top: 4, right: 8, bottom: 0, left: 0 }}>
              {running.map((offer) => (
                <ReferenceArea
                  key={offer.id}
                  x1={offer.from < from ? from : offer.from}
                  x2={offer.to > to ? to : offer.to}
                  fill="var(--color-ready)"
                  fillOpacity={0.12}
                />
              ))}
              <XAxis dataKey="day" {...chartAxis} minTickGap={40} tickFormatter={shortDay} />
              <YAxis width={40} allowDecimals={false} {...chartAxis} />
              <Tooltip {...chartTip} />
              <Legend wrapperStyle={{ fontSize: 12 }} />
              {channels.map(({ id, title }, at) => (
                <Area
                  key={id}
                  dataKey={id}
                  name={title}
                  stackId="seen"
                  stroke={FILLS[at % FILLS.length] ?? FILLS[0]}
                  fill={FILLS[at % FILLS.length] ?? FILLS[0]}
                  fillOpacity={0.55}
                  isAnimationActive={false}
                />
              ))}
            </AreaChart>
          </ResponsiveContainer>
        </figure>
      )}
    </section>
  );
}

const shortDay = (day: string): string => `${Number(day.slice(8))}.${Number(day.slice(5, 7))}.`;

const offersInWords = (offers: readonly ShownOffer[]): string =>
  offers.length === 0 ? "no offer" : offers.map(({ name }) => name).join(", ");
