import { type ReactNode } from "react";
import { Bar, BarChart, ResponsiveContainer, Tooltip, XAxis, YAxis } from "recharts";
import { counted } from "../../core/text/counted";
import { chartAxis, chartTip } from "../components/chartLook";
import { type HourOfWork } from "../../server/jobs/jobTimes";

const HEIGHT = 96;

/** What was made in each of the last hours, how long it had waited, and how much of it was there already. */
export function HourCharts({ hours }: { hours: readonly HourOfWork[] }) {
  const made = hours.reduce((sum, { renditions, files }) => sum + renditions + files, 0);
  if (made === 0)
    return (
      <section aria-label="The last 24 hours">
        <h2 className="mb-2">The last 24 hours</h2>
        <p className="border-y border-rule py-3 text-sm text-soft">Nothing was made yet.</p>
      </section>
    );
  const rows = hours.map((hour) => ({
    ...hour,
    hour: hour.ago === 0 ? "now" : `${hour.ago} h ago`,
    reused: hour.reused === null ? null : Math.round(hour.reused * 100),
    waited: hour.waited === null ? null : Math.round(hour.waited),
  }));
  const files = rows.reduce((sum, one) => sum + one.files, 0);
  return (
    <section aria-label="The last 24 hours">
      <h2 className="mb-2">The last 24 hours</h2>
      <div className="flex flex-col gap-4 border-y border-rule py-3">
        <Chart title="Made in an hour" said={`${counted(made - files, "rendition")} and ${counted(files, "file")}`}>
          <BarChart data={rows} margin={MARGIN}>
            <XAxis dataKey="hour" {...chartAxis} ticks={TICKS} interval={0} />
            <YAxis width={28} allowDecimals={false} {...chartAxis} />
            <Tooltip {...tip} />
            <Bar dataKey="renditions" stackId="made" fill="var(--color-ink)" isAnimationActive={false} />
            <Bar dataKey="files" stackId="made" fill="var(--color-firm)" isAnimationActive={false} />
          </BarChart>
        </Chart>
        <Chart title="Waited" said="half of it so many seconds at most">
          <BarChart data={rows} margin={MARGIN}>
            <XAxis dataKey="hour" {...chartAxis} ticks={TICKS} interval={0} />
            <YAxis width={28} allowDecimals={false} {...chartAxis} />
            <Tooltip {...tip} />
            <Bar dataKey="waited" fill="var(--color-warn)" isAnimationActive={false} />
          </BarChart>
        </Chart>
        <Chart title="Frames there already" said="per cent of what was rendered">
          <BarChart data={rows} margin={MARGIN}>
            <XAxis dataKey="hour" {...chartAxis} ticks={TICKS} interval={0} />
            <YAxis width={28} domain={[0, 100]} ticks={[0, 50, 100]} {...chartAxis} />
            <Tooltip {...tip} />
            <Bar dataKey="reused" fill="var(--color-ready)" isAnimationActive={false} />
          </BarChart>
        </Chart>
      </div>
    </section>
  );
}

const MARGIN = { top: 4, right: 8, bottom: 0, left: 0 };
const TICKS = ["18 h ago", "12 h ago", "6 h ago", "now"];
const tip = { ...chartTip, cursor: { fill: "var(--color-rule)", opacity: 0.5 } } as const;

function Chart({ title, said, children }: { title: string; said: string; children: ReactNode }) {
  return (
    <figure aria-label={`${title}: ${said}`}>
      <figcaption className="mb-1 flex items-baseline justify-between text-sm">
        <span>{title}</span>
        <span className="text-soft">{said}</span>
      </figcaption>
      <ResponsiveContainer width="100%" height={HEIGHT}>
        {children}
      </ResponsiveContainer>
    </figure>
  );
}
