import { type Palette } from "../../core/color/palette";
import { type Edit } from "../../core/document/edit";
import { type Ending, ENDINGS } from "../../core/document/endings";
import { FIELDS } from "../../core/document/fields";
import { setForAll } from "../../core/document/forAllEdits";
import { type Promotion } from "../../core/document/promotion";
import { millis } from "../../core/units";
import { ChoiceField } from "../workshop/ChoiceField";
import { JoinColors } from "./JoinColors";
import { TimeField } from "./TimeField";

const { least: LEAST, most: MOST } = FIELDS.closingLasts.field;

/** How the promotion ends: as its last scene does, or closed by a colour. */
export function EndingFields({
  document,
  palette,
  ending,
  onEdit,
}: {
  document: Promotion;
  palette: Palette;
  ending: Ending | null;
  onEdit: (edit: Edit) => void;
}) {
  const set = (...values: Parameters<typeof setForAll>[1]): void => onEdit(setForAll(document, values, "Ending"));
  const setLength = (ms: number): void => set(["closingLasts", millis(Math.min(MOST, Math.max(LEAST, ms)))]);
  return (
    <>
      <div className="grid grid-cols-2 items-start gap-3">
        <ChoiceField
          label="It ends"
          value={ending?.kind ?? "as it is"}
          choices={ENDINGS}
          onChange={(kind) => set(["closing", kind])}
        />
        {ending && <TimeField label="over" value={ending.lasts} onTime={setLength} />}
      </div>
      {ending && (
        <JoinColors
          label="Colour of the end"
          palette={palette}
          chosen={ending.color}
          onChoose={(color) => set(["closingColor", color])}
        />
      )}
    </>
  );
}
