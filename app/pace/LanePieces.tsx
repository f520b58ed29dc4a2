import { useState } from "react";
import { FOR_ALL, adjust } from "../../core/document/edits";
import { FIELDS } from "../../core/document/fields";
import { type Lane } from "../../core/document/lanes";
import { type ListedPiece, addSound, piecesOn } from "../../core/document/soundEdits";
import { type SteppingBack } from "../../core/sound/stepsBack";
import { millis } from "../../core/units";
import type { OfferedMedia } from "../../server/media/offeredMedia";
import { Button } from "../components/Button";
import { BringFile } from "../mediaChoice/BringFile";
import { useDropFill } from "../mediaChoice/useDropFill";
import { useProofState } from "../desk/useProof";
import { NumberField } from "../workshop/NumberField";
import { SoundPicker } from "../soundChoice/SoundPicker";
import { SoundPieceRow } from "./SoundPieceRow";
import { TimeField } from "./TimeField";
import { VoiceTools } from "./VoiceTools";
import { type SoundPanelProps } from "./soundPanelProps";

const LANE_WORDS: Readonly<Record<Lane, { readonly title: string; readonly add: string; readonly none: string }>> = {
  music: { title: "Music", add: "Add music …", none: "No music." },
  voice: { title: "Voice", add: "Add a voice …", none: "Nobody speaks." },
  effects: { title: "Effects", add: "Add an effect …", none: "No effects." },
};
const DEPTH = FIELDS.stepsBack.field;

interface LanePiecesProps extends SoundPanelProps {
  readonly lane: Lane;
  readonly onRecord: () => void;
  readonly onAgain: (piece: ListedPiece) => void;
}

/** The pieces on a lane, and what can be put there. */
export function LanePieces({ lane, onRecord, onAgain, ...props }: LanePiecesProps) {
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
  const bringIn = (files: FileList): void => bring(lane, files);
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
          onFiles={bringIn}
          onClose={() => setChoosing(false)}
        />
      )}
      <BringFile
        kinds={["sound"]}
        label={`Bring in a file for ${title.toLowerCase()}`}
        onFiles={bringIn}
        className="self-start"
      />
      {lane === "voice" && (
        <VoiceTools
          document={document}
          promotion={promotion}
          time={time}
          language={props.language}
          onEdit={onEdit}
          onMade={props.onMade}
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
