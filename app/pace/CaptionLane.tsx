import { clsx } from "clsx";
import { type PointerEvent, useRef, useState } from "react";
import { captionNeed } from "../../core/document/captionEdits";
import { type Caption } from "../../core/document/captionsPart";
import { plainWords } from "../../core/type/emphasis";
import { Lane } from "./Lane";
import { inRows, stretchStyle } from "./timeShare";

const ROW = 27;
const EDGE = 10;

type Listed = Caption & { readonly id: string };
/** Which part of a caption is held. */
type Held = "all" | "from" | "to";

/** Captions as bars with their words in them: pressed to be written, pulled to another time, at an end to another length. */
export function CaptionLane({
  captions,
  length,
  chosen,
  onChoose,
  onTime,
}: {
  captions: readonly Listed[];
  /** Milliseconds. */
  length: number;
  chosen: string | null;
  onChoose: (id: string) => void;
  onTime: (id: string, time: { readonly from: number; readonly to: number }) => void;
}) {
  const rows = inRows(captions);
  return (
    <Lane title="Captions" height={Math.max(1, rows.length) * ROW + 6}>
      {rows.flatMap((row, index) =>
        row.map((caption) => (
          <CaptionBar
            key={caption.id}
            caption={caption}
            length={length}
            top={index * ROW + 3}
            isChosen={caption.id === chosen}
            onChoose={onChoose}
            onTime={onTime}
          />
        )),
      )}
    </Lane>
  );
}

function CaptionBar({
  caption,
  length,
  top,
  isChosen,
  onChoose,
  onTime,
}: {
  caption: Listed;
  length: number;
  top: number;
  isChosen: boolean;
  onChoose: (id: string) => void;
  onTime: (id: string, time: { readonly from: number; readonly to: number }) => void;
}) {
  const { id, from, to, text } = caption;
  const grip = useRef<{ readonly x: number; readonly held: Held; readonly perPixel: number } | null>(null);
  const [moved, setMoved] = useState<{ readonly from: number; readonly to: number } | null>(null);
  const timeAt = (x: number): { readonly from: number; readonly to: number } => {
    if (!grip.current) return { from, to };
    const by = Math.max(
      grip.current.held === "to" ? from - to : 0 - from,
      Math.round((x - grip.current.x) * grip.current.perPixel),
    );
    return {
      from: grip.current.held === "to" ? from : from + by,
      to: grip.current.held === "from" ? to : to + by,
    };
  };
  function press(event: PointerEvent<HTMLButtonElement>): void {
    const [bar, page] = [event.currentTarget.getBoundingClientRect(), event.currentTarget.parentElement];
    if (!page) return;
    event.currentTarget.setPointerCapture(event.pointerId);
    const at = event.clientX - bar.left;
    const held: Held = at < EDGE ? "from" : at > bar.width - EDGE ? "to" : "all";
    grip.current = { x: event.clientX, held, perPixel: length / page.getBoundingClientRect().width };
  }
  function drag(event: PointerEvent): void {
    if (grip.current && Math.abs(event.clientX - grip.current.x) > 2) setMoved(timeAt(event.clientX));
  }
  function release(event: PointerEvent): void {
    const time = timeAt(event.clientX);
    const isMoved = moved !== null;
    leave();
    if (isMoved) onTime(id, time);
  }
  function leave(): void {
    grip.current = null;
    setMoved(null);
  }
  const shown = moved ?? caption;
  const isShort = captionNeed(caption) > to - from;
  return (
    <button
      type="button"
      aria-pressed={isChosen}
      aria-label={`Caption “${plainWords(text)}”`}
      onClick={() => onChoose(id)}
      onPointerDown={press}
      onPointerMove={drag}
      onPointerUp={release}
      onPointerCancel={leave}
      className={clsx(
        "absolute h-[24px] cursor-ew-resize touch-none truncate border-x-4 px-1 text-left text-[11.5px] leading-[24px]",
        isChosen ? "border-accent bg-ink text-card" : "border-ink/50 bg-[#d5dcd6] hover:bg-[#c5d0c8]",
        isShort && !isChosen && "text-wrong",
      )}
      style={{ ...stretchStyle(shown.from, shown.to, length), top }}
    >
      {plainWords(text).replaceAll("\n", " / ")}
    </button>
  );
}
