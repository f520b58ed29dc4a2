/** What is done to marked promotions, and how one says that it was. */
export const MARKED_DONE = {
  archive: "archived",
  restore: "put back",
  remove: "removed for good",
  file: "filed",
} as const;
export type MarkedChange = keyof typeof MARKED_DONE;
