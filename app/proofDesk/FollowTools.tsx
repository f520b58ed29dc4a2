import { type ReactNode } from "react";
import { subjectIn } from "../../core/scene/framedMedia";
import { type FollowedClip } from "./followedClip";
import { FindSubject } from "../media/FindSubject";
import { mediaAddress } from "../components/mediaAddress";

/** The subject of a clip is followed, or not; its path over the filmstrip, bent where somebody said it is elsewhere. */
export function FollowTools({
  clip,
  axis,
  follows,
  onFollows,
  onUnbend,
  source,
}: {
  clip: FollowedClip;
  /** Which way the picture is cut: that of the path is drawn. */
  axis: "x" | "y";
  follows: boolean;
  onFollows: (follows: boolean) => void;
  /** Takes what was said of the frame on screen back. */
  onUnbend: () => void;
  source: ReactNode;
}) {
  const { facts, framing, frame } = clip;
  const isBent = framing?.bends.some((bend) => bend.frame === frame) ?? false;
  return (
    <div className="flex flex-col gap-2">
      <div className="flex items-center justify-between gap-2">
        <label className="flex min-h-7 items-center gap-2">
          <input
            type="checkbox"
            className="h-4 w-4 accent-accent"
            checked={follows}
            onChange={(event) => onFollows(event.target.checked)}
          />
          Follows its subject
        </label>
        {source}
      </div>
      {!facts.subject && <FindSubject id={facts.id} />}
      {follows && (facts.subject ?? framing?.bends.length) && (
        <>
          <PathStrip clip={clip} axis={axis} />
          <div className="flex items-baseline justify-between gap-3 text-[12px] text-soft">
            <span>{axis === "x" ? "Top: at the left edge" : "Top: at the upper edge"}</span>
            {isBent && (
              <button type="button" className="underline hover:text-ink" onClick={onUnbend}>
                Back to its path at frame {frame}
              </button>
            )}
          </div>
        </>
      )}
    </div>
  );
}

/** Points of the line that are drawn. */
const POINTS = 96;
const HIGH = 100;

function PathStrip({ clip: { facts, framing, frame }, axis }: { clip: FollowedClip; axis: "x" | "y" }) {
  const at = (of: number): number => subjectIn(facts, framing, of)[axis] * HIGH;
  const across = (of: number): number => (of / Math.max(1, facts.frames - 1)) * HIGH;
  const line = Array.from({ length: POINTS + 1 }, (_, index) => {
    const of = Math.round((index / POINTS) * (facts.frames - 1));
    return `${across(of).toFixed(2)},${at(of).toFixed(2)}`;
  }).join(" ");
  return (
    <div className="relative flex h-[64px] items-center bg-proof">
      <img src={mediaAddress(facts, "strip")} alt="" draggable={false} className="w-full opacity-55" />
      <svg
        role="img"
        aria-label={`The path of the subject of ${facts.name}`}
        viewBox={`0 0 ${HIGH} ${HIGH}`}
        preserveAspectRatio="none"
        className="absolute inset-0 h-full w-full overflow-visible"
      >
        <polyline
          points={line}
          fill="none"
          stroke="black"
          strokeOpacity={0.6}
          strokeWidth={4.5}
          vectorEffect="non-scaling-stroke"
        />
        <polyline points={line} fill="none" stroke="white" strokeWidth={2} vectorEffect="non-scaling-stroke" />
        <line
          x1={across(frame)}
          x2={across(frame)}
          y1={0}
          y2={HIGH}
          className="stroke-accent"
          strokeWidth={2}
          vectorEffect="non-scaling-stroke"
        />
      </svg>
      {(framing?.bends ?? []).map((bend) => (
        <span
          key={bend.frame}
          title={`Set by hand at frame ${bend.frame}`}
          className="absolute h-2.5 w-2.5 -translate-x-1/2 -translate-y-1/2 border-2 border-white bg-accent"
          style={{ left: `${across(bend.frame)}%`, top: `${at(bend.frame)}%` }}
        />
      ))}
    </div>
  );
}
