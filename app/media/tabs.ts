import { type Tab } from "../components/Tabs";

/** The parts of the media page. */
export const MEDIA_TABS: readonly Tab[] = [
  { to: "/media", text: "Your media" },
  { to: "/media/shelf", text: "Starter shelf" },
  { to: "/media/backdrops", text: "Backdrops from words" },
];
