const DAY_MS = 86_400_000;
/** How a day is written. */
export const DAY = /^\d{4}-\d{2}-\d{2}$/;

/** Whether a text is a day of the calendar, written as ISO 8601 does: `2026-12-24`. */
export const isDay = (text: string | undefined): boolean => text !== undefined && DAY.test(text) && isInCalendar(text);

/** Days that no month has are taken for those after it by some, and refused by others. */
function isInCalendar(text: string): boolean {
  const time = Date.parse(text);
  return !Number.isNaN(time) && new Date(time).toISOString().startsWith(text);
}

/** The day so many days after another. */
export const dayAfter = (day: string, days: number): string =>
  new Date(Date.parse(day) + days * DAY_MS).toISOString().slice(0, 10);

/** How many days there are from one day to another, both as `isDay` has them; below 0 when the other is before it. */
export const daysBetween = (from: string, to: string): number =>
  Math.round((Date.parse(to) - Date.parse(from)) / DAY_MS);
