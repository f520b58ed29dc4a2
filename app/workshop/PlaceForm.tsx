import { clsx } from "clsx";
import { RotateCcw } from "lucide-react";
import { type Rect } from "../../core/geometry/rect";
import { type FormatName, formatTitle } from "../../core/placement/formats";
import { LEAST_SIDE } from "../../core/placement/leastSide";

/** Where a slot stands in each format, and whether that was set by hand. */
export type PlacesByFormat = ReadonlyMap<FormatName, { readonly place: Rect; readonly byHand: boolean } | null>;

const SIDES = [
  ["x", "From the left"],
  ["y", "From the top"],
  ["width", "Width"],
  ["height", "Height"],
] as const;
const FARTHEST = 4000;

/** A slot's place in each format as numbers, in design units: typed, or given back to the arrangement. */
export function PlaceForm({
  places,
  onPlace,
}: {
  places: PlacesByFormat;
  onPlace: (format: FormatName, place: Rect | null) => void;
}) {
  return (
    <table className="mt-2 w-full border-t border-rule text-[12.5px]">
      <caption className="sr-only">Place in each format, in units; the short side of a format has 1080</caption>
      <thead>
        <tr className="text-left text-soft">
          <th className="py-1 font-normal">Place, units</th>
          {SIDES.map(([side, label]) => (
            <th key={side} className="font-normal" title={label}>
              {side === "width" ? "wide" : side === "height" ? "high" : side}
            </th>
          ))}
          <th className="sr-only">Give back</th>
        </tr>
      </thead>
      <tbody>
        {[...places].map(([format, shown]) => (
          <tr key={format}>
            <th scope="row" className={`pr-2 text-left font-normal ${shown?.byHand ? "text-ink" : "text-soft"}`}>
              {formatTitle(format)}
            </th>
            {SIDES.map(([side, label]) => (
              <td key={side} className="pr-1">
                <input
                  type="number"
                  step={1}
                  disabled={!shown}
                  aria-label={`${label} in ${formatTitle(format)}`}
                  value={shown ? Math.round(shown.place[side] * 2) / 2 : ""}
                  onChange={({ target: { valueAsNumber: value } }) =>
                    shown && isPlaceable(side, value) && onPlace(format, { ...shown.place, [side]: value })
                  }
                  className={clsx(
                    "w-full border border-rule px-1 py-0.5 figures",
                    shown?.byHand ? "bg-white text-ink" : "bg-transparent text-soft",
                  )}
                />
              </td>
            ))}
            <td className="w-6">
              <button
                type="button"
                disabled={!shown?.byHand}
                aria-label={`Give the place in ${formatTitle(format)} back to the arrangement`}
                title="As the arrangement has it"
                onClick={() => onPlace(format, null)}
                className="p-1.5 text-soft hover:text-ink disabled:opacity-25"
              >
                <RotateCcw aria-hidden size={13} />
              </button>
            </td>
          </tr>
        ))}
      </tbody>
    </table>
  );
}

const isPlaceable = (side: keyof Rect, value: number): boolean =>
  side === "x" || side === "y" ? Math.abs(value) <= FARTHEST : value >= LEAST_SIDE && value <= FARTHEST;
