import { clsx } from "clsx";
import { type ChangeEvent } from "react";
import { Copy } from "lucide-react";
import { Form, Link, redirect, useNavigation, useSearchParams, useSubmit } from "react-router";
import { requireEditor, requirePerson } from "../../server/auth/sessions";
import { keyIn } from "../../server/doors/keyIn";
import { formText } from "../../server/formText";
import { readIds } from "../../server/ids";
import { archivePromotions, removeArchived, restorePromotions } from "../../server/promotions/archived";
import { copyPromotion } from "../../server/promotions/promotionStore";
import {
  PROMOTIONS_A_PAGE,
  PROMOTION_SORTS,
  PROMOTION_STATES,
  type PromotionSort,
  type PromotionState,
  listPromotions,
  readPromotionQuery,
} from "../../server/promotions/promotionList";
import { stillStamp } from "../../server/promotions/stillStamp";
import { formOf } from "../../server/doors/readBody";
import type { Route } from "./+types/promotions";
import { ButtonLink } from "../components/Button";
import { Choice, Field } from "../components/Field";
import { PageHead } from "../components/PageHead";
import { PageTurns } from "../components/PageTurns";
import { useMarked } from "../components/useMarked";
import { MarkBox, MarkedPromotions } from "../promotions/MarkedPromotions";
import { TrioThumbs } from "../components/TrioThumbs";
import { ForEditors } from "../components/ForEditors";

export async function loader({ request }: Route.LoaderArgs) {
  const { scope, team, role } = await requirePerson(request);
  const query = readPromotionQuery(new URL(request.url).searchParams);
  const { promotions, count, page, pages } = await listPromotions(scope, query);
  return {
    query,
    promotions: promotions.map(({ id, slug, name, revision, formats }) => ({ id, slug, name, revision, formats })),
    ...{ count, page, pages, pageSize: PROMOTIONS_A_PAGE, stamp: stillStamp(team), edits: role !== "reviewer" },
    choices: {
      states: entriesOf<PromotionState>(PROMOTION_STATES),
      sorts: entriesOf<PromotionSort>(PROMOTION_SORTS),
    },
  };
}

const entriesOf = <Key extends string>(choices: Readonly<Record<Key, string>>): [key: string, text: string][] =>
  Object.entries<string>(choices);

const CHANGES = { archive: archivePromotions, restore: restorePromotions, remove: removeArchived } as const;

/** Makes a copy of a promotion, and goes on with it; or changes all that are marked. */
export async function action({ request }: Route.ActionArgs) {
  const { scope, id } = await requireEditor(request);
  const form = await formOf(request);
  const change = keyIn(CHANGES, formText(form, "intent"));
  if (change !== null) return { change, count: await CHANGES[change](scope, readIds(formText(form, "ids"))) };
  const { slug } = await copyPromotion(scope, formText(form, "copy"), id);
  return redirect(`/promotions/${slug}`);
}

export default function Promotions({ loaderData }: Route.ComponentProps) {
  const { query, promotions, count, page, pages, pageSize, stamp, edits, choices } = loaderData;
  const busy = useNavigation().state !== "idle";
  const [params] = useSearchParams();
  const submit = useSubmit();
  const { marked, setMarked, toggle } = useMarked();
  const isArchive = query.state === "archived";
  const isNarrowed = query.words !== "" || query.state !== "all";
  const ask = ({ currentTarget }: ChangeEvent<HTMLFormElement>): void => void submit(currentTarget, { replace: true });
  const turned = (to: number): string => {
    const turnedParams = new URLSearchParams(params);
    turnedParams.set("page", String(to));
    return `?${turnedParams}`;
  };
  return (
    <main className="flex-1 px-8 py-7 max-sm:px-4">
      <PageHead title="Promotions" about="Every template you have filled.">
        <ForEditors>
          <ButtonLink look="main" to="/promotions/new">
            New promotion
          </ButtonLink>
        </ForEditors>
      </PageHead>
      {(count > 0 || isNarrowed) && (
        <Form
          role="search"
          onChange={ask}
          className="mb-5 grid max-w-4xl grid-cols-[minmax(0,2fr)_minmax(0,1fr)_minmax(0,1fr)] gap-4 max-sm:grid-cols-1"
        >
          <Field label="Search" name="words" type="search" placeholder="name" defaultValue={query.words} />
          <Choice label="State" name="state" defaultValue={query.state} options={choices.states} />
          <Choice label="In order" name="sort" defaultValue={query.sort} options={choices.sorts} />
        </Form>
      )}
      <p role="status" className="mb-3 text-sm text-soft">
        {count === 1 ? "1 promotion" : `${count} promotions`}
        {isNarrowed && count === 0 && ". Nothing fits: take a word away, or look at all states."}
      </p>
      {marked.size > 0 && (
        <MarkedPromotions ids={[...marked]} isArchive={isArchive} onClear={() => setMarked(new Set())} />
      )}
      {promotions.length === 0 && !isNarrowed && (
        <p className="border border-dashed border-firm p-14 text-center text-soft">
          None yet. “New promotion” asks for a template, a product and an offer, and fills the first version for you.
        </p>
      )}
      <ul className="grid grid-cols-[repeat(auto-fill,minmax(min(380px,100%),1fr))] gap-6">
        {promotions.map(({ id, slug, revision, name, formats }) => (
          <li
            key={slug}
            className={clsx("relative flex flex-col bg-card", marked.has(id) && "outline-3 outline-accent")}
          >
            <Link to={`/promotions/${slug}`} className="flex flex-1 flex-col">
              <TrioThumbs slug={slug} revision={revision} formats={formats} stamp={stamp} />
              <span className="block py-3 pr-24 pl-11 font-semibold">{name}</span>
            </Link>
            {edits && <MarkBox name={name} isMarked={marked.has(id)} onToggle={() => toggle(id)} />}
            {edits && (
              <Form method="post" className="absolute right-2.5 bottom-2.5">
                <button
                  name="copy"
                  value={slug}
                  disabled={busy}
                  aria-label={`Make a copy of ${name}`}
                  className={clsx(
                    "flex min-h-7 items-center gap-1.5 px-1.5 text-[13.5px] text-soft",
                    "underline-offset-4 hover:text-ink hover:underline",
                  )}
                >
                  <Copy aria-hidden size={14} /> Copy
                </button>
              </Form>
            )}
          </li>
        ))}
      </ul>
      <PageTurns page={page} pages={pages} pageSize={pageSize} count={count} to={turned} />
    </main>
  );
}

export { ProblemPage as ErrorBoundary } from "../components/ProblemPage";
