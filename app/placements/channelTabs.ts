import { type Tab } from "../components/Tabs";

/** The parts of what has to do with channels. */
export const CHANNEL_TABS: readonly Tab[] = [
  { to: "/channels", text: "Posts" },
  { to: "/channels/placements", text: "Placements" },
];
