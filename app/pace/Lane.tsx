import { type ReactNode } from "react";

/** A row of the time page: its name in the margin, and what lies on it. */
export function Lane({ title, height, children }: { title: string; height: number; children: ReactNode }) {
  return (
    <div role="group" aria-label={title} className="flex border-b border-rule">
      <span className="sticky left-0 z-10 w-[84px] shrink-0 bg-paper py-1.5 pl-5 text-[12px] text-soft">{title}</span>
      <div className="relative min-w-0 flex-1" style={{ height }}>
        {children}
      </div>
    </div>
  );
}
