import { clsx } from "clsx";
import { Ear, Trash2, Volume2, VolumeX } from "lucide-react";
import { heardMedia } from "../../core/document/heardMedia";
import { changeSound, removeSound } from "../../core/document/soundEdits";
import { PieceFields } from "./PieceFields";
import { type SoundPieceProps } from "./soundPieceProps";

/** A piece of sound: named, muted and taken out; opened, where it lies, what of it is heard and how loud. */
export function SoundPieceRow(props: SoundPieceProps) {
  const { document, promotion, piece, isAlone, onAlone, isOpen, onOpen, onEdit } = props;
  const sound = heardMedia(promotion.facts.media[piece.media]);
  const name = piece.says ?? sound?.name.replace(/\.\w+$/, "") ?? "not there any more";
  const open = (): void => onOpen(isOpen ? null : piece.id);
  const mute = (): void => {
    const edit = changeSound(document, piece.id, { muted: piece.muted ? null : true }, "Mute");
    if (edit) onEdit(edit);
  };
  const hearAlone = (): void => onAlone(isAlone ? null : piece.id);
  const remove = (): void => onEdit(removeSound(piece.id));
  const Mark = piece.muted ? VolumeX : Volume2;
  return (
    <li aria-label={name} className="border border-rule bg-paper/60">
      <div className="flex items-center gap-1 px-2 py-1.5">
        <button
          type="button"
          aria-pressed={piece.muted === true}
          aria-label={`Mute ${name}`}
          onClick={mute}
          className={clsx("p-1", piece.muted ? "text-wrong" : "text-soft hover:text-ink")}
        >
          <Mark aria-hidden size={15} />
        </button>
        <button
          type="button"
          aria-pressed={isAlone}
          aria-label={`Hear ${name} alone`}
          title="Hear it alone, for now; files have all"
          disabled={piece.muted === true}
          onClick={hearAlone}
          className={clsx("p-1 disabled:opacity-25", isAlone ? "bg-accent text-white" : "text-soft hover:text-ink")}
        >
          <Ear aria-hidden size={15} />
        </button>
        <button
          type="button"
          aria-expanded={isOpen}
          onClick={open}
          className={clsx("flex min-w-0 flex-1 text-left text-[13.5px] hover:text-accent", "flex-col gap-0.5")}
        >
          <span className={clsx("font-semibold", piece.says ? "line-clamp-2" : "truncate")}>{name}</span>
          <span className="shrink-0 figures text-[12px] text-soft">
            {((piece.at ?? 0) / 1000).toFixed(1)} s · {(piece.gain ?? 0).toFixed(1)} dB
          </span>
        </button>
        <button type="button" aria-label={`Take ${name} out`} onClick={remove} className="p-1 text-soft hover:text-ink">
          <Trash2 aria-hidden size={14} />
        </button>
      </div>
      {isOpen && sound && <PieceFields {...props} sound={sound} name={name} />}
    </li>
  );
}
