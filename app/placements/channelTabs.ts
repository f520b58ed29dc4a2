/** The parts of what has to do with channels. */
export const CHANNEL_TABS = [["/channels/placements", "Placements"]] as const;
