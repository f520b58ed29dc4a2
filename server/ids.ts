/** Whether a text is an id as the database makes them (RFC 9562 UUID). Anything else would be an error of the database's. */
export const isId = (text: string | null | undefined): text is string =>
  /^[0-9a-f]{8}(?:-[0-9a-f]{4}){3}-[0-9a-f]{12}$/i.test(text ?? "");

/** The id that no row has. */
export const NO_ID = "00000000-0000-0000-0000-000000000000";

/** The ids of a list with commas; what is none is left out. */
export const readIds = (text: string): string[] => text.split(",").filter(isId);
