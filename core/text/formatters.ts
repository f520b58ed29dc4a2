/**
 * The formatters of `Intl` that were used before. Making one takes as long as writing hundreds of numbers with it, and lists
 * write each line with the same few.
 */
const numbers = new Map<string, Intl.NumberFormat>();
const dates = new Map<string, Intl.DateTimeFormat>();
/** There are a few for each team's language and zone; whoever asks for thousands begins anew. */
const MOST = 500;

function kept<Formatter>(known: Map<string, Formatter>, key: string, make: () => Formatter): Formatter {
  const before = known.get(key);
  if (before) return before;
  if (known.size >= MOST) known.clear();
  const made = make();
  known.set(key, made);
  return made;
}

/** As `new Intl.NumberFormat`, made once. */
export const numberFormat = (locale: string, options: Intl.NumberFormatOptions): Intl.NumberFormat =>
  kept(numbers, JSON.stringify([locale, options]), () => new Intl.NumberFormat(locale, options));

/** As `new Intl.DateTimeFormat`, made once. */
export const dateFormat = (locale: string, options: Intl.DateTimeFormatOptions): Intl.DateTimeFormat =>
  kept(dates, JSON.stringify([locale, options]), () => new Intl.DateTimeFormat(locale, options));

/** Writes a moment as a team reads it: day and time in its zone. */
export const momentFormat = ({
  locale,
  zone,
}: {
  readonly locale: string;
  readonly zone: string;
}): Intl.DateTimeFormat => dateFormat(locale, { dateStyle: "medium", timeStyle: "short", timeZone: zone });
