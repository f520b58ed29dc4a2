import { useState } from "react";
import { LANES } from "../../core/document/lanes";
import { type ListedPiece } from "../../core/document/soundEdits";
import { scriptsOf } from "../../core/document/scripts";
import { FinishPanel } from "./FinishPanel";
import { VoiceRecorder } from "../record/VoiceRecorder";
import { type Recording, takeName, useTakes } from "./useTakes";
import { ClipsSound } from "./ClipsSound";
import { LanePieces } from "./LanePieces";
import { type SoundPanelProps } from "./soundPanelProps";

/** What is heard: music, voice and effects piece by piece, the clips, and how music steps back under a voice. */
export function SoundPanel(props: SoundPanelProps) {
  const { document, promotion, engine, time, onEdit } = props;
  const [recording, setRecording] = useState<Recording | null>(null);
  const take = useTakes({ onMade: props.onMade, onChoose: props.onChoose });
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
      <ClipsSound document={document} promotion={promotion} onEdit={onEdit} />
    </section>
  );
}
