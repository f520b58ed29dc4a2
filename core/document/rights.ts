/** What is known of the right to use a media item. Days are `YYYY-MM-DD`, both ends included. */
export interface RightsNote {
  readonly source: string;
  readonly licence: string;
  readonly holder: string;
  readonly from: string | null;
  readonly to: string | null;
}

export type RightsState = "clear" | "missing" | "not-yet" | "ended";

/** The state of a rights note on a day. A note needs a licence; who holds it and where it came from are good to know. */
export function rightsState(note: RightsNote, today: string): RightsState {
  if (note.licence.trim() === "") return "missing";
  if (note.to !== null && note.to < today) return "ended";
  return note.from !== null && note.from > today ? "not-yet" : "clear";
}

export const RIGHTS_WORDS: Readonly<Record<RightsState, string>> = {
  clear: "rights clear",
  missing: "no rights note",
  "not-yet": "rights not begun",
  ended: "rights ended",
};
