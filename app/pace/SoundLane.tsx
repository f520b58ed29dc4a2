import { useMemo } from "react";
import { type ResolvedPromotion } from "../../core/document/resolve";
import { heardLevels } from "../../core/sound/heardLevels";
import { Lane } from "./Lane";

const HEIGHT = 40;

/** How loud it is, from the start to the end: the loudest fills the lane. */
export function SoundLane({ promotion: { mix, facts } }: { promotion: Pick<ResolvedPromotion, "mix" | "facts"> }) {
  const levels = useMemo(() => heardLevels(mix, facts.media), [mix, facts.media]);
  const names = [...new Set(mix.track.map(({ what }) => facts.media[what.sound]?.name.replace(/\.\w+$/, "") ?? ""))];
  const upper = levels.map((level, at) => `${at},${(1 - level * 0.94) * 50}`);
  const lower = levels.map((level, at) => `${at},${(1 + level * 0.94) * 50}`).reverse();
  return (
    <Lane title="Sound" height={HEIGHT}>
      {names.length === 0 ? (
        <span className="absolute inset-0 content-center px-2 text-[12.5px] text-soft">Nothing is heard.</span>
      ) : (
        <>
          <svg
            role="img"
            aria-label={`How loud it is: ${names.join(", ")}`}
            viewBox={`0 0 ${Math.max(1, levels.length - 1)} 100`}
            preserveAspectRatio="none"
            className="absolute inset-0 h-full w-full fill-ready/45"
          >
            <polygon points={[...upper, ...lower].join(" ")} />
          </svg>
          <span aria-hidden className="absolute top-0.5 left-1 truncate bg-paper/80 px-1 text-[11px] leading-[15px]">
            {names.join(" · ")}
          </span>
        </>
      )}
    </Lane>
  );
}
