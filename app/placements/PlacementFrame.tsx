import { formatOf } from "../../core/placement/formats";
import { type Placement, furnitureOf } from "../../core/placement/placements";

/** A placement's frame with its safe area and what is drawn over it there. */
export function PlacementFrame({ placement, height = 150 }: { placement: Placement; height?: number }) {
  const { width: across, height: down, safe } = formatOf(placement.format);
  return (
    <svg viewBox={`0 0 ${across} ${down}`} style={{ height, maxWidth: "100%" }} aria-hidden>
      <rect width={across} height={down} fill="#8a8c89" />
      <rect
        x={safe.left}
        y={safe.top}
        width={across - safe.left - safe.right}
        height={down - safe.top - safe.bottom}
        fill="none"
        stroke="#fcf9f2"
        strokeWidth={across / 180}
        strokeDasharray={`${across / 60} ${across / 90}`}
      />
      {furnitureOf(placement).map(({ what, place }, at) => (
        <rect
          key={`${at} ${what}`}
          x={place.x}
          y={place.y}
          width={place.width}
          height={place.height}
          fill="#20282a"
          opacity={0.75}
        />
      ))}
    </svg>
  );
}
