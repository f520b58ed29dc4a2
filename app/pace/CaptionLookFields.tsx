import { type Palette } from "../../core/color/palette";
import { CAPTION_PLACES, type ShownCaptions } from "../../core/document/captionLook";
import { type Edit } from "../../core/document/edit";
import { FOR_ALL, adjust } from "../../core/document/edits";
import { FIELDS } from "../../core/document/fields";
import { ColorSwatches } from "../components/ColorSwatches";
import { ChoiceField } from "../workshop/ChoiceField";
import { NumberField } from "../workshop/NumberField";

const { least: SMALLEST, most: LARGEST, step: SIZE_STEP } = FIELDS.captionsSize.field;

/** Where captions stand over the pictures, on what, and how large. */
export function CaptionLookFields({
  shown,
  palette,
  onEdit,
}: {
  shown: Omit<ShownCaptions, "cues">;
  palette: Palette;
  onEdit: (edit: Edit) => void;
}) {
  return (
    <>
      <ChoiceField
        label="They stand"
        value={shown.at}
        choices={CAPTION_PLACES}
        onChange={(at) => onEdit(adjust("captionsAt", at, FOR_ALL))}
      />
      <div>
        <p className="mb-1 text-[13px] text-soft">On</p>
        <ColorSwatches
          label="Captions stand on"
          palette={palette}
          chosen={shown.on}
          onChoose={(on) => onEdit(adjust("captionsOn", on, FOR_ALL))}
        />
      </div>
      <NumberField
        label="Size, times the usual"
        least={SMALLEST}
        most={LARGEST}
        step={SIZE_STEP}
        value={shown.size}
        onChange={(size) => onEdit(adjust("captionsSize", size, FOR_ALL))}
        className="flex items-center justify-between gap-3 text-[13px] text-soft [&>input]:w-20"
      />
    </>
  );
}
