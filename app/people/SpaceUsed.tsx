import { counted } from "../../core/text/counted";
import type { SpaceOfKind } from "../../server/retention/spaceUsed";
import { type FetcherWithComponents } from "react-router";
import { Button } from "../components/Button";
import { megabytes } from "../components/mediaLook";
import { type PeopleAnswer } from "./peopleAnswer";

interface Space {
  readonly countedAt: string;
  readonly kinds: readonly SpaceOfKind[];
}

/** How much space the team uses, by kind, as it was counted last. */
export function SpaceUsed({ space, fetcher }: { space: Space | null; fetcher: FetcherWithComponents<PeopleAnswer> }) {
  const all = space?.kinds.reduce((sum, { bytes }) => sum + bytes, 0) ?? 0;
  const own = space?.kinds.filter(({ isShared }) => !isShared).reduce((sum, { bytes }) => sum + bytes, 0) ?? 0;
  return (
    <section aria-label="Space used">
      <div className="mb-3 flex items-baseline justify-between gap-4">
        <h2>Space used</h2>
        {space && <span className="font-heading text-xl">{megabytes(own)}</span>}
      </div>
      {space ? (
        <>
          <ul className="flex flex-col gap-3">
            {space.kinds.map(({ kind, files, bytes, isShared, isLeft }) => (
              <li key={kind}>
                <div className="flex justify-between gap-3 text-sm">
                  <span>
                    {kind}
                    {isShared && (
                      <span className="text-soft"> · {isLeft ? "goes after some days" : "of all teams"}</span>
                    )}
                  </span>
                  <span className="whitespace-nowrap text-soft">
                    {megabytes(bytes)} in {counted(files, "file")}
                  </span>
                </div>
                <div aria-hidden className="mt-1 h-1.5 bg-rule">
                  <div
                    className={`h-full ${isShared ? "bg-firm" : "bg-accent"}`}
                    style={{ width: `${(100 * bytes) / Math.max(1, all)}%` }}
                  />
                </div>
              </li>
            ))}
          </ul>
          <p className="mt-3 text-sm text-soft">Counted on {space.countedAt}, and every night.</p>
        </>
      ) : (
        <p className="text-sm text-soft">It is counted every night; the first count is still to come.</p>
      )}
      <fetcher.Form method="post" className="mt-3">
        <Button type="submit" name="intent" value="count-space">
          Count now
        </Button>
      </fetcher.Form>
    </section>
  );
}
