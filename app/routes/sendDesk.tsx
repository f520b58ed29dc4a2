import { Form, data, useFetcher } from "react-router";
import { useState } from "react";
import { ValidationError } from "yup";
import { Download, TriangleAlert } from "lucide-react";
import { CAPTION_FILES } from "../../core/captions/writeCaptions";
import { formatsInOrder } from "../../core/document/formatList";
import { type FormatName, formatOf, formatTitle } from "../../core/placement/formats";
import { QUALITIES, isQuality, outputSize, type Quality } from "../../core/placement/quality";
import { momentFormat } from "../../core/text/formatters";
import { formText } from "../../server/formText";
import { requireEditor, requirePerson } from "../../server/auth/sessions";
import { readReason } from "../../server/render/passed";
import { awaitedBy } from "../../server/promotions/awaitedFills";
import { promotionBySlug } from "../../server/promotions/promotionStore";
import {
  type RenderView,
  type RenditionView,
  cancelRendition,
  rendersOf,
  requestRender,
  retryRendition,
} from "../../server/render/renditions";
import { formOf } from "../../server/doors/readBody";
import type { Route } from "./+types/sendDesk";
import { Button } from "../components/Button";
import { FormatMark } from "../components/FormatMark";
import { Notice } from "../components/Notice";
import { megabytes } from "../components/mediaLook";
import { useReload } from "../components/useReload";
import { isUnderWay, useRenditionNews } from "../components/useRenditionNews";
import { useTeamEvents } from "../components/useTeamEvents";
import { useWaits } from "../components/useWaits";
import { editsAddress } from "../desk/editedPromotion";
import { allSaved } from "../edits/keptSession";
import { DeskHeader } from "../desk/DeskHeader";
import { SendTabs } from "../desk/SendTabs";
import { RenderBlocked } from "../desk/RenderBlocked";
import { NO_ID, readIds } from "../../server/ids";

export async function loader({ request, params: { slug } }: Route.LoaderArgs) {
  const { scope, team } = await requirePerson(request);
  const promotion = await promotionBySlug(scope, slug);
  const when = momentFormat(team);
  const renders = await rendersOf(scope, promotion.id);
  return {
    slug,
    name: promotion.document.name,
    revision: promotion.revision,
    formats: formatsInOrder(promotion.document),
    awaited: await awaitedBy(scope, promotion.id),
    renders: renders.map((render) => ({ ...render, when: when.format(render.createdAt) })),
  };
}

export async function action({ request, params: { slug } }: Route.ActionArgs) {
  const { scope, id, name } = await requireEditor(request);
  const form = await formOf(request);
  const intent = form.get("intent");
  const rendition = readIds(formText(form, "rendition"))[0] ?? NO_ID;
  if (intent === "cancel") await cancelRendition(scope, rendition);
  else if (intent === "retry") await retryRendition(scope, rendition);
  else {
    const quality = form.get("quality");
    if (!isQuality(quality))
      return data({ problem: "Choose a quality: 480p or 1080p.", blocked: null }, { status: 422 });
    const promotion = await promotionBySlug(scope, slug);
    const wish = { formats: formatsInOrder(promotion.document), quality };
    const { reason, problem } = reasonIn(form);
    const letPass = reason === null ? null : { by: name, reason };
    const answer = await requestRender(scope, promotion, { ...wish, askedBy: id, letPass });
    if ("blocked" in answer) return data({ problem, blocked: answer.blocked }, { status: 422 });
  }
  return { problem: null, blocked: null };
}

