import { type ChangeEvent, useState } from "react";
import { levelOfAllClips, setAllClips } from "../../core/document/clipLevelEdits";
import { type HeardSlot, detachSound, heardSlots } from "../../core/document/detachSound";
import { type Edit } from "../../core/document/edit";
import { FOR_ALL, adjust } from "../../core/document/edits";
import { FIELDS } from "../../core/document/fields";
import { LANES, type Lane } from "../../core/document/lanes";
import { type ListedPiece, addSound, piecesOn } from "../../core/document/soundEdits";
import { scriptsOf } from "../../core/document/scripts";
import { type Promotion } from "../../core/document/promotion";
import { type ResolvedPromotion } from "../../core/document/resolve";
import { usualClipLevel } from "../../core/sound/mix";
import { type SteppingBack } from "../../core/sound/stepsBack";
import { millis } from "../../core/units";
import type { OfferedMedia } from "../../server/media/offeredMedia";
import { Button } from "../components/Button";
import { useDropFill } from "../desk/useDropFill";
import { LevelField } from "../desk/LevelField";
import { usualWords } from "../desk/usualWords";
import { useProofState } from "../desk/useProof";
import { NumberField } from "../workshop/NumberField";
import { type ProofEngine } from "../proof/proofEngine";
import { FinishPanel } from "./FinishPanel";
import { VoiceRecorder } from "../record/VoiceRecorder";
import { SoundPicker } from "../soundChoice/SoundPicker";
import { SoundPieceRow } from "./SoundPieceRow";
import { type Recording, takeName, useTakes } from "./useTakes";
import { TimeField } from "./TimeField";
import { VoiceTools } from "./VoiceTools";

const LANE_WORDS: Readonly<Record<Lane, { readonly title: string; readonly add: string; readonly none: string }>> = {
  music: { title: "Music", add: "Add music …", none: "No music." },
  voice: { title: "Voice", add: "Add a voice …", none: "Nobody speaks." },
  effects: { title: "Effects", add: "Add an effect …", none: "No effects." },
};
const DEPTH = FIELDS.stepsBack.field;

export interface SoundPanelProps {
  readonly document: Promotion;
  readonly promotion: ResolvedPromotion;
  /** What the team has to be heard. */
  readonly sounds: readonly OfferedMedia[];
  /** The time that is looked at, in milliseconds. */
  readonly time: number;
  /** The language that captions are written in. */
  readonly language: string;
  readonly engine: ProofEngine | null;
  readonly chosen: string | null;
  readonly onChoose: (id: string | null) => void;
  readonly onChosen: (item: OfferedMedia) => void;
  readonly onEdit: (edit: Edit) => void;
}

/** What is heard: music, voice and effects piece by piece, the clips, and how music steps back under a voice. */
export function SoundPanel(props: SoundPanelProps) {
  const { document, promotion, engine, time, onEdit } = props;
  const [recording, setRecording] = useState<Recording | null>(null);
  const take = useTakes({ document, onEdit, onChoose: props.onChoose });
  const recordHere = (): void => setRecording({ piece: null, from: time, says: null });
  const recordAgain = ({ id, at, says }: ListedPiece): void =>
    setRecording({ piece: id, from: at ?? 0, says: says ?? null });
  if (recording) {
    const script = recording.says
      ? [{ from: recording.from, text: recording.says }]
      : scriptsOf(document, promotion).map(({ from, text }) => ({ from, text }));
    return (
      <VoiceRecorder
        engine={engine}
        from={recording.from}
        name={takeName(recording, document)}
        script={script}
        onRecorded={(file) => take(recording, file)}
        onClose={() => setRecording(null)}
      />
    );
  }
  return (
    <section aria-label="Sound" className="flex flex-col gap-4">
      {LANES.map((lane) => (
        <LanePieces key={lane} {...props} lane={lane} onRecord={recordHere} onAgain={recordAgain} />
      ))}
      {promotion.mix.track.length > 0 && <FinishPanel promotion={promotion} engine={engine} onEdit={onEdit} />}
      <ClipsLevel document={document} promotion={promotion} onEdit={onEdit} />
    </section>
  );
}

interface LanePiecesProps extends SoundPanelProps {
  readonly lane: Lane;
  readonly onRecord: () => void;
  readonly onAgain: (piece: ListedPiece) => void;
}

