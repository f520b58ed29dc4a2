import { NavLink } from "react-router";

/** A part of a page, at its own address. */
export interface Tab {
  readonly to: string;
  readonly text: string;
  /** How many things in it wait for somebody. */
  readonly open?: number;
}

/** The parts of a page. */
export function Tabs({
  label,
  tabs,
  className = "mb-5",
}: {
  label: string;
  tabs: readonly Tab[];
  /** Where they stand on the page. */
  className?: string;
}) {
  return (
    <nav aria-label={label} className={`flex gap-6 border-b border-rule ${className}`}>
      {tabs.map(({ to, text, open = 0 }) => (
        <NavLink
          key={to}
          to={to}
          end
          className={({ isActive }) =>
            `-mb-px border-b-2 py-2 ${isActive ? "border-ink font-semibold" : "border-transparent text-soft hover:text-ink"}`
          }
        >
          {text}
          {open > 0 && <span className="ml-1.5 figures">{open}</span>}
        </NavLink>
      ))}
    </nav>
  );
}
