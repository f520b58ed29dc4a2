import { NavLink } from "react-router";

const TABS = [
  ["Render", "send"],
  ["Review", "review"],
  ["Post", "post"],
] as const;

/** The parts of sending a promotion: making its files, having them approved, posting them. */
export function SendTabs({ slug, open = 0 }: { slug: string; /** How many comments are not done. */ open?: number }) {
  return (
    <nav aria-label="Parts of Send" className="flex gap-6 border-b border-rule bg-card px-5">
      {TABS.map(([text, path]) => (
        <NavLink
          key={path}
          to={`/promotions/${slug}/${path}`}
          className={({ isActive }) =>
            `-mb-px border-b-2 py-2 text-[14.5px] ${
              isActive ? "border-ink font-semibold" : "border-transparent text-soft hover:text-ink"
            }`
          }
        >
          {text}
          {path === "review" && open > 0 && <span className="ml-1.5 figures">{open}</span>}
        </NavLink>
      ))}
    </nav>
  );
}
