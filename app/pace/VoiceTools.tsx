import { useState } from "react";
import { replaceCaptions } from "../../core/document/captionEdits";
import { type Edit } from "../../core/document/edit";
import { type Promotion } from "../../core/document/promotion";
import { type ResolvedPromotion } from "../../core/document/resolve";
import { type SpokenSentence, captionsOfVoice, putVoice } from "../../core/document/voiceEdits";
import { Button } from "../components/Button";
import { attemptEdit } from "../edits/attemptEdit";
import { VoiceDialog } from "./VoiceDialog";

interface VoiceToolsProps {
  readonly document: Promotion;
  readonly promotion: ResolvedPromotion;
  /** The time that is looked at, in milliseconds. */
  readonly time: number;
  /** The language that captions are written in. */
  readonly language: string;
  readonly onEdit: (edit: Edit) => void;
}

/** Has a script spoken, and makes captions of what is said. */
export function VoiceTools({ document, promotion, time, language, onEdit }: VoiceToolsProps) {
  const [isWriting, setWriting] = useState(false);
  const cues = captionsOfVoice(document.lanes, promotion.facts.media, promotion.length);
  const put = (spoken: readonly SpokenSentence[]): void => attemptEdit(() => putVoice(document, spoken, time), onEdit);
  const caption = (): void =>
    attemptEdit(() => replaceCaptions(document, language, cues, "Captions of the voice"), onEdit);
  return (
    <div className="flex flex-wrap gap-2">
      <Button onClick={() => setWriting(true)} className="px-3 py-1.5 text-[13.5px]">
        Have a script spoken
      </Button>
      {cues.length > 0 && (
        <Button onClick={caption} className="px-3 py-1.5 text-[13.5px]">
          Captions of the voice
        </Button>
      )}
      {isWriting && <VoiceDialog from={time} onSpoken={put} onClose={() => setWriting(false)} />}
    </div>
  );
}
