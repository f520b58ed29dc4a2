import { NavLink } from "react-router";

/** The parts of a page, each at its own address. */
export function Tabs({ label, tabs }: { label: string; tabs: readonly (readonly [to: string, text: string])[] }) {
  return (
    <nav aria-label={label} className="mb-5 flex gap-6 border-b border-rule">
      {tabs.map(([to, text]) => (
        <NavLink
          key={to}
          to={to}
          end
          className={({ isActive }) =>
            `-mb-px border-b-2 pb-2 ${isActive ? "border-ink font-semibold" : "border-transparent text-soft hover:text-ink"}`
          }
        >
          {text}
        </NavLink>
      ))}
    </nav>
  );
}
