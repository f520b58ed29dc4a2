import { type PointerEvent } from "react";

/** A number stands at every one of these seconds at least so far apart, in pixels. */
const LEAST_APART = 64;
const STEPS = [0.1, 0.2, 0.5, 1, 2, 5, 10, 20, 30, 60];

/** Seconds along the page, and the beats of the music. A press goes to that time. */
export function Ruler({
  length,
  width,
  beats,
  onSeek,
}: {
  /** Milliseconds. */
  length: number;
  /** How wide all of it is, in pixels. */
  width: number;
  /** When the music's beats are heard. */
  beats: readonly number[];
  onSeek: (time: number) => void;
}) {
  const step = STEPS.find((one) => (one * 1000 * width) / length >= LEAST_APART) ?? 120;
  const ticks = Array.from({ length: Math.floor(length / 1000 / step) + 1 }, (_, index) => index * step);
  function seek(event: PointerEvent<HTMLDivElement>): void {
    const box = event.currentTarget.getBoundingClientRect();
    onSeek(Math.min(length, Math.max(0, ((event.clientX - box.left) / box.width) * length)));
  }
  function press(event: PointerEvent<HTMLDivElement>): void {
    event.currentTarget.setPointerCapture(event.pointerId);
    seek(event);
  }
  function drag(event: PointerEvent<HTMLDivElement>): void {
    if (event.buttons === 1) seek(event);
  }
  return (
    <div className="flex border-b border-ink/40">
      <span className="sticky left-0 z-10 w-[84px] shrink-0 bg-paper" />
      <div
        aria-hidden
        data-testid="ruler"
        onPointerDown={press}
        onPointerMove={drag}
        className="relative h-[22px] flex-1 cursor-ew-resize touch-none overflow-hidden"
      >
        {beats.map((beat) => (
          <span
            key={`beat at ${beat}`}
            data-testid="beat"
            className="absolute bottom-0 h-[6px] w-px bg-accent"
            style={{ left: `${(beat / length) * 100}%` }}
          />
        ))}
        {ticks.map((second) => (
          <span
            key={second}
            className="absolute top-0 h-full border-l border-ink/40 pl-1 figures text-[11px] text-soft"
            style={{ left: `${((second * 1000) / length) * 100}%` }}
          >
            {Number(second.toFixed(1))} s
          </span>
        ))}
      </div>
    </div>
  );
}
