import { Pause, Play } from "lucide-react";
import { useEffect, useId, useMemo, useRef, useState } from "react";
import { type Facts } from "../../core/document/facts";
import { type Promotion } from "../../core/document/promotion";
import { formatsInOrder } from "../../core/document/formatList";
import { type FormatName, formatOf, formatTitle, isFormatName } from "../../core/placement/formats";
import { shareOfRow } from "../components/standing";
import { type Proofs } from "../proof/proofs";
import { showOn } from "../proof/showOn";
import { shownSize } from "../proof/shownSize";

interface TrioPreviewProps {
  readonly previews: Proofs | null;
  readonly document: Promotion;
  readonly facts: Facts;
  readonly name: string;
  /** The scene it rests at, counted from 0; a preview of one scene does not play. */
  readonly scene?: number;
}

/** A document in its formats at true shape; plays under the pointer, with the focus, or when its button is pressed. */
export function TrioPreview({ previews, document, facts, name, scene }: TrioPreviewProps) {
  const id = useId();
  const plays = scene === undefined;
  const listed = formatsInOrder(document).join();
  // The same list while the document changes in other ways: a stage is opened anew only when its formats change.
  const formats = useMemo(() => listed.split(",").filter(isFormatName), [listed]);
  const box = useRef<HTMLDivElement>(null);
  const canvases = useRef<Partial<Record<FormatName, HTMLCanvasElement>>>({});
  const [seen, setSeen] = useState(false);
  const [state, setState] = useState<"waiting" | "resting" | "playing" | { readonly failed: string }>("waiting");

  // Nothing is painted for a preview that nobody has scrolled to.
  useEffect(() => {
    if (!box.current || seen) return;
    const watcher = new IntersectionObserver(([entry]) => entry?.isIntersecting && setSeen(true), {
      rootMargin: "300px",
    });
    watcher.observe(box.current);
    return () => watcher.disconnect();
  }, [seen]);

  useEffect(() => {
    if (!previews || !seen) return;
    previews.tell(id, { kind: "open", isPreview: true });
    const stop = previews.listen(id, (news) => {
      if (news.kind === "painted")
        for (const { format, bitmap } of news.frames) showOn(canvases.current[format], bitmap);
      if (news.kind === "failed") setState({ failed: news.reason });
      if (news.kind === "shown") setState((before) => (before === "waiting" ? "resting" : before));
      if (news.kind !== "ended") return;
      setState("resting");
      previews.tell(id, { kind: "rest", rest: { scene: 0 } });
    });
    for (const format of formats) {
      const canvas = canvases.current[format];
      if (canvas) previews.tell(id, { kind: "size", format, size: shownSize(canvas) });
    }
    return () => {
      stop();
      previews.tell(id, { kind: "close" });
    };
  }, [previews, seen, id, formats]);

  useEffect(() => {
    if (previews && seen) previews.tell(id, { kind: "show", document, facts, rest: { scene: scene ?? 0 } });
  }, [previews, seen, id, document, facts, scene]);

  const play = (): void => {
    if (state !== "resting" || !plays) return;
    previews?.tell(id, { kind: "play", from: 0, at: performance.timeOrigin + performance.now() });
    setState("playing");
  };
  const rest = (): void => {
    if (state !== "playing") return;
    previews?.tell(id, { kind: "rest", rest: { scene: 0 } });
    setState("resting");
  };

  return (
    <div
      ref={box}
      className={`relative flex items-end bg-proof ${plays ? "gap-3 p-4" : "gap-1.5 p-1.5"}`}
      onPointerEnter={play}
      onPointerLeave={rest}
      data-preview={typeof state === "string" ? state : "failed"}
    >
      {formats.map((format) => {
        const shape = formatOf(format);
        return (
          <canvas
            key={format}
            ref={(canvas) => {
              if (canvas) canvases.current[format] = canvas;
            }}
            role="img"
            aria-label={`${name}, ${formatTitle(format)}`}
            className="block min-w-0 basis-0 bg-[#7b7d7a] shadow-md"
            style={{ aspectRatio: `${shape.width} / ${shape.height}`, flexGrow: shareOfRow(shape) }}
          />
        );
      })}
      {plays && (
        <button
          type="button"
          onClick={() => (state === "playing" ? rest() : play())}
          onBlur={rest}
          aria-label={state === "playing" ? `Stop ${name}` : `Play ${name}`}
          className="absolute top-2 right-2 flex h-8 w-8 items-center justify-center bg-ink/85 text-card cut hover:bg-ink"
        >
          {state === "playing" ? (
            <Pause aria-hidden size={14} fill="currentColor" />
          ) : (
            <Play aria-hidden size={14} fill="currentColor" />
          )}
        </button>
      )}
      {typeof state === "object" && (
        <p role="alert" className="absolute inset-x-4 bottom-4 bg-wrong-pale px-3 py-1.5 text-[13px] text-wrong">
          {state.failed}
        </p>
      )}
    </div>
  );
}
