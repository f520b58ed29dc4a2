import { Download, TriangleAlert } from "lucide-react";
import { Form } from "react-router";
import { type FileKindName } from "../../core/output/fileKinds";
import { type Output } from "../../core/output/output";
import { renditionTitle, unusualRate } from "../../core/output/renditionTitle";
import { type FormatName, formatOf } from "../../core/placement/formats";
import { type RenderedFile } from "../../server/render/renderedFile";
import { type RenditionView } from "../../server/render/renditions";
import { FormatMark } from "../components/FormatMark";
import { megabytes } from "../components/mediaLook";
import { Notice } from "../components/Notice";
import { isUnderWay } from "../components/useRenditionNews";
import { Film } from "./Film";

/** A rendition alone in its row is no higher than this, in CSS pixels. */
const CARD_HEIGHT = 300;

export const ratioOf = (format: FormatName): number => formatOf(format).width / formatOf(format).height;

/** What a file is, in figures, each of which stays in one line with its unit. */
function factsOf({ width, height, seconds, bytes }: RenderedFile, output: Output): string {
  const { kind } = output;
  return [
    ...(kind === "sound" ? [] : [`${width}×${height}`]),
    ...unusualRate(output),
    ...(kind === "still" ? [] : [`${seconds.toFixed(1)} s`]),
    megabytes(bytes),
  ]
    .map((figure) => figure.replaceAll(" ", "\u00a0"))
    .join(" · ");
}

/** A file as it is seen or heard. */
function Finished({
  id,
  kind,
  title,
  poster,
}: {
  id: string;
  kind: FileKindName;
  title: string;
  poster: string | undefined;
}) {
  const address = `/renditions/${id}/file`;
  if (kind === "sound") return <audio controls src={address} className="w-full" aria-label={`${title} rendition`} />;
  if (kind === "still" || kind === "gif" || kind === "webp")
    return <img src={address} alt={`${title} rendition`} className="h-full w-full object-contain" />;
  return <Film address={address} title={title} poster={poster} />;
}

/** One file of a render: how far it has come, what it is, and what can be done with it. */
export function RenditionCard({
  rendition: { id, format, output, state, problem, file, outdatedBy },
  placements,
  poster,
  share,
  wait = "waits",
}: {
  rendition: RenditionView;
  /** The titles of placements, by id. */
  placements: Readonly<Record<string, string>>;
  /** What is seen of it until it plays. */
  poster: string | undefined;
  share: number;
  /** What it waits behind, in words. */
  wait: string | undefined;
}) {
  const { width, height } = formatOf(format);
  // What the buttons of one file are told apart by, too.
  const title = renditionTitle(format, output, placements);
  return (
    <li
      data-format={format}
      data-state={state}
      data-kind={output.kind}
      className="@container min-w-[206px] basis-0"
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
          <Finished id={id} kind={output.kind} title={title} poster={poster} />
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
            <Download aria-hidden size={14} /> <span className="@max-[240px]:sr-only">Download</span>
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
      {file && <p className="mt-1 figures text-soft">{factsOf(file, output)}</p>}
    </li>
  );
}
