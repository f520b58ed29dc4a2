import { type ChangeEvent } from "react";
import { type Palette } from "../../core/color/palette";
import { type Edit } from "../../core/document/edit";
import { adjust } from "../../core/document/edits";
import { FIELDS } from "../../core/document/fields";
import { setForAll } from "../../core/document/forAllEdits";
import { COLORED_JOINS, DIRECTED_JOINS, JOINS, JOIN_EASES, JOIN_WORDS, type Join } from "../../core/document/joins";
import { type Promotion } from "../../core/document/promotion";
import { millis } from "../../core/units";
import { ChoiceField } from "../workshop/ChoiceField";
import { NumberField } from "../workshop/NumberField";
import { JoinColors } from "./JoinColors";
import { TimeField } from "./TimeField";

const { least: LEAST_OVERLAP, most: MOST_OVERLAP } = FIELDS.overlap.field;
const { least: LEAST_ANGLE, most: MOST_ANGLE } = FIELDS.joinAngle.field;
/** Only a wipe goes in any direction. */
const QUARTER = 90;

/** How a scene comes in over the one before it: in which way, how long, how it goes, through what and from where. */
export function JoinFields({
  document,
  scene,
  join,
  overlap,
  goesOn,
  palette,
  disabled,
  onEdit,
}: {
  document: Promotion;
  /** Its id. */
  scene: string;
  /** How it comes in. */
  join: Join;
  /** Over how many milliseconds, as it is set. */
  overlap: number;
  /** Whether it is one shot with the scene before. */
  goesOn: boolean;
  palette: Palette;
  disabled: boolean;
  onEdit: (edit: Edit) => void;
}) {
  const target = { scene };
  const { kind, color, angle, ease } = join;
  const setOverlap = (ms: number): void =>
    onEdit(adjust("overlap", millis(Math.min(MOST_OVERLAP, Math.max(LEAST_OVERLAP, ms))), { target }));
  const setGoesOn = ({ target: { checked } }: ChangeEvent<HTMLInputElement>): void =>
    onEdit(adjust("goesOn", checked ? true : null, { target }));
  const forAll = (): void =>
    onEdit(
      setForAll(
        document,
        [
          ["transition", kind],
          ["overlap", millis(overlap)],
          ["joinColor", color],
          ["joinAngle", angle],
          ["joinEase", ease],
        ],
        "Transitions",
      ),
    );
  return (
    <div className="flex flex-col gap-2.5 border-t border-rule pt-2.5">
      <div className="grid grid-cols-2 items-start gap-3">
        <ChoiceField
          label="Comes in by"
          value={kind}
          choices={JOINS.map((one) => [one, JOIN_WORDS[one]] as const)}
          onChange={(choice) => onEdit(adjust("transition", choice, { target }))}
        />
        <TimeField label="over (0 is a cut)" value={overlap} disabled={disabled} onTime={setOverlap} />
        <ChoiceField
          label="It goes"
          value={ease}
          choices={JOIN_EASES}
          onChange={(choice) => onEdit(adjust("joinEase", choice, { target }))}
        />
        {DIRECTED_JOINS.includes(kind) && (
          <NumberField
            label="Turned by, degrees"
            least={LEAST_ANGLE}
            most={MOST_ANGLE}
            step={kind === "wipe" ? 1 : QUARTER}
            value={angle}
            onChange={(turned) => onEdit(adjust("joinAngle", turned, { target }))}
          />
        )}
      </div>
      {COLORED_JOINS.includes(kind) && (
        <JoinColors
          label="Its colour"
          palette={palette}
          chosen={color}
          onChoose={(one) => onEdit(adjust("joinColor", one, { target }))}
        />
      )}
      <label className="flex min-h-6 items-center gap-2 text-[13px] text-soft">
        <input type="checkbox" className="accent-accent" checked={goesOn} onChange={setGoesOn} />
        One shot with the scene before: what both show stays
      </label>
      <button type="button" onClick={forAll} className="self-start text-[13px] underline hover:text-accent">
        So into every scene
      </button>
    </div>
  );
}
