import { Trash2 } from "lucide-react";
import { gainAt, gainPointsOf } from "../../core/document/gainPoints";
import { GAINS, type GainPoint, MOST_GAIN_POINTS } from "../../core/document/lanes";
import { type ListedPiece, type PieceChange } from "../../core/document/soundEdits";
import { millis } from "../../core/units";
import { NumberField } from "../workshop/NumberField";
import { TimeField } from "./TimeField";

/** How loud a piece is over time: points of its level, typed, put where one looks, and taken out. */
export function SoundPoints({
  name,
  piece: { points = [] },
  time,
  lasts,
  onChange,
}: {
  name: string;
  piece: ListedPiece;
  /** The time that is looked at, from where the piece begins, and how long it lasts. Milliseconds. */
  time: number;
  lasts: number;
  onChange: (change: PieceChange) => void;
}) {
  const put = (list: readonly GainPoint[]): void => onChange({ points: gainPointsOf(list) });
  const here = millis(Math.round(Math.min(Math.max(0, time), lasts)));
  const add = (): void => put([...points.filter(({ at }) => at !== here), { at: here, gain: gainAt(points, here) }]);
  return (
    <div className="flex flex-col gap-1.5">
      <button
        type="button"
        disabled={points.length >= MOST_GAIN_POINTS || time < 0 || time > lasts}
        onClick={add}
        className="self-start text-[12.5px] text-soft underline hover:text-accent disabled:no-underline"
      >
        Put a point of level here
      </button>
      {points.length > 0 && (
        <ol aria-label={`Level of ${name}`} className="flex flex-col gap-1">
          {points.map((point, index) => (
            <PointRow
              key={`${index}-${points.length}`}
              number={index + 1}
              point={point}
              onPoint={(next) => put(next ? points.with(index, next) : points.toSpliced(index, 1))}
            />
          ))}
        </ol>
      )}
    </div>
  );
}

function PointRow({
  number,
  point,
  onPoint,
}: {
  number: number;
  point: GainPoint;
  onPoint: (point: GainPoint | null) => void;
}) {
  const setTime = (ms: number): void => onPoint({ ...point, at: millis(Math.max(0, Math.round(ms))) });
  const setGain = (gain: number): void => onPoint({ ...point, gain });
  const remove = (): void => onPoint(null);
  return (
    <li className="grid grid-cols-[1fr_1fr_auto] items-end gap-2">
      <TimeField label={`Time of point ${number}`} shortLabel="At" value={point.at} onTime={setTime} />
      <NumberField label="dB" {...GAINS} value={point.gain} onChange={setGain} className="text-[12.5px] text-soft" />
      <button type="button" aria-label={`Take point ${number} out`} onClick={remove} className="p-2 text-soft">
        <Trash2 aria-hidden size={14} />
      </button>
    </li>
  );
}
