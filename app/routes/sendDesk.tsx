import { placementTitles } from "../../core/placement/placements";
import { counted } from "../../core/text/counted";
import { useState } from "react";
import { data, useFetcher } from "react-router";
import { ValidationError } from "yup";
import { languagesOf } from "../../core/document/captionsPart";
import { formatsInOrder } from "../../core/document/formatList";
import { wantedFiles } from "../../core/output/renderWish";
import { endsReading } from "../../core/team/teamEvent";
import { momentFormat } from "../../core/text/formatters";
import { requireEditor, requirePerson } from "../../server/auth/sessions";
import { formOf } from "../../server/doors/readBody";
import { formText } from "../../server/formText";
import { NO_ID, readIds } from "../../server/ids";
import { todayIn } from "../../server/media/mediaList";
import { teamPlacements } from "../../server/placements/ownPlacements";
import { awaitedBy } from "../../server/promotions/awaitedFills";
import { loadRenderInput } from "../../server/promotions/loadFacts";
import { promotionBySlug } from "../../server/promotions/promotionStore";
import { choosableOf } from "../../server/render/choosable";
import { filePattern, saveFilePattern } from "../../server/render/filePattern";
import { readReason } from "../../server/render/passed";
import { readRenderWish } from "../../server/render/readRenderWish";
import { noteDeed } from "../../server/people/deeds";
import { cancelRendition, rendersOf, requestRender, retryRendition } from "../../server/render/renditions";
import { openComments } from "../../server/review/comments";
import type { Route } from "./+types/sendDesk";
import { Button } from "../components/Button";
import { HiddenFields } from "../components/HiddenFields";
import { Notice } from "../components/Notice";
import { useReload } from "../components/useReload";
import { useRenditionNews } from "../components/useRenditionNews";
import { useTeamEvents } from "../components/useTeamEvents";
import { useWaits } from "../components/useWaits";
import { DeskHeader } from "../desk/DeskHeader";
import { allSaved } from "../desk/editedPromotion";
import { SendTabs } from "../desk/SendTabs";
import { EstimateLine } from "../send/EstimateLine";
import { FileNames } from "../send/FileNames";
import { OtherFiles } from "../send/OtherFiles";
import { OutputForm } from "../send/OutputForm";
import { RenderBlock } from "../send/RenderBlock";
import { RenderBlocked } from "../send/RenderBlocked";
import { FIRST_CHOICE, type RenderChoice, fieldsOf, renderInWords } from "../send/renderChoice";

export async function loader({ request, params: { slug } }: Route.LoaderArgs) {
  const { scope, team } = await requirePerson(request);
  const promotion = await promotionBySlug(scope, slug);
  const when = momentFormat(team);
  const [renders, awaited, known, { pattern }, reviewed] = await Promise.all([
    rendersOf(scope, promotion.id),
    awaitedBy(scope, promotion.id),
    teamPlacements(scope),
    filePattern(scope),
    openComments(scope, promotion.id),
  ]);
  const { document, revision } = promotion;
  const formats = formatsInOrder(document);
  return {
    ...{ slug, revision, formats, awaited, pattern, name: document.name, open: reviewed },
    today: todayIn(team.zone),
    languages: languagesOf(document.captions),
    placements: known.placements.filter(({ format }) => formats.includes(format)),
    titles: placementTitles(known.placements),
    chosen: Object.keys(document.placements),
    renders: renders.map((render) => ({ ...render, when: when.format(render.createdAt) })),
  };
}

/** What came of something that was asked for on this desk. */
interface SendAnswer {
  readonly problem: string | null;
  readonly problems: Readonly<Record<string, string>>;
  /** What must be mended before it is rendered. */
  readonly blocked: readonly string[] | null;
}
const answered = (change: Partial<SendAnswer> = {}): SendAnswer => ({
  ...{ problem: null, problems: {}, blocked: null },
  ...change,
});

export async function action({ request, params: { slug } }: Route.ActionArgs) {
  const { scope, id, name } = await requireEditor(request);
  const form = await formOf(request);
  const rendition = readIds(formText(form, "rendition"))[0] ?? NO_ID;
  switch (formText(form, "intent")) {
    case "cancel":
      await cancelRendition(scope, rendition);
      return answered();
    case "retry":
      await retryRendition(scope, rendition);
      return answered();
    case "pattern": {
      const problem = await saveFilePattern(scope, formText(form, "pattern"));
      return problem === null ? answered() : data(answered({ problem }), { status: 422 });
    }
    default: {
      const promotion = await promotionBySlug(scope, slug);
      const input = await loadRenderInput(scope, promotion.document);
      const wish = await readRenderWish(form, await choosableOf(scope, input));
      if (!wish.ok) {
        const [problem = null] = Object.values(wish.problems);
        return data(answered({ problem, problems: wish.problems }), { status: 422 });
      }
      const { reason, problem } = reasonIn(form);
      const letPass = reason === null ? null : { by: name, reason };
      const answer = await requestRender(scope, promotion, { files: wish.values.files, askedBy: id, letPass });
      if ("render" in answer) {
        const made = `${counted(wish.values.files.length, "file")} of “${promotion.document.name}”`;
        await noteDeed(
          scope,
          name,
          `had ${made} rendered${letPass === null ? "" : `, letting pass what was found: ${letPass.reason}`}`,
        );
      }
      if ("tooMany" in answer) return data(answered({ problem: answer.tooMany }), { status: 422 });
      return "blocked" in answer ? data(answered({ problem, blocked: answer.blocked }), { status: 422 }) : answered();
    }
  }
}