function LanePieces({ lane, onRecord, onAgain, ...props }: LanePiecesProps) {
  const { document, promotion, engine, sounds, time, chosen, onChoose, onChosen, onEdit } = props;
  const { title, add, none } = LANE_WORDS[lane];
  const pieces = piecesOn(document.lanes, lane);
  const [isChoosing, setChoosing] = useState(false);
  function choose(item: OfferedMedia): void {
    onChosen(item);
    put(item.facts.id);
  }
  function put(media: string): void {
    // Music begins with the promotion, what comes after it where one looks.
    const at = lane === "music" && pieces.length === 0 ? 0 : time;
    const added = addSound(document, { lane, media, at });
    if (!added) return;
    onEdit(added.edit);
    onChoose(added.id);
  }
  const alone = useProofState(engine, (state) => state.listening.alone);
  const hearAlone = (id: string | null): void => engine?.listen({ alone: id });
  const bring = useDropFill<Lane>((_, media) => put(media));
  const pick = ({ target }: ChangeEvent<HTMLInputElement>): void => {
    if (target.files) bring(lane, target.files);
    target.value = "";
  };
  const rowOf = (piece: ListedPiece) => (
    <SoundPieceRow
      key={piece.id}
      document={document}
      promotion={promotion}
      sounds={sounds}
      onChosen={onChosen}
      piece={piece}
      time={time}
      isAlone={piece.id === alone}
      onAlone={hearAlone}
      isOpen={piece.id === chosen}
      onOpen={onChoose}
      onAgain={onAgain}
      onEdit={onEdit}
    />
  );
  return (
    <section aria-label={title} className="flex flex-col gap-2">
      <h3 className="text-[15px] font-semibold">{title}</h3>
      {pieces.length === 0 && <p className="text-[13px] text-soft">{none}</p>}
      <ol className="flex flex-col gap-1.5">{pieces.map(rowOf)}</ol>
      <Button onClick={() => setChoosing(true)} className="self-start px-3 py-1.5 text-[13.5px]">
        {add}
      </Button>
      {isChoosing && (
        <SoundPicker
          title={add.replace(" …", "")}
          onChoose={choose}
          onFiles={(files) => bring(lane, files)}
          onClose={() => setChoosing(false)}
        />
      )}
      <label className="cursor-pointer self-start text-[13px] text-soft underline focus-within:outline-2 hover:text-accent">
        Bring in a file of your own
        <input
          type="file"
          accept="audio/*,video/*,.wav,.mp3,.m4a,.flac,.ogg,.opus"
          aria-label={`Bring in a file for ${title.toLowerCase()}`}
          onChange={pick}
          className="sr-only"
        />
      </label>
      {lane === "voice" && (
        <VoiceTools
          document={document}
          promotion={promotion}
          time={time}
          language={props.language}
          onEdit={onEdit}
          onRecord={onRecord}
        />
      )}
      {lane === "voice" && pieces.length > 0 && <SteppingBackFields document={document} onEdit={onEdit} />}
    </section>
  );
}

/** How music steps back while somebody speaks. */
function SteppingBackFields({ document, onEdit }: Pick<SoundPanelProps, "document" | "onEdit">) {
  const set = document.adjustments["@all"] ?? {};
  const depth: SteppingBack["depth"] = set.stepsBack ?? DEPTH.initial;
  const setAttack = (ms: number): void =>
    onEdit(adjust("stepsBackIn", millis(Math.min(FIELDS.stepsBackIn.field.most, Math.max(0, ms))), FOR_ALL));
  const setRelease = (ms: number): void =>
    onEdit(adjust("comesForwardIn", millis(Math.min(FIELDS.comesForwardIn.field.most, Math.max(0, ms))), FOR_ALL));
  return (
    <div className="grid grid-cols-3 items-end gap-2">
      <NumberField
        label="Music back, dB"
        least={DEPTH.least}
        most={DEPTH.most}
        step={DEPTH.step}
        value={depth}
        onChange={(decibels) => onEdit(adjust("stepsBack", decibels, FOR_ALL))}
        className="text-[12.5px] text-soft"
      />
      <TimeField
        label="Music steps back within"
        shortLabel="within"
        value={set.stepsBackIn ?? FIELDS.stepsBackIn.field.initial}
        onTime={setAttack}
      />
      <TimeField
        label="Music comes forward within"
        shortLabel="and back in"
        value={set.comesForwardIn ?? FIELDS.comesForwardIn.field.initial}
        onTime={setRelease}
      />
    </div>
  );
}

/** How loud all clips are. */
function ClipsLevel({ document, promotion, onEdit }: Pick<SoundPanelProps, "document" | "promotion" | "onEdit">) {
  const usual = usualClipLevel(document.lanes, promotion.facts.media);
  const ofAll = levelOfAllClips(document);
  const hasClips = promotion.scenes.some(({ shots }) =>
    Object.values(shots)
      .flat()
      .some(({ media }) => media.kind === "clip" && media.hasSound),
  );
  if (!hasClips) return null;
  const setAll = (level: number): void => onEdit(setAllClips(document, level));
  return (
    <section aria-label="Clips" className="flex flex-col gap-1.5">
      <h3 className="text-[15px] font-semibold">Clips</h3>
      <div className="flex items-center gap-3 text-[13px] text-soft">
        <LevelField label="Sound of all clips" level={ofAll ?? usual} usual={usual} disabled={false} onLevel={setAll} />
        {ofAll === undefined && <span>{usualWords(usual)}, unless one is set by itself</span>}
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
