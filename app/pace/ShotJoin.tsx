import { type Palette } from "../../core/color/palette";
import { type CutChange } from "../../core/document/cutEdits";
import { COLORED_JOINS, JOINS, JOIN_WORDS, type JoinColor, type JoinKind, USUAL_JOIN } from "../../core/document/joins";
import { LEAST_LENGTH_MS, MOST_COMES_OVER, type ShotCut, USUAL_COMES_OVER } from "../../core/document/shots";
import { millis } from "../../core/units";
import { ChoiceField } from "../workshop/ChoiceField";
import { JoinColors } from "./JoinColors";
import { TimeField } from "./TimeField";

const CUT = "cut";
const CHOICES = [[CUT, CUT], ...JOINS.map((kind) => [kind, JOIN_WORDS[kind]] as const)] as const;

/** How a shot follows the one before it in its slot: at once, or by a join of its own length. */
export function ShotJoin({
  which,
  cut: { comesBy, comesOver = USUAL_COMES_OVER, comesThrough = USUAL_JOIN.color },
  palette,
  onCut,
}: {
  /** What the shot is called. */
  which: string;
  cut: ShotCut;
  palette: Palette;
  onCut: (change: CutChange) => void;
}) {
  function choose(kind: JoinKind | typeof CUT): void {
    if (kind === CUT) onCut({ comesBy: null, comesOver: null, comesThrough: null });
    else onCut({ comesBy: kind });
  }
  const paint = (color: JoinColor): void => onCut({ comesThrough: color });
  const setTime = (ms: number): void =>
    onCut({ comesOver: millis(Math.min(MOST_COMES_OVER, Math.max(LEAST_LENGTH_MS, Math.round(ms)))) });
  return (
    <div className="mb-1.5 flex flex-col gap-1.5 border-b border-rule pb-2">
      <div className="grid grid-cols-2 items-end gap-2">
        <ChoiceField label="Follows by" value={comesBy ?? CUT} choices={CHOICES} onChange={choose} />
        {comesBy && (
          <TimeField label={`Time in which ${which} follows`} shortLabel="over" value={comesOver} onTime={setTime} />
        )}
      </div>
      {comesBy && COLORED_JOINS.includes(comesBy) && (
        <JoinColors label={`Colour before ${which}`} palette={palette} chosen={comesThrough} onChoose={paint} />
      )}
    </div>
  );
}
