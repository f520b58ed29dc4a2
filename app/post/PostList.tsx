import { useFetcher } from "react-router";
import { ExternalLink } from "lucide-react";
import { type Post } from "../../server/channels/posts";
import { useMayEdit } from "../components/useMayEdit";

type ShownPost = Omit<Post, "at" | "liveAt"> & {
  readonly when: string;
  readonly where: string;
  readonly on: string;
  readonly page: string | null;
};

const STATES: Readonly<Record<Post["state"], string>> = {
  scheduled: "planned",
  posting: "being sent",
  processing: "the channel works on it",
  live: "posted",
  failed: "not posted",
  cancelled: "taken back",
};
const LOOKS: Readonly<Record<Post["state"], string>> = {
  scheduled: "text-soft",
  posting: "text-soft",
  processing: "text-soft",
  live: "text-ready",
  failed: "text-wrong",
  cancelled: "text-soft",
};

/** What was and will be posted of a promotion. */
export function PostList({ posts }: { posts: readonly ShownPost[] }) {
  const changing = useFetcher();
  const mayEdit = useMayEdit();
  if (posts.length === 0) return null;
  return (
    <section aria-label="Posts" className="mt-8">
      <h2 className="mb-3">Posts</h2>
      <ul className="divide-y divide-rule border-y border-rule text-sm">
        {posts.map(({ id, where, on, when, state, problem, page, by, views }) => (
          <li key={id} data-state={state} className="flex flex-wrap items-baseline gap-x-5 gap-y-1 py-2.5">
            <span className="min-w-56 font-semibold">
              {where} <span className="font-normal text-soft">{on}</span>
            </span>
            <span className={LOOKS[state]}>{STATES[state]}</span>
            <span className="text-soft">
              {when}, by {by}
            </span>
            {state === "live" && <span className="figures">{views} views</span>}
            <span className="ml-auto flex gap-4">
              {page !== null && (
                <a
                  href={page}
                  target="_blank"
                  rel="noreferrer"
                  className="flex items-center gap-1 underline underline-offset-2"
                >
                  See it there <ExternalLink aria-hidden size={13} />
                </a>
              )}
              {mayEdit && (
                <changing.Form method="post">
                  <input type="hidden" name="post" value={id} />
                  {(state === "scheduled" || state === "posting") && (
                    <button name="intent" value="cancel" className="underline" aria-label={`Take back ${where}`}>
                      Take back
                    </button>
                  )}
                  {(state === "failed" || state === "cancelled") && (
                    <button name="intent" value="retry" className="underline" aria-label={`Try ${where} again`}>
                      Try again
                    </button>
                  )}
                </changing.Form>
              )}
            </span>
            {problem !== null && <p className="w-full text-wrong">{problem}</p>}
          </li>
        ))}
      </ul>
    </section>
  );
}
