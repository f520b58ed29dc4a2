import { Link } from "react-router";

/** Something that somebody did, its time in words. */
export interface ShownDeed {
  readonly id: string;
  readonly by: string;
  readonly did: string;
  readonly at: string;
}

/** What the people of a team did, the newest first. @param more whether there is more before that */
export function DeedList({ deeds, more }: { deeds: readonly ShownDeed[]; more: boolean }) {
  const last = deeds.at(-1);
  return (
    <section aria-label="What was done" className="mt-10 max-w-6xl">
      <h2 className="mb-3">What was done</h2>
      {deeds.length === 0 && (
        <p className="text-sm text-soft">
          Nothing yet. Who makes, renders, shares and posts what stands here from now on.
        </p>
      )}
      <ol className="divide-y divide-rule border-y border-rule empty:border-0">
        {deeds.map(({ id, by, did, at }) => (
          <li
            key={id}
            className="grid grid-cols-[11rem_minmax(0,1fr)] gap-4 py-2 text-sm max-sm:grid-cols-1 max-sm:gap-0"
          >
            <span className="figures text-soft">{at}</span>
            <span>
              <span className="font-semibold">{by}</span> {did}
            </span>
          </li>
        ))}
      </ol>
      {more && last && (
        <Link to={`?before=${last.id}`} className="mt-3 inline-block text-sm underline" preventScrollReset>
          What was done before that
        </Link>
      )}
    </section>
  );
}
