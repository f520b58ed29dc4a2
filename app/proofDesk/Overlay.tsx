import { useId } from "react";
import { type Furniture } from "../../core/placement/placements";
import { type FormatName, formatOf, safeArea } from "../../core/placement/formats";
import { type SheetSlot } from "../../core/scene/proofSheet";
import { centreOf } from "../../core/geometry/rect";

export const OVERLAYS = ["safe area", "furniture", "grid", "reading order"] as const;
export type OverlayName = (typeof OVERLAYS)[number];

/** What is drawn over a proof to judge it by: it is never rendered. */
export function Overlay({
  format,
  shown,
  slots,
  furniture,
  named = false,
}: {
  format: FormatName;
  shown: ReadonlySet<OverlayName>;
  slots: readonly SheetSlot[];
  /** What chosen placements draw over this format. */
  furniture: readonly Furniture[];
  /** Whether there is room to say what each piece is. */
  named?: boolean;
}) {
  if (shown.size === 0) return null;
  const shape = formatOf(format);
  const { width, height } = shape;
  const safe = safeArea(shape);
  const line = Math.max(width, height) / 320;
  return (
    <svg aria-hidden viewBox={`0 0 ${width} ${height}`} className="pointer-events-none absolute inset-0 h-full w-full">
      {shown.has("safe area") && (
        <>
          <path
            d={`M0 0H${width}V${height}H0Z M${safe.x} ${safe.y}V${safe.y + safe.height}H${safe.x + safe.width}V${safe.y}Z`}
            fill="#12181a"
            fillOpacity={0.32}
            fillRule="evenodd"
          />
          <rect {...safe} fill="none" stroke="#fff" strokeWidth={line} strokeDasharray={`${line * 4} ${line * 3}`} />
        </>
      )}
      {shown.has("furniture") && <Pieces pieces={furniture} line={line} named={named} />}
      {shown.has("grid") && <Grid width={width} height={height} line={line} />}
      {shown.has("reading order") && <ReadingOrder slots={slots} unit={line} />}
    </svg>
  );
}

/** What channels draw over the picture, hatched. */
function Pieces({ pieces, line, named }: { pieces: readonly Furniture[]; line: number; named: boolean }) {
  const hatch = useId();
  const step = line * 5;
  const size = line * 8;
  return (
    <g>
      <pattern id={hatch} width={step} height={step} patternUnits="userSpaceOnUse" patternTransform="rotate(45)">
        <rect width={step} height={step} fill="#12181a" fillOpacity={0.45} />
        <rect width={line * 1.4} height={step} fill="#fff" fillOpacity={0.75} />
      </pattern>
      {pieces.map(({ what, place: { x, y, width, height } }) => (
        <g key={`${what}${x}/${y}/${width}`}>
          <rect {...{ x, y, width, height }} fill={`url(#${hatch})`} stroke="#fff" strokeWidth={line} />
          {named && width > size * what.length * 0.6 && (
            <text
              x={x + width / 2}
              y={y + height / 2 + size * 0.35}
              textAnchor="middle"
              fontSize={size}
              fontWeight={600}
              fill="#fff"
              stroke="#12181a"
              strokeWidth={size * 0.3}
              paintOrder="stroke"
            >
              {what}
            </text>
          )}
        </g>
      ))}
    </g>
  );
}

/** Thirds and the middle. */
function Grid({ width, height, line }: { width: number; height: number; line: number }) {
  return (
    <g stroke="#fff" strokeWidth={line / 2} strokeOpacity={0.85}>
      {[1 / 3, 2 / 3].map((share) => (
        <path key={share} d={`M${width * share} 0V${height} M0 ${height * share}H${width}`} />
      ))}
      <path
        d={`M${width / 2} 0V${height} M0 ${height / 2}H${width}`}
        strokeDasharray={`${line * 3} ${line * 3}`}
        stroke="#c8432b"
      />
    </g>
  );
}

/** The way of the eye over the words: from the largest to the smallest. */
function ReadingOrder({ slots, unit }: { slots: readonly SheetSlot[]; unit: number }) {
  const words = slots
    .filter(({ kind, fitted }) => kind === "words" && fitted !== null)
    .sort((one, other) => (other.fitted?.size ?? 0) - (one.fitted?.size ?? 0));
  const points = words.map(({ place }) => centreOf(place));
  const radius = unit * 7;
  return (
    <g>
      <polyline
        points={points.map(({ x, y }) => `${x},${y}`).join(" ")}
        fill="none"
        stroke="#c8432b"
        strokeWidth={unit * 1.2}
      />
      {points.map(({ x, y }, index) => (
        <g key={index}>
          <circle cx={x} cy={y} r={radius} fill="#c8432b" />
          <text x={x} y={y + radius * 0.36} textAnchor="middle" fontSize={radius * 1.1} fill="#fff" fontWeight={700}>
            {index + 1}
          </text>
        </g>
      ))}
    </g>
  );
}
