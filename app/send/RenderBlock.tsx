import { Download } from "lucide-react";
import { CAPTION_FILES } from "../../core/captions/writeCaptions";
import { type RenderView, type RenditionView } from "../../server/render/renditions";
import { RenditionCard, ratioOf } from "./RenditionCard";

/** A render that was asked for, with its files. */
export function RenderBlock({
  slug,
  render,
  shares,
  waits,
  placements,
  newest,
}: {
  slug: string;
  /** The titles of placements, by id. */
  placements: Readonly<Record<string, string>>;
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
            placements={placements}
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

const tallestFirst = (renditions: readonly RenditionView[]): RenditionView[] =>
  renditions.toSorted((one, other) => ratioOf(one.format) - ratioOf(other.format));
