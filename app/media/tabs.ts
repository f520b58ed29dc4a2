/** The parts of the media page. */
export const MEDIA_TABS = [
  ["/media", "Your media"],
  ["/media/shelf", "Starter shelf"],
  ["/media/backdrops", "Backdrops from words"],
] as const;