/** A render is of what is saved: what was changed on the desk before, and is still on its way, comes first. */
export async function clientAction({ serverAction, params: { slug } }: Route.ClientActionArgs) {
  if (await allSaved(slug)) return serverAction();
  return answered({ problem: "What you changed last is not saved yet, so nothing was rendered. Try again." });
}

/** Why something may be rendered as it is, if somebody said so; what is wrong with what they said. */
function reasonIn(form: FormData): { readonly reason: string | null; readonly problem: string | null } {
  const given = form.get("reason");
  if (given === null) return { reason: null, problem: null };
  try {
    return { reason: readReason(given), problem: null };
  } catch (error) {
    if (error instanceof ValidationError) return { reason: null, problem: error.message };
    throw error;
  }
}

export default function SendDesk({
  loaderData: {
    slug,
    name,
    revision,
    formats,
    placements,
    titles,
    chosen,
    languages,
    pattern,
    today,
    awaited,
    renders,
    open,
  },
}: Route.ComponentProps) {
  const [choice, setChoice] = useState<RenderChoice>(() => ({
    ...FIRST_CHOICE(formats),
    placements: placements.map(({ id }) => id).filter((id) => chosen.includes(id)),
  }));
  const change = (to: Partial<RenderChoice>): void => setChoice((before) => ({ ...before, ...to }));
  // A format that was taken out meanwhile is not made.
  const wanted = { ...choice, formats: choice.formats.filter((format) => formats.includes(format)) };
  const fields = fieldsOf(wanted);
  // A fetcher's answer stays while the page's data is loaded anew, as it is whenever a rendition comes along.
  const asking = useFetcher<typeof action>({ key: `render ${slug}` });
  const answer = asking.data;
  const renditions = renders.flatMap((render) => render.renditions);
  const shares = useRenditionNews(renditions, ({ promotion }) => promotion === slug);
  const made = renditions.filter(({ state }) => state === "ready").length;
  const waits = useWaits(renditions.some(({ state }) => state === "waiting"));
  const reload = useReload();
  const reloadIfAwaiting = (): void => {
    if (awaited.length > 0) reload();
  };
  useTeamEvents((event) => {
    if (event.topic === "promotion" && event.slug === slug) reload();
    else if (event.topic === "media" && endsReading(event.state)) reloadIfAwaiting();
  }, reloadIfAwaiting);
  const [first] = wantedFiles({ ...wanted, mostBytes: null, loudness: null, captions: null }, placements);
  return (
    <main className="flex flex-1 flex-col">
      <DeskHeader slug={slug} name={name} current="Send">
        <asking.Form method="post">
          <HiddenFields fields={fields} />
          <Button look="main" type="submit" disabled={asking.state !== "idle" || !first}>
            {asking.state === "idle" ? renderInWords(wanted) : "Looking through it …"}
          </Button>
        </asking.Form>
      </DeskHeader>
      <SendTabs slug={slug} open={open} />
      <div className="grid flex-1 grid-cols-[320px_minmax(0,1fr)] max-lg:grid-cols-1">
        <aside className="border-r border-rule bg-card px-5 py-5">
          <OutputForm
            choice={wanted}
            formats={formats}
            placements={placements}
            languages={languages}
            problems={answer?.problems ?? {}}
            onChange={change}
          />
          <EstimateLine slug={slug} fields={fields} standing={`${revision} ${made}`} />
          {first && (
            <FileNames
              pattern={pattern}
              sample={{
                ...{ promotion: name, date: today, revision, format: first.format, output: first.output },
                placement: first.output.placement === null ? null : (titles[first.output.placement] ?? null),
              }}
            />
          )}
          <OtherFiles slug={slug} />
        </aside>
        <section aria-label="Renditions" className="min-w-0 px-8 py-6">
          {awaited.length > 0 && (
            <Notice kind="warn" className="mb-4">
              {awaited.map((item) => `“${item}”`).join(", ")} {awaited.length === 1 ? "is" : "are"} still being read in,
              and not in what you render now. {awaited.length === 1 ? "It fills its slot" : "They fill their slots"} as
              soon as {awaited.length === 1 ? "it is" : "they are"} ready, wherever you are.
            </Notice>
          )}
          {answer?.blocked && (
            <RenderBlocked
              slug={slug}
              found={answer.blocked}
              fields={fields}
              problem={answer.problem}
              asking={asking}
            />
          )}
          {answer?.problem && !answer.blocked && (
            <Notice kind="wrong" className="mb-4">
              {answer.problem}
            </Notice>
          )}
          {renders.length === 0 && (
            <p className="border border-dashed border-firm p-16 text-center text-soft">
              Nothing rendered yet. Press “{renderInWords(wanted)}”: what you saw in the proofs is what you get.
            </p>
          )}
          {renders.map((render) => (
            <RenderBlock
              key={render.id}
              slug={slug}
              render={render}
              shares={shares}
              waits={waits}
              placements={titles}
              newest={render.revision === revision}
            />
          ))}
        </section>
      </div>
    </main>
  );
}

export { ProblemPage as ErrorBoundary } from "../components/ProblemPage";
