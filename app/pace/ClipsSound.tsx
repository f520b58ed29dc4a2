import { setAllClips } from "../../core/document/clipLevelEdits";
import { clipsHeard } from "../../core/document/clipsHeard";
import { type HeardSlot, detachSound, heardSlots } from "../../core/document/detachSound";
import { LevelField } from "../desk/LevelField";
import { usualWords } from "../desk/usualWords";
import { type SoundPanelProps } from "./soundPanelProps";

/** How loud all clips are, and the way to have the sound of one by itself. */
export function ClipsSound({
  document,
  promotion,
  onEdit,
}: Pick<SoundPanelProps, "document" | "promotion" | "onEdit">) {
  const clips = clipsHeard(document, promotion);
  if (!clips) return null;
  const setAll = (level: number): void => onEdit(setAllClips(document, level));
  return (
    <section aria-label="Clips" className="flex flex-col gap-1.5">
      <h3 className="text-[15px] font-semibold">Clips</h3>
      <div className="flex items-center gap-3 text-[13px] text-soft">
        <LevelField
          label="Sound of all clips"
          level={clips.level}
          usual={clips.usual}
          disabled={false}
          onLevel={setAll}
        />
        {!clips.isSet && <span>{usualWords(clips.usual)}, unless one is set by itself</span>}
      </div>
      <ul className="flex flex-col text-[13px]">
        {heardSlots(promotion).map((heard) => (
          <DetachedRow
            key={`${heard.scene}.${heard.slot}`}
            document={document}
            promotion={promotion}
            heard={heard}
            onEdit={onEdit}
          />
        ))}
      </ul>
    </section>
  );
}

/** A clip that is heard where it is seen, and the way to have its sound by itself. */
function DetachedRow({
  document,
  promotion,
  heard,
  onEdit,
}: Pick<SoundPanelProps, "document" | "promotion" | "onEdit"> & { heard: HeardSlot }) {
  const edit = detachSound(document, promotion, heard);
  const detach = (): void => {
    if (edit) onEdit(edit);
  };
  const number = promotion.scenes.findIndex(({ id }) => id === heard.scene) + 1;
  const name = heard.names.join(", ");
  return (
    <li className="flex items-center gap-2 border-t border-rule py-1">
      <span className="min-w-0 flex-1 truncate">
        {number} · {name}
      </span>
      <button
        type="button"
        aria-label={`Detach the sound of ${name} in scene ${number}`}
        title={edit ? "Its sound becomes a piece of its own" : "What is slowed or turned round stays with its picture"}
        disabled={!edit}
        onClick={detach}
        className="min-h-6 text-soft underline hover:text-accent disabled:no-underline disabled:opacity-50"
      >
        Detach
      </button>
    </li>
  );
}
