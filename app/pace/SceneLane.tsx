import { clsx } from "clsx";
import { type KeyboardEvent, type PointerEvent, useRef } from "react";
import { type PacedScene } from "../../core/pace/pacedScenes";
import { FPS_30, frameCount } from "../../core/time/frames";
import { frameStart, msOf } from "../../core/time/ticks";
import { type SceneSpan } from "../../core/time/timeline";
import { FRAMES_A_SECOND } from "../desk/useTransportKeys";
import { Lane } from "./Lane";
import { stretchStyle } from "./timeShare";

const HEIGHT = 54;
const HATCH = "repeating-linear-gradient(135deg, var(--color-accent) 0 2px, transparent 2px 5px)";

/** Its end is being pulled, was let go, or was moved by a key. */
export type Lengthening = "pulling" | "pulled" | "stepped";

interface SceneLaneProps {
  readonly scenes: readonly PacedScene[];
  readonly spans: readonly SceneSpan[];
  /** Milliseconds. */
  readonly length: number;
  readonly chosen: number;
  readonly onChoose: (scene: number) => void;
  /** A scene gets another length, in milliseconds. */
  readonly onLength: (scene: number, length: number, how: Lengthening) => void;
  /** What was pulled is as it was. */
  readonly onLeave: () => void;
}

/** The scenes one after the other, hatched where two share the screen. The end of each is pulled, or stepped by keys. */
export function SceneLane({ scenes, spans, length, chosen, onChoose, onLength, onLeave }: SceneLaneProps) {
  return (
    <Lane title="Scenes" height={HEIGHT}>
      {spans.map((span, index) => {
        const scene = scenes[index];
        const until = spans[index + 1]?.start ?? span.end;
        return (
          scene && (
            <button
              key={scene.id}
              type="button"
              aria-pressed={index === chosen}
              aria-label={`Scene ${index + 1}, ${scene.name}`}
              onClick={() => onChoose(index)}
              className={clsx(
                "absolute inset-y-1 overflow-hidden border px-2 py-1 text-left text-[12.5px] leading-tight",
                index === chosen ? "border-ink bg-ink text-card" : "border-ink/40 bg-card hover:border-ink",
              )}
              style={stretchStyle(span.start, until, length)}
            >
              <span className="block truncate">
                <b className="mr-1 font-semibold">{index + 1}</b>
                {scene.name}
              </span>
              <span className="block truncate figures text-[11.5px] opacity-80">
                {(scene.length / 1000).toFixed(2)} s
              </span>
            </button>
          )
        );
      })}
      {spans.slice(1).map((span) => (
        <span
          key={span.index}
          aria-hidden
          className="pointer-events-none absolute top-1 h-2"
          style={{ ...stretchStyle(span.start, span.entered, length), backgroundImage: HATCH }}
        />
      ))}
      {spans.map((span, index) => {
        const scene = scenes[index];
        return (
          scene && (
            <SceneEnd
              key={scene.id}
              index={index}
              scene={scene}
              at={spans[index + 1]?.start ?? span.end}
              length={length}
              onLength={onLength}
              onLeave={onLeave}
            />
          )
        );
      })}
    </Lane>
  );
}

/** What the end of a scene is pulled by. */
function SceneEnd({
  index,
  scene,
  at,
  length,
  onLength,
  onLeave,
}: Pick<SceneLaneProps, "length" | "onLength" | "onLeave"> & { index: number; scene: PacedScene; at: number }) {
  const pulled = useRef<{ readonly x: number; readonly from: number; readonly perPixel: number } | null>(null);
  const lengthAt = (x: number): number => {
    const from = pulled.current;
    if (!from) return scene.length;
    return toFrames(from.from + (x - from.x) * from.perPixel);
  };
  function press(event: PointerEvent<HTMLDivElement>): void {
    const page = event.currentTarget.parentElement?.getBoundingClientRect();
    if (!page || scene.isLocked) return;
    event.currentTarget.setPointerCapture(event.pointerId);
    pulled.current = { x: event.clientX, from: scene.length, perPixel: length / page.width };
  }
  function drag(event: PointerEvent): void {
    if (pulled.current) onLength(index, lengthAt(event.clientX), "pulling");
  }
  function release(event: PointerEvent): void {
    if (!pulled.current) return;
    const wanted = lengthAt(event.clientX);
    pulled.current = null;
    onLength(index, wanted, "pulled");
  }
  function leave(): void {
    pulled.current = null;
    onLeave();
  }
  function step(event: KeyboardEvent): void {
    if (event.key === "Escape" && pulled.current) {
      leave();
      return;
    }
    const by = event.key === "ArrowRight" ? 1 : event.key === "ArrowLeft" ? -1 : 0;
    if (by === 0 || scene.isLocked) return;
    event.preventDefault();
    const frames = frameCount(scene.length, FPS_30) + by * (event.shiftKey ? FRAMES_A_SECOND : 1);
    onLength(index, msOf(frameStart(Math.max(1, frames), FPS_30)), "stepped");
  }
  return (
    <div
      role="slider"
      tabIndex={scene.isLocked ? -1 : 0}
      aria-label={`End of scene ${index + 1}`}
      aria-disabled={scene.isLocked}
      aria-valuemin={scene.shortest / 1000}
      aria-valuemax={scene.most / 1000}
      aria-valuenow={scene.length / 1000}
      aria-valuetext={`${(scene.length / 1000).toFixed(2)} s`}
      title={scene.isLocked ? "Locked by the template." : "Pull, or press arrow keys"}
      onPointerDown={press}
      onPointerMove={drag}
      onPointerUp={release}
      onPointerCancel={leave}
      onKeyDown={step}
      className={clsx(
        "absolute inset-y-0 z-[1] -ml-[13px] w-[26px] touch-none",
        "after:absolute after:inset-y-1 after:left-[11px] after:w-1 after:bg-ink/0 hover:after:bg-accent focus-visible:after:bg-accent",
        scene.isLocked ? "cursor-not-allowed" : "cursor-ew-resize",
      )}
      style={{ left: `${(at / length) * 100}%` }}
    />
  );
}

/** Ends of scenes are pulled from frame to frame. */
const toFrames = (ms: number): number => msOf(frameStart(Math.max(1, frameCount(ms, FPS_30)), FPS_30));
