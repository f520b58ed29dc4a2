import { type ReactNode } from "react";

/** The head of a page: its name, one line about it, and its actions. */
export function PageHead({ title, about, children }: { title: string; about?: string; children?: ReactNode }) {
  return (
    <div className="mb-6 flex flex-wrap items-end justify-between gap-4">
      <title>{`${title} · Stencilcraft`}</title>
      <div>
        <h1>{title}</h1>
        {about && <p className="mt-1 text-soft">{about}</p>}
      </div>
      <div className="flex gap-3">{children}</div>
    </div>
  );
}
