import { Refusal } from "../core/refusal";

/** Whether a text is an id as the database makes them (RFC 9562 UUID). Anything else would be an error of the database's. */
export const isId = (text: string | null | undefined): text is string =>
  /^[0-9a-f]{8}(?:-[0-9a-f]{4}){3}-[0-9a-f]{12}$/i.test(text ?? "");

/** The id that no row has. */
export const NO_ID = "00000000-0000-0000-0000-000000000000";

/** As many as anyone marks on a page; a query takes no more than some ten thousand values. */
const MOST_IDS = 10_000;

/** The ids of a list with commas; what is none is left out. Throws a Refusal where they are too many. */
export function readIds(text: string): string[] {
  const ids = [...new Set(text.split(",").filter(isId))];
  if (ids.length > MOST_IDS) throw new Refusal(`At most ${MOST_IDS} at once: mark fewer, and repeat.`);
  return ids;
}
