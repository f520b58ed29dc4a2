import { clsx } from "clsx";
import { useRef, type KeyboardEvent, type PointerEvent } from "react";
import { Pause, Play } from "lucide-react";
import { type SceneTemplate } from "../../core/document/sceneTemplate";
import { FPS_30, frameCount } from "../../core/time/frames";
import { type SceneSpan } from "../../core/time/timeline";
import { type ProofEngine } from "../proof/proofEngine";
import { useProofState } from "./useProof";
import { FRAMES_A_SECOND, togglePlaying, useTransportKeys } from "./useTransportKeys";
import { frameOn, ticksOf } from "../../core/time/ticks";

interface Timed {
  readonly scenes: readonly SceneTemplate[];
  readonly spans: readonly SceneSpan[];
  /** Milliseconds. */
  readonly length: number;
}

/** The strip along the foot of a desk: play, the time, the scenes, a head to drag. Space plays, arrows step. */
export function Transport({ engine, ...timed }: Timed & { engine: ProofEngine | null }) {
  const playing = useProofState(engine, (state) => state.playing);
  const time = useProofState(engine, (state) => state.time);
  const toggle = (): void => togglePlaying(engine);
  useTransportKeys(engine);
  const Icon = playing ? Pause : Play;
  return (
    <div className="flex h-[58px] shrink-0 items-center gap-5 border-t border-rule bg-card px-5">
      <button
        type="button"
        onClick={toggle}
        className="flex h-9 w-9 items-center justify-center bg-ink text-card cut"
        aria-label={playing ? "Pause" : "Play"}
      >
        <Icon aria-hidden size={17} fill="currentColor" />
      </button>
      <output className="w-[74px] figures text-[13px]" aria-label="Time" data-testid="time">
        {clock(time)}
      </output>
      <TimeStrip {...timed} engine={engine} time={time} />
      <span className="figures text-[13px] whitespace-nowrap text-soft">
        {(timed.length / 1000).toFixed(1)} s · {frameCount(timed.length, FPS_30)} frames
      </span>
    </div>
  );
}

function TimeStrip({ engine, time, scenes, spans, length }: Timed & { engine: ProofEngine | null; time: number }) {
  const strip = useRef<HTMLDivElement>(null);
  function seekTo({ clientX }: PointerEvent): void {
    const box = strip.current?.getBoundingClientRect();
    if (box) engine?.seek(((clientX - box.left) / box.width) * length);
  }
  function onPointerDown(event: PointerEvent<HTMLDivElement>): void {
    event.currentTarget.setPointerCapture(event.pointerId);
    seekTo(event);
  }
  function onPointerMove(event: PointerEvent): void {
    if (event.buttons === 1) seekTo(event);
  }
  function onKeyDown(event: KeyboardEvent): void {
    const frames = event.shiftKey ? FRAMES_A_SECOND : 1;
    if (event.key === "ArrowLeft") engine?.step(-frames);
    else if (event.key === "ArrowRight") engine?.step(frames);
    else if (event.key === "Home") engine?.seek(0);
    else if (event.key === "End") engine?.seek(length);
    else if (event.key === " ") togglePlaying(engine);
    else return;
    event.preventDefault();
  }
  return (
    <div
      ref={strip}
      role="slider"
      tabIndex={0}
      aria-label="Place in time"
      aria-valuemin={0}
      aria-valuemax={length}
      aria-valuenow={Math.round(time)}
      aria-valuetext={clock(time)}
      onKeyDown={onKeyDown}
      className="relative h-9 flex-1 cursor-ew-resize touch-none"
      onPointerDown={onPointerDown}
      onPointerMove={onPointerMove}
    >
      {spans.map((span, index) => {
        const next = spans[index + 1];
        const end = next ? next.start : span.end;
        const inside = time >= span.start && (time < end || !next);
        return (
          <div
            key={span.index}
            className={clsx(
              "absolute inset-y-0 border-t-2 px-2 pt-0.5 text-[12px]",
              inside ? "border-accent bg-white" : "border-[#c9bfa8] bg-[#e9e1d0] text-soft",
            )}
            style={{
              left: `${(span.start / length) * 100}%`,
              width: `calc(${((end - span.start) / length) * 100}% - 3px)`,
            }}
          >
            <span className="mr-1 figures">{index + 1}</span>
            {scenes[index]?.name}
          </div>
        );
      })}
      <div
        aria-hidden
        className="pointer-events-none absolute -inset-y-1 w-[2px] bg-accent"
        style={{ left: `${length > 0 ? (time / length) * 100 : 0}%` }}
      />
    </div>
  );
}

/** Minutes, seconds and the frame within the second. */
function clock(time: number): string {
  const frame = frameOn(ticksOf(time), FPS_30);
  const two = (value: number): string => String(value).padStart(2, "0");
  const seconds = Math.floor(frame / FRAMES_A_SECOND);
  return `${two(Math.floor(seconds / 60))}:${two(seconds % 60)}.${two(frame % FRAMES_A_SECOND)}`;
}
