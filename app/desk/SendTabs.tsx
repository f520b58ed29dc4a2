import { Tabs } from "../components/Tabs";

/** The parts of sending a promotion: making its files, having them approved, posting them. */
export function SendTabs({ slug, open = 0 }: { slug: string; /** How many comments are not done. */ open?: number }) {
  const at = (path: string): string => `/promotions/${slug}/${path}`;
  const tabs = [
    { to: at("send"), text: "Render" },
    { to: at("review"), text: "Review", open },
    { to: at("post"), text: "Post" },
  ];
  return <Tabs label="Parts of Send" tabs={tabs} className="bg-card px-5 text-[14.5px]" />;
}
