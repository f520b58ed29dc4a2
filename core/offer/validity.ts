import { daysBetween } from "./days";
import { Refusal } from "../refusal";
import { dateFormat, numberFormat } from "../text/formatters";
/** An offer's window: two instants, and the zone in which people read them. The end is the first moment it is over. */
export interface OfferWindow {
  readonly startsAt: Date;
  readonly endsAt: Date;
  /** IANA name, such as Europe/London. */
  readonly zone: string;
}

export type OfferState = "coming" | "running" | "ended";

export function offerState(window: OfferWindow, at: Date): OfferState {
  if (at < window.startsAt) return "coming";
  return at < window.endsAt ? "running" : "ended";
}

/**
 * The instant of a wall-clock time in a zone. `local` is `YYYY-MM-DDTHH:mm`. Across a daylight-saving change the zone's
 * own offset at that wall time is used; a wall time that is skipped is moved on by the gap.
 * Throws when the text is not such a time or the zone is unknown.
 */
export function instantOf(local: string, zone: string): Date {
  const parts = /^(\d{4})-(\d{2})-(\d{2})T(\d{2}):(\d{2})$/.exec(local);
  if (!parts) throw new Refusal(`“${local}” is not a date and time. Write it like 2030-05-01T09:00.`);
  const asUtc = Date.parse(`${local}:00Z`);
  if (Number.isNaN(asUtc)) throw new Refusal(`“${local}” is not a date and time that exists.`);
  const first = asUtc - offsetAt(asUtc, zone);
  return new Date(asUtc - offsetAt(first, zone));
}

/** The wall-clock time of an instant in a zone, as `YYYY-MM-DDTHH:mm`. */
export function wallTime(instant: Date, zone: string): string {
  const at = new Date(instant.getTime() + offsetAt(instant.getTime(), zone));
  return at.toISOString().slice(0, 16);
}

/** How far a zone's clocks are ahead of UTC at an instant, in milliseconds. */
function offsetAt(instant: number, zone: string): number {
  const parts = dateFormat("en-US", {
    timeZone: zone,
    hourCycle: "h23",
    year: "numeric",
    month: "numeric",
    day: "numeric",
    hour: "numeric",
    minute: "numeric",
    second: "numeric",
  }).formatToParts(new Date(instant));
  const read = (type: string): number => Number(parts.find((part) => part.type === type)?.value);
  const wall = Date.UTC(read("year"), read("month") - 1, read("day"), read("hour"), read("minute"), read("second"));
  return wall - Math.floor(instant / 1000) * 1000;
}

/** The last day an offer runs, in words of a locale: `Sunday 29 November`. Called on the server only, as writePrice. */
export const lastDay = (window: OfferWindow, locale: string): string =>
  dayInWords(new Date(window.endsAt.getTime() - 1), window.zone, locale);

/**
 * How many days an offer still runs at an instant, counted as days of its zone, that of the instant and its last one among
 * them; 0 when it is over.
 */
export function daysLeft(window: OfferWindow, at: Date): number {
  if (offerState(window, at) === "ended") return 0;
  const dayOf = (instant: Date): string => wallTime(instant, window.zone).slice(0, 10);
  return daysBetween(dayOf(at), dayOf(new Date(window.endsAt.getTime() - 1))) + 1;
}

/** As `daysLeft`, in words of a locale: `3 days`; empty when it is over. Called on the server only, as writePrice. */
export function daysLeftInWords(window: OfferWindow, at: Date, locale: string): string {
  const days = daysLeft(window, at);
  return days === 0 ? "" : numberFormat(locale, { style: "unit", unit: "day", unitDisplay: "long" }).format(days);
}

export const firstDay = (window: OfferWindow, locale: string): string =>
  dayInWords(window.startsAt, window.zone, locale);

const dayInWords = (at: Date, zone: string, locale: string): string =>
  dateFormat(locale, { weekday: "long", day: "numeric", month: "long", timeZone: zone }).format(at);
