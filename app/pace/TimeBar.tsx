import { clsx } from "clsx";
import { type KeyboardEvent, type PointerEvent, type ReactNode, useRef, useState } from "react";
import { type TimeSpan, snapped } from "../../core/pace/timeEdits";
import { stretchStyle } from "./timeShare";

/** So near its ends a bar is held by them, and so near to a time it snaps, in pixels. */
const [EDGE, SNAP] = [10, 7];
/** A bar that is moved less was only pressed. */
const PRESSED = 2;
/** One press of a key moves it by a frame; with Shift by a second. */
const [FRAME_MS, SECOND_MS] = [1000 / 30, 1000];

type Held = "all" | "from" | "to";

/** Something that is there for a time: pressed to be chosen, pulled to another time, by an end to be there longer. */
export function TimeBar({
  time,
  length,
  snaps,
  top,
  label,
  pressed,
  className,
  onChoose,
  onTime,
  children,
}: {
  time: TimeSpan;
  /** Of all the page, in milliseconds. */
  length: number;
  /** Times that it snaps to. */
  snaps: readonly number[];
  /** Pixels from the top of its lane. */
  top: number;
  label: string;
  pressed?: boolean;
  className: string;
  onChoose: () => void;
  onTime: (time: TimeSpan) => void;
  children: ReactNode;
}) {
  const grip = useRef<{ readonly x: number; readonly held: Held; readonly perPixel: number } | null>(null);
  const [moved, setMoved] = useState<TimeSpan | null>(null);
  function timeAt(x: number): TimeSpan {
    if (!grip.current) return time;
    const { held, perPixel, x: from } = grip.current;
    const by = (x - from) * perPixel;
    const near = (wanted: number): number => Math.round(snapped(wanted, snaps, SNAP * perPixel));
    if (held === "from") return { from: Math.min(near(time.from + by), time.to), to: time.to };
    if (held === "to") return { from: time.from, to: Math.max(near(time.to + by), time.from) };
    const [start, end] = [near(time.from + by), near(time.to + by)];
    // Whichever end is nearer to something holds.
    const shift = Math.abs(end - time.to - by) > 0.5 ? end - time.to : start - time.from;
    return { from: time.from + shift, to: time.to + shift };
  }
  function press(event: PointerEvent<HTMLButtonElement>): void {
    const [bar, page] = [event.currentTarget.getBoundingClientRect(), event.currentTarget.parentElement];
    if (!page) return;
    event.currentTarget.setPointerCapture(event.pointerId);
    const at = event.clientX - bar.left;
    const held: Held = at < EDGE ? "from" : at > bar.width - EDGE ? "to" : "all";
    grip.current = { x: event.clientX, held, perPixel: length / page.getBoundingClientRect().width };
  }
  function drag(event: PointerEvent): void {
    if (grip.current && (moved || Math.abs(event.clientX - grip.current.x) > PRESSED)) setMoved(timeAt(event.clientX));
  }
  function release(event: PointerEvent): void {
    const wanted = timeAt(event.clientX);
    const isMoved = moved !== null;
    leave();
    if (isMoved) onTime(wanted);
  }
  function leave(): void {
    grip.current = null;
    setMoved(null);
  }
  function step(event: KeyboardEvent): void {
    if (event.key === "Escape") leave();
    const by = event.key === "ArrowRight" ? 1 : event.key === "ArrowLeft" ? -1 : 0;
    if (by === 0) return;
    event.preventDefault();
    event.stopPropagation();
    const shift = by * (event.shiftKey ? SECOND_MS : FRAME_MS);
    if (event.altKey) onTime({ from: time.from, to: time.to + shift });
    else onTime({ from: time.from + shift, to: time.to + shift });
  }
  const shown = moved ?? time;
  return (
    <button
      type="button"
      aria-pressed={pressed}
      aria-label={label}
      title="Pull it, or an end of it; arrow keys move it, with Alt its end"
      onClick={onChoose}
      onPointerDown={press}
      onPointerMove={drag}
      onPointerUp={release}
      onPointerCancel={leave}
      onKeyDown={step}
      className={clsx("absolute h-[24px] cursor-ew-resize touch-none overflow-hidden text-left", className)}
      style={{ ...stretchStyle(shown.from, shown.to, length), top }}
    >
      {children}
    </button>
  );
}
