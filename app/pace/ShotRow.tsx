import { ArrowDown, ArrowUp, Trash2 } from "lucide-react";
import { type ReactNode } from "react";
import { type ClipFacts } from "../../core/document/facts";
import { type CutSlot, changeCut, moveShot, slip, takeOutShot } from "../../core/document/cutEdits";
import { type Edit } from "../../core/document/edit";
import { clipSeconds } from "../../core/document/mediaNeed";
import { type ResolvedShot } from "../../core/document/resolve";
import { usedOf } from "../../core/document/shots";
import { millis } from "../../core/units";
import { NumberField } from "../workshop/NumberField";
import { cutInWords } from "./cutInWords";
import { TimeField } from "./TimeField";

const FIELD = "text-[12.5px] text-soft";
const [SLOWEST, FASTEST, SPEED_STEP] = [0.25, 8, 0.01];

interface ShotRowProps {
  readonly of: CutSlot;
  readonly shot: ResolvedShot;
  readonly index: number;
  /** How long it is shown, in milliseconds. */
  readonly onScreen: number;
  /** The frame of its clip that is shown now; null where another shot is. */
  readonly frame: number | null;
  readonly onEdit: (edit: Edit | null) => void;
}

/** How a shot is cut: typed to the frame, slipped, faster or slower, backwards, or one frame of it held. */
export function ShotRow({ of, shot, index, onScreen, frame, onEdit }: ShotRowProps) {
  const { id, media, cut } = shot;
  const name = media.name.replace(/\.\w+$/, "");
  const isLast = of.shots.at(-1)?.id === id;
  const which = of.shots.length > 1 ? `shot ${index + 1}` : "the shot";
  const setLength = (ms: number): void =>
    onEdit(changeCut(of, id, { length: millis(Math.min(60_000, Math.max(40, ms))) }));
  return (
    <li aria-label={`Shot ${index + 1}, ${name}`} className="border border-rule bg-paper/60 px-3 py-2">
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
      {media.kind === "clip" && (
        <ClipCut of={of} shot={shot} clip={media} which={which} frame={frame} onEdit={onEdit} />
      )}
      {!isLast && (media.kind === "picture" || cut.length !== undefined || cut.held !== undefined) && (
        <div className="mt-1.5 w-28">
          <TimeField label={`Length of ${which}`} value={cut.length ?? Math.round(onScreen)} onTime={setLength} />
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

function ClipCut({
  of,
  shot: { id, cut },
  clip,
  which,
  frame,
  onEdit,
}: Pick<ShotRowProps, "of" | "shot" | "frame" | "onEdit"> & { clip: ClipFacts; which: string }) {
  const { from, to } = usedOf(clip, cut);
  const isHeld = cut.held !== undefined;
  const set = (change: Parameters<typeof changeCut>[2]): void => onEdit(changeCut(of, id, change));
  const hold = (): void => set({ held: isHeld ? null : (frame ?? from) });
  return (
    <>
      <div className="mt-1.5 grid grid-cols-3 gap-2">
        <NumberField
          label="From frame"
          least={0}
          most={to - 1}
          value={from}
          onChange={(next) => set({ from: Math.round(next) })}
          className={FIELD}
        />
        <NumberField
          label="up to"
          least={from + 1}
          most={clip.frames}
          value={to}
          onChange={(next) => set({ to: Math.round(next) })}
          className={FIELD}
        />
        <NumberField
          label="Speed, times"
          least={SLOWEST}
          most={FASTEST}
          step={SPEED_STEP}
          value={cut.speed ?? 1}
          onChange={(speed) => set({ speed: speed === 1 ? null : speed })}
          className={FIELD}
        />
      </div>
      <div className="mt-1.5 flex flex-wrap items-center gap-x-3 gap-y-1 text-[12.5px] text-soft">
        <Press label={`Slip ${which} back by a frame`} edit={slip(of, id, -1)} onEdit={onEdit}>
          ← slip
        </Press>
        <Press label={`Slip ${which} on by a frame`} edit={slip(of, id, 1)} onEdit={onEdit}>
          slip →
        </Press>
        <label className="flex items-center gap-1.5">
          <input
            type="checkbox"
            className="accent-accent"
            checked={cut.reversed === true}
            onChange={(event) => set({ reversed: event.target.checked ? true : null })}
          />
          backwards
        </label>
        <label className="flex items-center gap-1.5">
          <input type="checkbox" className="accent-accent" checked={isHeld} onChange={hold} />
          {isHeld ? "held" : "hold this frame"}
        </label>
      </div>
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
