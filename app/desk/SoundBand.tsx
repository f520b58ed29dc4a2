import { AudioLines } from "lucide-react";
import { type Edit } from "../../core/document/edit";
import { chooseTune } from "../../core/document/edits";
import { tuneOf } from "../../core/document/lanes";
import { type Promotion } from "../../core/document/promotion";
import { RIGHTS_WORDS } from "../../core/document/rights";
import type { OfferedMedia } from "../../server/media/offeredMedia";
import { RightsMark } from "../components/RightsMark";
import { fieldLook } from "../components/fieldLook";

/** The music under the whole promotion. It fades in and out by itself and is brought to an even loudness. */
export function SoundBand({
  document,
  sounds,
  onEdit,
}: {
  document: Promotion;
  sounds: readonly OfferedMedia[];
  onEdit: (edit: Edit) => void;
}) {
  return (
    <section aria-label="Sound" className="flex items-center gap-4 border-l-4 border-l-transparent px-4 py-3.5">
      <AudioLines aria-hidden size={24} className="ml-[34px] shrink-0" />
      <label htmlFor="tune" className="text-[13px] text-soft">
        Music
      </label>
      <select
        id="tune"
        value={tuneOf(document) ?? ""}
        onChange={(event) => onEdit(chooseTune(event.target.value || null))}
        className={`${fieldLook} w-auto! min-w-60`}
      >
        <option value="">no music</option>
        {sounds.map(({ facts: { id, name }, rights }) => (
          <option key={id} value={id}>
            {name.replace(/\.\w+$/, "")}
            {rights === "clear" ? "" : ` (${RIGHTS_WORDS[rights]})`}
          </option>
        ))}
      </select>
      <RightsMark state={sounds.find(({ facts }) => facts.id === tuneOf(document))?.rights ?? "clear"} />
      <span className="text-[13px] text-soft">
        {sounds.length === 0 ? "Bring a tune in under Media." : "fades in and out, at −14 LUFS"}
      </span>
    </section>
  );
}
