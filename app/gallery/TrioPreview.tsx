import { Pause, Play } from "lucide-react";
import { useEffect, useId, useRef, useState } from "react";
import { type Facts } from "../../core/document/facts";
import { type Promotion } from "../../core/document/promotion";
import { formatsInOrder } from "../../core/document/formatList";
import { type FormatName, formatOf, formatTitle } from "../../core/placement/formats";
import { shareOfRow } from "../components/standing";
import { type PreviewCanvas } from "../workers/previewMessages";
import { type Previews } from "./usePreviews";

interface TrioPreviewProps {
  readonly previews: Previews | null;
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
  // A canvas that was handed over stays in the worker: a preview keeps the formats that it was opened with.
  const [formats] = useState(() => formatsInOrder(document));
  const box = useRef<HTMLDivElement>(null);
  const canvases = useRef<Partial<Record<FormatName, HTMLCanvasElement>>>({});
  const opened = useRef(false);
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
    if (!previews || !seen || opened.current) return;
    opened.current = true;
    const given = formats.map((format): PreviewCanvas => {
      const canvas = canvases.current[format];
      if (!canvas) throw new Error("A preview has a canvas for each format.");
      const { width, height } = canvas.getBoundingClientRect();
      return {
        format,
        canvas: canvas.transferControlToOffscreen(),
        width: Math.max(1, Math.round(width * devicePixelRatio)),
        height: Math.max(1, Math.round(height * devicePixelRatio)),
      };
    });
    previews.tell(
      { kind: "open", preview: id, canvases: given },
      given.map(({ canvas }) => canvas),
    );
    previews.listen(id, (message) => {
      if (message.kind === "failed") setState({ failed: message.reason });
      else setState((before) => (message.kind === "ended" ? "resting" : before === "waiting" ? "resting" : before));
    });
  }, [previews, seen, id, formats]);

  useEffect(() => {
    if (previews && seen) previews.tell({ kind: "show", preview: id, document, facts, scene: scene ?? 0 });
  }, [previews, seen, id, document, facts, scene]);

  useEffect(() => () => previews?.tell({ kind: "close", preview: id }), [previews, id]);

  const play = (): void => {
    if (state !== "resting" || !plays) return;
    previews?.tell({ kind: "play", preview: id });
    setState("playing");
  };
  const rest = (): void => {
    if (state !== "playing") return;
    previews?.tell({ kind: "rest", preview: id });
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
