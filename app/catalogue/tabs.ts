import { type Tab } from "../components/Tabs";

/** The parts of the catalogue. */
export const CATALOGUE_TABS: readonly Tab[] = [
  { to: "/catalogue", text: "Products" },
  { to: "/catalogue/offers", text: "Offers" },
];
