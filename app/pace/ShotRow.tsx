import { ArrowDown, ArrowUp, Trash2 } from "lucide-react";
import { type ReactNode } from "react";
import { type Palette } from "../../core/color/palette";
import { type ClipFacts } from "../../core/document/facts";
import { type CutChange, type CutSlot, changeCut, moveShot, slip, takeOutShot } from "../../core/document/cutEdits";
import { type Edit } from "../../core/document/edit";
import { clipSeconds } from "../../core/document/mediaNeed";
import { type ResolvedShot } from "../../core/document/resolve";
import { type ShotCut, usedOf } from "../../core/document/shots";
import { type Keeps, type Speeds } from "../../core/pace/shotTimes";
import { NumberField } from "../workshop/NumberField";
import { ShotJoin } from "./ShotJoin";
import { ShotSpeed } from "./ShotSpeed";
import { cutInWords } from "./cutInWords";
import { TimeField } from "./TimeField";

const FIELD = "text-[12.5px] text-soft";

interface ShotRowProps {
  readonly of: CutSlot;
  readonly shot: ResolvedShot;
  readonly index: number;
  /** How long it is shown, in milliseconds. */
  readonly onScreen: number;
  /** The frame of its clip that is shown now; null where another shot is. */
  readonly frame: number | null;
  /** What stays when its speed changes. */
  readonly keeps: Keeps;
  readonly palette: Palette;
  readonly onSpeeds: (shot: ResolvedShot, speeds: Speeds, keeps: Keeps) => void;
  readonly onLength: (shot: ResolvedShot, length: number) => void;
  readonly onEdit: (edit: Edit | null) => void;
}

/** How a shot is cut: typed to the frame, slipped, faster or slower, backwards, or one frame of it held. */
export function ShotRow({
  of,
  shot,
  index,
  onScreen,
  frame,
  keeps,
  palette,
  onSpeeds,
  onLength,
  onEdit,
}: ShotRowProps) {
  const { id, media, cut } = shot;
  const name = media.name.replace(/\.\w+$/, "");
  const which = of.shots.length > 1 ? `shot ${index + 1}` : "the shot";
  const set = (change: CutChange): void => onEdit(changeCut(of, id, change));
  const setLength = (ms: number): void => onLength(shot, ms);
  const setSpeeds = (speeds: Speeds): void => onSpeeds(shot, speeds, keeps);
  return (
    <li aria-label={`Shot ${index + 1}, ${name}`} className="border border-rule bg-paper/60 px-3 py-2">
      {index > 0 && <ShotJoin which={which} cut={cut} palette={palette} onCut={set} />}
      <div className="flex items-center gap-2">
        <span className="min-w-0 flex-1 truncate text-[13.5px]">
          <b className="font-semibold">{index + 1}</b> {name}
          <span className="text-soft">{cutInWords(shot)}</span>
        </span>
        {of.shots.length > 1 && (
          <>
            <Press label={`Move ${which} earlier`} edit={moveShot(of, id, -1)} onEdit={onEdit}>
              <ArrowUp aria-hidden size={14} />
            </Press>
            <Press label={`Move ${which} later`} edit={moveShot(of, id, 1)} onEdit={onEdit}>
              <ArrowDown aria-hidden size={14} />
            </Press>
            <Press label={`Take ${which} out`} edit={takeOutShot(of, id)} onEdit={onEdit}>
              <Trash2 aria-hidden size={14} />
            </Press>
          </>
        )}
      </div>
      <p className="figures text-[12px] text-soft">
        {media.kind === "clip" && `${usedInWords(media, cut)} · `}
        {(onScreen / 1000).toFixed(2)} s on screen
      </p>
      <div className="mt-1.5 grid grid-cols-3 gap-2">
        {media.kind === "clip" && cut.held === undefined && <UsedFields cut={cut} clip={media} onCut={set} />}
        <TimeField
          label={`Length of ${which}`}
          shortLabel="On screen"
          value={Math.round(onScreen)}
          onTime={setLength}
        />
      </div>
      {media.kind === "clip" && cut.held === undefined && (
        <ShotSpeed cut={cut} clip={media} keeps={keeps} onSpeeds={setSpeeds} onCut={set} />
      )}
      {media.kind === "clip" && (
        <div className="mt-1.5 flex flex-wrap items-center gap-x-3 gap-y-1 text-[12.5px] text-soft">
          <Press label={`Slip ${which} back by a frame`} edit={slip(of, id, -1)} onEdit={onEdit}>
            ← slip
          </Press>
          <Press label={`Slip ${which} on by a frame`} edit={slip(of, id, 1)} onEdit={onEdit}>
            slip →
          </Press>
          <Ways cut={cut} at={frame ?? usedOf(media, cut).from} onCut={set} />
        </div>
      )}
    </li>
  );
}

function usedInWords(clip: ClipFacts, cut: ResolvedShot["cut"]): string {
  if (cut.held !== undefined) return "one frame";
  const { from, to } = usedOf(clip, cut);
  const seconds = (frames: number): string => clipSeconds({ ...clip, frames }).toFixed(2);
  return `${seconds(to - from)} of ${seconds(clip.frames)} s used`;
}

interface CutProps {
  readonly cut: ShotCut;
  readonly onCut: (change: CutChange) => void;
}

function UsedFields({ cut, clip, onCut }: CutProps & { clip: ClipFacts }) {
  const { from, to } = usedOf(clip, cut);
  const setFrom = (frame: number): void => onCut({ from: Math.round(frame) });
  const setTo = (frame: number): void => onCut({ to: Math.round(frame) });
  return (
    <>
      <NumberField label="From frame" least={0} most={to - 1} value={from} onChange={setFrom} className={FIELD} />
      <NumberField label="up to" least={from + 1} most={clip.frames} value={to} onChange={setTo} className={FIELD} />
    </>
  );
}

/** @param at the frame that is held when one is */
function Ways({ cut, at, onCut }: CutProps & { at: number }) {
  const isHeld = cut.held !== undefined;
  const turn = (): void => onCut({ reversed: cut.reversed ? null : true });
  const hold = (): void => onCut({ held: isHeld ? null : at });
  return (
    <>
      <label className="flex items-center gap-1.5">
        <input type="checkbox" className="accent-accent" checked={cut.reversed === true} onChange={turn} />
        backwards
      </label>
      <label className="flex items-center gap-1.5">
        <input type="checkbox" className="accent-accent" checked={isHeld} onChange={hold} />
        {isHeld ? "held" : "hold this frame"}
      </label>
    </>
  );
}

/** A press that makes an edit; closed where there is none. */
function Press({
  label,
  edit,
  onEdit,
  children,
}: {
  label: string;
  edit: Edit | null;
  onEdit: (edit: Edit | null) => void;
  children: ReactNode;
}) {
  const press = (): void => onEdit(edit);
  return (
    <button
      type="button"
      aria-label={label}
      disabled={edit === null}
      onClick={press}
      className="p-1 text-soft hover:text-ink disabled:opacity-25"
    >
      {children}
    </button>
  );
}
