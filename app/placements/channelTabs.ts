/** The parts of what has to do with channels. */
export const CHANNEL_TABS = [
  ["/channels", "Posts"],
  ["/channels/placements", "Placements"],
] as const;
