import { type KeyboardEvent, type PointerEvent, useRef, useState } from "react";
import { type GainPoint, GAINS } from "../../core/document/lanes";
import { gainPointsOf, pulledPoint } from "../../core/document/gainPoints";

/** So many decibels a pixel that a point is pulled up or down, and a press of a key. */
const DECIBELS_A_PIXEL = 0.5;
const DECIBELS_A_PRESS = 1;
const [FRAME_MS, SECOND_MS] = [1000 / 30, 1000];
interface LevelPointsProps {
  readonly name: string;
  readonly points: readonly GainPoint[];
  /** Where each lies, in pixels of the lane: on the line of how loud the piece is. */
  readonly heights: readonly number[];
  /** When the piece is heard, and how long all of the promotion is, in milliseconds. */
  readonly from: number;
  readonly lasts: number;
  readonly length: number;
  readonly onPoints: (points: readonly GainPoint[] | null) => void;
}

/** The points of a piece's level, over its bar: pulled in time and level, moved by keys, taken out by Delete. */
export function LevelPoints(props: LevelPointsProps) {
  return props.points.map((point, index) => <PulledPoint key={index} {...props} point={point} index={index} />);
}

function PulledPoint({
  name,
  points,
  from,
  lasts,
  length,
  heights,
  onPoints,
  point,
  index,
}: LevelPointsProps & { point: GainPoint; index: number }) {
  const grip = useRef<{ readonly x: number; readonly y: number; readonly perPixel: number } | null>(null);
  const [pulled, setPulled] = useState<GainPoint | null>(null);
  const put = (next: GainPoint): void => onPoints(gainPointsOf(points.with(index, next)));
  const wantedAt = ({ clientX, clientY }: PointerEvent): GainPoint | null =>
    grip.current &&
    pulledPoint(
      points,
      index,
      {
        at: point.at + (clientX - grip.current.x) * grip.current.perPixel,
        gain: point.gain + (grip.current.y - clientY) * DECIBELS_A_PIXEL,
      },
      lasts,
    );
  function press(event: PointerEvent<HTMLButtonElement>): void {
    const page = event.currentTarget.parentElement;
    if (!page) return;
    event.stopPropagation();
    event.currentTarget.setPointerCapture(event.pointerId);
    grip.current = { x: event.clientX, y: event.clientY, perPixel: length / page.getBoundingClientRect().width };
  }
  function pull(event: PointerEvent): void {
    const wanted = wantedAt(event);
    if (wanted) setPulled(wanted);
  }
  function letGo(event: PointerEvent): void {
    const wanted = pulled && wantedAt(event);
    leave();
    if (wanted) put(wanted);
  }
  function leave(): void {
    grip.current = null;
    setPulled(null);
  }
  function step(event: KeyboardEvent): void {
    if (event.key === "Delete" || event.key === "Backspace") onPoints(gainPointsOf(points.toSpliced(index, 1)));
    const by = {
      ArrowLeft: { at: -1, gain: 0 },
      ArrowRight: { at: 1, gain: 0 },
      ArrowUp: { at: 0, gain: 1 },
      ArrowDown: { at: 0, gain: -1 },
    }[event.key];
    if (!by) return;
    event.preventDefault();
    event.stopPropagation();
    const at = point.at + by.at * (event.shiftKey ? SECOND_MS : FRAME_MS);
    put(pulledPoint(points, index, { at, gain: point.gain + by.gain * DECIBELS_A_PRESS }, lasts));
  }
  const { at, gain } = pulled ?? point;
  const raised = (gain - point.gain) / DECIBELS_A_PIXEL;
  const says = `${gain > 0 ? "+" : ""}${gain.toFixed(1).replace("-", "−")} dB at ${((from + at) / 1000).toFixed(2)} s`;
  return (
    <button
      type="button"
      aria-label={`Level point ${index + 1} of ${name}: ${says}`}
      title={`${says}. Pull it; arrow keys move it, Delete takes it out. From ${GAINS.least} to ${GAINS.most} dB.`}
      onPointerDown={press}
      onPointerMove={pull}
      onPointerUp={letGo}
      onPointerCancel={leave}
      onKeyDown={step}
      className="absolute z-10 -mt-3 -ml-3 flex h-6 w-6 cursor-move touch-none items-center justify-center"
      style={{ left: `${((from + at) / length) * 100}%`, top: (heights[index] ?? 0) - raised }}
    >
      <span aria-hidden className="h-2.5 w-2.5 rotate-45 border-2 border-accent bg-white" />
      {pulled && (
        <span className="absolute bottom-5 bg-ink px-1 figures text-[11px] whitespace-nowrap text-white">{says}</span>
      )}
    </button>
  );
}
