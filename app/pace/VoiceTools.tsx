import { useState } from "react";
import { replaceCaptions } from "../../core/document/captionEdits";
import { type Edit } from "../../core/document/edit";
import { scriptsOf } from "../../core/document/scripts";
import { type Promotion } from "../../core/document/promotion";
import { type ResolvedPromotion } from "../../core/document/resolve";
import { type SpokenFrom, captionsOfVoice, putVoices } from "../../core/document/voiceEdits";
import { Button } from "../components/Button";
import { attemptEdit } from "../edits/attemptEdit";
import { SceneScripts } from "./SceneScripts";
import { VoiceDialog } from "./VoiceDialog";

interface VoiceToolsProps {
  readonly document: Promotion;
  readonly promotion: ResolvedPromotion;
  /** The time that is looked at, in milliseconds. */
  readonly time: number;
  /** The language that captions are written in. */
  readonly language: string;
  readonly onEdit: (edit: Edit) => void;
  /** Makes an edit of the document as it is by then: speaking takes a while. */
  readonly onMade: (make: (document: Promotion) => Edit) => void;
  /** Somebody wants to say it themselves. */
  readonly onRecord: () => void;
}

/** What is said in each scene: written, spoken, recorded, and shown as captions. */
export function VoiceTools({ document, promotion, time, language, onEdit, onMade, onRecord }: VoiceToolsProps) {
  const [isWriting, setWriting] = useState(false);
  const cues = captionsOfVoice(document.lanes, promotion.facts.media, promotion.length);
  const put = (parts: readonly SpokenFrom[]): void => onMade((now) => putVoices(now, parts));
  const caption = (): void =>
    attemptEdit(() => replaceCaptions(document, language, cues, "Captions of the voice"), onEdit);
  return (
    <div className="flex flex-col gap-2">
      <SceneScripts document={document} promotion={promotion} onEdit={onEdit} />
      <div className="flex flex-wrap gap-2">
        <Button onClick={onRecord} className="px-3 py-1.5 text-[13.5px]">
          Record a voice
        </Button>
        <Button onClick={() => setWriting(true)} className="px-3 py-1.5 text-[13.5px]">
          Have a script spoken
        </Button>
        {cues.length > 0 && (
          <Button onClick={caption} className="px-3 py-1.5 text-[13.5px]">
            Captions of the voice
          </Button>
        )}
      </div>
      {isWriting && (
        <VoiceDialog
          from={time}
          scripts={scriptsOf(document, promotion)}
          onSpoken={put}
          onClose={() => setWriting(false)}
        />
      )}
    </div>
  );
}
