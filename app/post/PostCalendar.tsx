import { clsx } from "clsx";
import { Link } from "react-router";
import { dayAfter } from "../../core/offer/days";

interface ShownPost {
  readonly id: string;
  readonly slug: string;
  readonly name: string;
  readonly placement: string;
  readonly state: string;
  readonly day: string;
  readonly time: string;
}
/** An offer from its first day to its last, `YYYY-MM-DD`. */
export interface ShownOffer {
  readonly id: string;
  readonly name: string;
  readonly from: string;
  readonly to: string;
}

const WEEKDAYS = ["Mo", "Tu", "We", "Th", "Fr", "Sa", "Su"] as const;
/** The Monday of a day's week. */
const mondayOf = (day: string): string => dayAfter(day, -((new Date(`${day}T00:00:00Z`).getUTCDay() + 6) % 7));

/** What is posted on which day, from a week ago on, with the offers of that time. */
export function PostCalendar({
  today,
  weeks,
  posts,
  offers,
}: {
  today: string;
  weeks: number;
  posts: readonly ShownPost[];
  offers: readonly ShownOffer[];
}) {
  const first = dayAfter(mondayOf(today), -7);
  const days = Array.from({ length: weeks * 7 }, (_, at) => dayAfter(first, at));
  return (
    <section aria-label="Calendar">
      <h2 className="mb-3">Calendar</h2>
      <div className="relative overflow-x-auto" role="region" aria-label="Days" tabIndex={0}>
        <table className="w-full min-w-[620px] table-fixed border-collapse bg-card text-[13px]">
          <thead>
            <tr>
              {WEEKDAYS.map((weekday) => (
                <th key={weekday} scope="col" className="border border-rule py-1 font-normal text-soft">
                  {weekday}
                </th>
              ))}
            </tr>
          </thead>
          <tbody>
            {Array.from({ length: weeks }, (_, week) => (
              <tr key={week}>
                {days.slice(week * 7, week * 7 + 7).map((day) => (
                  <td key={day} className="h-[86px] border border-rule p-1.5 align-top">
                    <span
                      className={clsx(
                        "inline-block px-1 figures",
                        day === today ? "bg-ink text-card" : day < today ? "text-soft" : "",
                      )}
                    >
                      {Number(day.slice(8))}
                      {day === today && <span className="sr-only">, today</span>}
                    </span>
                    {offers
                      .filter(({ from, to }) => from === day || (to === day && from !== to))
                      .map(({ id, name, from }) => (
                        <span key={id} className="block truncate text-[12px] text-ready" title={name}>
                          {name} {from === day ? "begins" : "ends"}
                        </span>
                      ))}
                    {posts
                      .filter((post) => post.day === day)
                      .map(({ id, slug, name, placement, state, time }) => (
                        <Link
                          key={id}
                          to={`/promotions/${slug}/post`}
                          title={`${name}, ${placement}`}
                          className={clsx(
                            "mt-0.5 block truncate border-l-[3px] pl-1 leading-6",
                            state === "live" ? "border-ready" : state === "failed" ? "border-wrong" : "border-firm",
                          )}
                        >
                          <span className="figures">{time}</span> {name}
                        </Link>
                      ))}
                  </td>
                ))}
              </tr>
            ))}
          </tbody>
        </table>
      </div>
    </section>
  );
}
