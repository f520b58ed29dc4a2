import { counted } from "../../core/text/counted";
import { data, redirect, useSearchParams } from "react-router";
import { ValidationError } from "yup";
import { rename } from "../../core/document/edits";
import { Refusal } from "../../core/refusal";
import { momentFormat } from "../../core/text/formatters";
import { requireEditor, requirePerson } from "../../server/auth/sessions";
import { keyIn } from "../../core/records";
import { formText } from "../../server/formText";
import { readIds } from "../../server/ids";
import { archivePromotions, removeArchived, restorePromotions } from "../../server/promotions/archived";
import { noteDeed } from "../../server/people/deeds";
import { fileUnder, readCampaign } from "../../server/promotions/campaigns";
import { copyPromotion, promotionBySlug, saveEdits } from "../../server/promotions/promotionStore";
import {
  PROMOTIONS_A_PAGE,
  PROMOTION_SORTS,
  PROMOTION_STATES,
  PROMOTION_VIEWS,
  type PromotionSort,
  type PromotionState,
  type PromotionView,
  listPromotions,
  promotionChoices,
  readPromotionQuery,
} from "../../server/promotions/promotionList";
import { stillStamp } from "../../server/promotions/stillStamp";
import { formOf } from "../../server/doors/readBody";
import type { Route } from "./+types/promotions";
import { ButtonLink } from "../components/Button";
import { ChoiceSwitch } from "../components/ChoiceSwitch";
import { ForEditors } from "../components/ForEditors";
import { PageHead } from "../components/PageHead";
import { PageTurns } from "../components/PageTurns";
import { useMarked } from "../components/useMarked";
import { MARKED_DONE } from "../promotions/markedChange";
import { MarkedPromotions } from "../promotions/MarkedPromotions";
import { PromotionFilters } from "../promotions/PromotionFilters";
import { PromotionRows } from "../promotions/PromotionRows";
import { PromotionWall } from "../promotions/PromotionWall";

export async function loader({ request }: Route.LoaderArgs) {
  const { scope, team, role } = await requirePerson(request);
  const query = readPromotionQuery(new URL(request.url).searchParams);
  const [{ promotions, count, page, pages }, choices] = await Promise.all([
    listPromotions(scope, query, { zone: team.zone }),
    promotionChoices(scope),
  ]);
  const moment = momentFormat(team);
  return {
    query,
    promotions: promotions.map(({ changedAt, state, ...promotion }) => ({
      ...promotion,
      state: PROMOTION_STATES[state],
      changed: moment.format(changedAt),
    })),
    ...{ count, page, pages, pageSize: PROMOTIONS_A_PAGE, stamp: stillStamp(team), edits: role !== "reviewer" },
    choices,
    states: entriesOf<PromotionState>(PROMOTION_STATES),
    sorts: entriesOf<PromotionSort>(PROMOTION_SORTS),
    views: PROMOTION_VIEWS,
  };
}

const entriesOf = <Key extends string>(choices: Readonly<Record<Key, string>>): [key: string, text: string][] =>
  Object.entries<string>(choices);

const CHANGES = { archive: archivePromotions, restore: restorePromotions, remove: removeArchived } as const;

/** Makes a copy of a promotion, and goes on with it; gives one another name; or changes all that are marked. */
export async function action({ request }: Route.ActionArgs) {
  const { scope, id, role, name } = await requireEditor(request);
  const form = await formOf(request);
  const ids = readIds(formText(form, "ids"));
  const intent = formText(form, "intent");
  const change = keyIn(CHANGES, intent);
  if (change !== null) {
    const count = await CHANGES[change](scope, ids);
    if (count > 0) await noteDeed(scope, name, `${MARKED_DONE[change]} ${counted(count, "promotion")}`);
    return { change, count };
  }
  try {
    if (intent === "file")
      return { change: intent, count: await fileUnder(scope, ids, readCampaign(formText(form, "campaign"))) };
    if (intent === "rename") {
      const { slug, revision } = await promotionBySlug(scope, formText(form, "slug"));
      const edits = [rename(formText(form, "name"))];
      const { refused } = await saveEdits(scope, slug, { base: revision, edits, member: { id, role, name } });
      return refused[0] ? data({ problem: refused[0].problem }, { status: 422 }) : { problem: undefined };
    }
  } catch (error) {
    if (error instanceof ValidationError || error instanceof Refusal)
      return data({ change: intent, count: 0, problem: error.message }, { status: 422 });
    throw error;
  }
  const { slug, document } = await copyPromotion(scope, formText(form, "copy"), id);
  await noteDeed(scope, name, `made the promotion “${document.name}”, a copy`);
  return redirect(`/promotions/${slug}`);
}

export default function Promotions({ loaderData }: Route.ComponentProps) {
  const { query, promotions, count, page, pages, pageSize, stamp, edits, choices, states, sorts, views } = loaderData;
  const [params, setParams] = useSearchParams();
  const { marked, setMarked, toggle } = useMarked();
  const { view, state, words, campaign, product, template, by, from, until } = query;
  const isNarrowed = state !== "all" || [words, campaign, product, template, by, from, until].some((one) => one !== "");
  const unmark = (): void => setMarked(new Set());
  const paramsWith = (name: string, value: string): URLSearchParams => {
    const changed = new URLSearchParams(params);
    changed.set(name, value);
    return changed;
  };
  const turned = (to: number): string => `?${paramsWith("page", String(to))}`;
  const showAs = (chosen: PromotionView): void =>
    setParams(paramsWith("view", chosen), { replace: true, preventScrollReset: true });
  const shown = { promotions, stamp, edits, marked, onToggle: toggle };
  return (
    <main className="flex-1 px-8 py-7 max-sm:px-4">
      <PageHead title="Promotions" about="Every template you have filled.">
        <ForEditors>
          <ButtonLink look="main" to="/promotions/new">
            New promotion
          </ButtonLink>
        </ForEditors>
      </PageHead>
      {(count > 0 || isNarrowed) && <PromotionFilters query={query} states={states} sorts={sorts} choices={choices} />}
      <div className="mb-3 flex flex-wrap items-center justify-between gap-3">
        <p role="status" className="text-sm text-soft">
          {counted(count, "promotion")}
          {isNarrowed && count === 0 && ". Nothing fits: take a word away, or look at all states."}
        </p>
        <ChoiceSwitch label="Show as" choices={["wall", "list"]} words={views} value={view} onChoose={showAs} />
      </div>
      {marked.size > 0 && (
        <MarkedPromotions
          ids={[...marked]}
          campaigns={choices.campaigns}
          isArchive={state === "archived"}
          onClear={unmark}
        />
      )}
      {promotions.length === 0 && !isNarrowed && (
        <p className="border border-dashed border-firm p-14 text-center text-soft">
          None yet. “New promotion” asks for a template, a product and an offer, and fills the first version for you.
        </p>
      )}
      {promotions.length > 0 && (view === "list" ? <PromotionRows {...shown} /> : <PromotionWall {...shown} />)}
      <PageTurns page={page} pages={pages} pageSize={pageSize} count={count} to={turned} />
    </main>
  );
}

export { ProblemPage as ErrorBoundary } from "../components/ProblemPage";