/** A render is of what is saved: what was changed on the desk before, and is still on its way, comes first. */
export async function clientAction({ serverAction, params: { slug } }: Route.ClientActionArgs) {
  if (await allSaved(editsAddress(slug))) return serverAction();
  return { problem: "What you changed last is not saved yet, so nothing was rendered. Try again.", blocked: null };
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

const QUALITY_TEXT: Readonly<Record<Quality, string>> = { "480p": "a draft to check, quickly", "1080p": "to post" };

export default function SendDesk({
  loaderData: { slug, name, revision, formats, awaited, renders },
}: Route.ComponentProps) {
  const [quality, setQuality] = useState<Quality>("1080p");
  // A fetcher's answer stays while the page's data is loaded anew, as it is whenever a rendition comes along.
  const asking = useFetcher<typeof action>({ key: `render ${slug}` });
  const answer = asking.data;
  const renditions = renders.flatMap((render) => render.renditions);
  const shares = useRenditionNews(renditions, ({ promotion }) => promotion === slug);
  const waits = useWaits(renditions.some(({ state }) => state === "waiting"));
  const reload = useReload();
  useTeamEvents((event) => {
    const isFilled = event.topic === "promotion" && event.slug === slug;
    if (isFilled || (awaited.length > 0 && event.topic === "media" && event.state === "failed")) reload();
  });
  return (
    <main className="flex flex-1 flex-col">
      <DeskHeader slug={slug} name={name} current="Send">
        <asking.Form method="post">
          <input type="hidden" name="quality" value={quality} />
          <Button look="main" type="submit" disabled={asking.state !== "idle"}>
            {renderInWords(formats.length)}
          </Button>
        </asking.Form>
      </DeskHeader>
      <SendTabs slug={slug} />
      <div className="grid flex-1 grid-cols-[300px_minmax(0,1fr)] max-lg:grid-cols-1">
        <aside className="border-r border-rule bg-card px-5 py-6">
          <fieldset>
            <legend className="mb-2 font-heading text-lg font-semibold">Quality</legend>
            {QUALITIES.map((choice) => (
              <label
                key={choice}
                className="flex cursor-pointer items-center gap-3 border-b border-rule py-2.5 first-of-type:border-t"
              >
                <input
                  type="radio"
                  name="shown-quality"
                  value={choice}
                  checked={quality === choice}
                  onChange={() => setQuality(choice)}
                  className="accent-accent"
                />
                <span className="figures text-[13px]">{choice}</span>{" "}
                <span className="text-sm text-soft">{QUALITY_TEXT[choice]}</span>
              </label>
            ))}
          </fieldset>
          <h2 className="mt-8 mb-2">What you get</h2>
          <ul className="divide-y divide-rule border-y border-rule text-sm">
            {formats.map((format) => {
              const { width, height } = outputSize(format, quality);
              return (
                <li key={format} className="flex items-center gap-2.5 py-2">
                  <FormatMark format={format} /> {formatTitle(format)}{" "}
                  <span className="ml-auto figures">
                    {width} × {height}
                  </span>
                </li>
              );
            })}
          </ul>
          <p className="mt-3 text-sm text-soft">
            MP4, H.264 at 30 frames a second, sound at −14 LUFS. Only scenes that changed since the last render are
            painted again.
          </p>
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
              quality={quality}
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
              Nothing rendered yet. Press “{renderInWords(formats.length)}”: what you saw in the proofs is what you get.
            </p>
          )}
          {renders.map((render) => (
            <RenderBlock
              key={render.id}
              slug={slug}
              render={render}
              shares={shares}
              waits={waits}
              newest={render.revision === revision}
            />
          ))}
        </section>
      </div>
    </main>
  );
}

function RenderBlock({
  slug,
  render,
  shares,
  waits,
  newest,
}: {
  slug: string;
  render: RenderView & { when: string };
  shares: Readonly<Record<string, number>>;
  /** What renditions wait behind, in words, by id. */
  waits: Readonly<Record<string, string>>;
  newest: boolean;
}) {
  const ready = render.renditions.filter(({ state }) => state === "ready").length;
  return (
    <article className="mb-9" aria-label={`Render of ${render.when}`}>
      <div className="mb-3 flex flex-wrap items-center gap-x-5 gap-y-1 border-b border-rule pb-2">
        <h2>{render.when}</h2>
        <span className="figures text-soft">
          {render.quality} · revision {render.revision}
        </span>
        {render.passed && (
          <span className="bg-warn-pale px-2 py-0.5 text-sm text-warn" title={render.passed.found.join("\n")}>
            {render.passed.by} let {render.passed.found.length} pass: {render.passed.reason}
          </span>
        )}
        {!newest && <span className="bg-warn-pale px-2 py-0.5 text-sm text-warn">the promotion changed since</span>}
        {render.captionsIn.length > 0 && <CaptionFiles render={render.id} languages={render.captionsIn} />}
        {ready > 0 && (
          <a
            href={`/renders/${render.id}/zip`}
            className="ml-auto flex items-center gap-1.5 text-sm font-semibold underline underline-offset-2"
          >
            <Download aria-hidden size={15} />{" "}
            {ready === render.renditions.length ? "All as zip" : `${ready} ready as zip`}
          </a>
        )}
      </div>
      <ul className="flex flex-wrap items-start gap-6">
        {tallestFirst(render.renditions).map((rendition) => (
          <RenditionCard
            key={rendition.id}
            rendition={rendition}
            wait={waits[rendition.id]}
            // Its first frame shows little; of what has changed since there is no other still.
            poster={newest ? `/promotions/${slug}/still/${rendition.format}?revision=${render.revision}` : undefined}
            share={rendition.state === "working" ? (shares[rendition.id] ?? rendition.progress) : rendition.progress}
          />
        ))}
      </ul>
    </article>
  );
}

