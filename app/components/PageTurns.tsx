import { Link } from "react-router";

/** The way to the page before and after, where a list has more than one. @param page from 1 */
export function PageTurns({
  page,
  pages,
  pageSize,
  count,
  to,
}: {
  page: number;
  pages: number;
  pageSize: number;
  /** How many there are on all pages. */
  count: number;
  to: (page: number) => string;
}) {
  if (pages <= 1) return null;
  return (
    <nav aria-label="Pages" className="mt-4 flex items-center justify-end gap-5 text-sm">
      {page > 1 && (
        <Link to={to(page - 1)} className="underline">
          Earlier
        </Link>
      )}
      <span className="figures">
        {(page - 1) * pageSize + 1}–{Math.min(count, page * pageSize)} of {count}
      </span>
      {page < pages && (
        <Link to={to(page + 1)} className="underline">
          Later
        </Link>
      )}
    </nav>
  );
}
