import { AudioLines } from "lucide-react";
import { type Edit } from "../../core/document/edit";
import { chooseTune } from "../../core/document/edits";
import { tuneOf } from "../../core/document/lanes";
import { type Promotion } from "../../core/document/promotion";
import { setAllClips } from "../../core/document/clipLevelEdits";
import { clipsHeard } from "../../core/document/clipsHeard";
import { type ResolvedPromotion } from "../../core/document/resolve";
import { LevelField } from "./LevelField";
import { SoundOptions } from "./SoundOptions";
import { usualWords } from "./usualWords";
import type { OfferedMedia } from "../../server/media/offeredMedia";
import { RightsMark } from "../components/RightsMark";
import { fieldLook } from "../components/fieldLook";

/** The music under the whole promotion. It fades in and out by itself and is brought to an even loudness. */
export function SoundBand({
  document,
  promotion,
  sounds,
  onEdit,
}: {
  document: Promotion;
  promotion: ResolvedPromotion;
  sounds: readonly OfferedMedia[];
  onEdit: (edit: Edit) => void;
}) {
  const clips = clipsHeard(document, promotion);
  const setAll = (level: number): void => onEdit(setAllClips(document, level));
  const reset = (): void => onEdit(setAllClips(document, null));
  return (
    <section
      aria-label="Sound"
      className="flex flex-wrap items-center gap-x-4 gap-y-2 border-l-4 border-l-transparent px-4 py-3.5"
    >
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
        <SoundOptions sounds={sounds} />
      </select>
      <RightsMark state={sounds.find(({ facts }) => facts.id === tuneOf(document))?.rights ?? "clear"} />
      <span className="text-[13px] text-soft">
        {sounds.length === 0 ? "Bring a tune in under Media." : "fades in and out, at −14 LUFS"}
      </span>
      {clips && (
        <div className="ml-[74px] flex basis-full items-center gap-3 text-[13px] text-soft">
          Clips
          <LevelField
            label="Sound of all clips"
            level={clips.level}
            usual={clips.usual}
            disabled={false}
            onLevel={setAll}
          />
          {!clips.isSet ? (
            <span>{usualWords(clips.usual)}, unless one is set by itself</span>
          ) : (
            <button type="button" className="underline hover:text-ink" onClick={reset}>
              Reset
            </button>
          )}
        </div>
      )}
    </section>
  );
}