/** The captions of a render, to be posted beside its files. */
function CaptionFiles({ render, languages }: { render: string; languages: readonly string[] }) {
  return (
    <span className="flex flex-wrap items-baseline gap-x-2 text-sm">
      Captions
      {languages.flatMap((language) =>
        CAPTION_FILES.map((kind) => (
          <a key={`${language}.${kind}`} href={`/renders/${render}/captions/${language}.${kind}`} className="underline">
            {language}.{kind}
          </a>
        )),
      )}
    </span>
  );
}

/** A rendition alone in its row is no higher than this, in CSS pixels. */
const CARD_HEIGHT = 300;

const renderInWords = (formats: number): string => (formats === 1 ? "Render 1 format" : `Render ${formats} formats`);

const tallestFirst = (renditions: readonly RenditionView[]): RenditionView[] =>
  renditions.toSorted((one, other) => ratioOf(one.format) - ratioOf(other.format));
const ratioOf = (format: FormatName): number => formatOf(format).width / formatOf(format).height;

function RenditionCard({
  rendition: { id, format, state, problem, file, outdatedBy },
  poster,
  share,
  wait = "waits",
}: {
  rendition: RenditionView;
  /** What is seen of it until it plays. */
  poster: string | undefined;
  share: number;
  /** What it waits behind, in words. */
  wait: string | undefined;
}) {
  const { width, height } = formatOf(format);
  const title = formatTitle(format);
  return (
    <li
      data-format={format}
      data-state={state}
      className="min-w-[206px] basis-0"
      style={{
        flexGrow: ratioOf(format) + 0.3,
        maxWidth: `max(206px, ${Math.round(CARD_HEIGHT * ratioOf(format))}px)`,
      }}
    >
      <div
        className="flex items-center justify-center bg-proof"
        style={{ aspectRatio: `${width} / ${height}`, maxHeight: 366 }}
      >
        {state === "ready" ? (
          <video
            controls
            playsInline
            preload="metadata"
            src={`/renditions/${id}/file`}
            poster={poster}
            className="h-full w-full"
            aria-label={`${title} rendition`}
          />
        ) : (
          <div className="w-full p-4 text-center text-white">
            {isUnderWay(state) && (
              <>
                <div
                  role="progressbar"
                  aria-label={`Rendering ${title}`}
                  aria-valuemin={0}
                  aria-valuemax={100}
                  aria-valuenow={Math.round(share * 100)}
                  className="h-2 bg-white/35"
                >
                  <div className="h-full bg-white transition-[width]" style={{ width: `${share * 100}%` }} />
                </div>
                <p className="mt-2 figures text-[13px]">
                  {state === "waiting" ? wait : `${Math.round(share * 100)} %`}
                </p>
              </>
            )}
            {state === "cancelled" && <p>cancelled</p>}
            {state === "failed" && (
              <Notice kind="wrong" className="text-left">
                {problem}
              </Notice>
            )}
          </div>
        )}
      </div>
      <div className="mt-2 flex flex-wrap items-center gap-x-3 gap-y-1 text-sm">
        <span className="flex items-center gap-1.5 font-semibold">
          <FormatMark format={format} size={11} /> {title}
        </span>
        {state === "ready" && (
          <a
            href={`/renditions/${id}/file?save`}
            className="ml-auto flex items-center gap-1 underline underline-offset-2"
            aria-label={`Download ${title}`}
          >
            <Download aria-hidden size={14} /> Download
          </a>
        )}
        <Form method="post" preventScrollReset className={state === "ready" ? "hidden" : "ml-auto"}>
          <input type="hidden" name="rendition" value={id} />
          {isUnderWay(state) && (
            <button name="intent" value="cancel" className="underline" aria-label={`Cancel ${title}`}>
              Cancel
            </button>
          )}
          {(state === "failed" || state === "cancelled") && (
            <button name="intent" value="retry" className="underline" aria-label={`Retry ${title}`}>
              Retry
            </button>
          )}
        </Form>
      </div>
      {state === "ready" && outdatedBy && (
        <p className="mt-1 bg-warn-pale px-2 py-1 text-sm text-warn">
          <TriangleAlert aria-hidden size={14} className="mr-1 inline" />
          out of date: {outdatedBy}
        </p>
      )}
      {file && (
        <p className="mt-1 figures text-soft">
          {file.width}×{file.height} · {file.seconds.toFixed(1)} s · {megabytes(file.bytes)}
        </p>
      )}
    </li>
  );
}

export { ProblemPage as ErrorBoundary } from "../components/ProblemPage";
