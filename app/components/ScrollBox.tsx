import { type ReactNode } from "react";

/** Something wide, such as a table, that scrolls sideways by itself where the page is too narrow for it. */
export function ScrollBox({ label, children }: { label: string; children: ReactNode }) {
  return (
    <div
      role="region"
      aria-label={label}
      // Keys scroll it too.
      tabIndex={0}
      className="relative overflow-x-auto focus-visible:outline-2 focus-visible:outline-accent"
    >
      {children}
    </div>
  );
}
