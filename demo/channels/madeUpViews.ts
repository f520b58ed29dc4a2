import { createHash } from "node:crypto";
import { type DayOfViews } from "../../server/channels/connection";
import { seeded } from "../../server/shelf/random";

const DAY_MS = 86_400_000;

/**
 * Views by day since a post went live: made up, the same each time. Most come in the first days; a weekend has more; the
 * day that is not over has its share.
 */
export function madeUpViews(post: string, liveAt: Date, now: Date): DayOfViews[] {
  const numbers = seeded(createHash("sha256").update(post).digest().readUInt32LE());
  const reach = numbers.between(200, 2000);
  const days: DayOfViews[] = [];
  for (let at = 0; ; at++) {
    const begin = Date.parse(`${new Date(liveAt.getTime() + at * DAY_MS).toISOString().slice(0, 10)}T00:00:00Z`);
    if (begin > now.getTime()) return days;
    const date = new Date(begin);
    const weekend = date.getUTCDay() % 6 === 0 ? 1.3 : 1;
    const whole = reach * Math.exp(-at / 4) * weekend * numbers.between(0.8, 1.2);
    const from = Math.max(begin, liveAt.getTime());
    const share = Math.min(1, (Math.min(now.getTime(), begin + DAY_MS) - from) / DAY_MS);
    // Some see it at once.
    const first = at === 0 ? Math.round(numbers.between(3, 23)) : 0;
    days.push({ day: date.toISOString().slice(0, 10), views: first + Math.round(whole * share) });
  }
}
