import { useState } from "react";
import { toast } from "sonner";
import { replaceCaptions } from "../../core/document/captionEdits";
import { type Edit } from "../../core/document/edit";
import { type Promotion } from "../../core/document/promotion";
import { type ResolvedPromotion } from "../../core/document/resolve";
import { type Spoken, captionsOfVoice, putVoice } from "../../core/document/voiceEdits";
import { Button } from "../components/Button";
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
  function attempt(make: () => Edit): void {
    try {
      onEdit(make());
    } catch (error) {
      toast.error(error instanceof Error ? error.message : "That did not work.");
    }
  }
  const put = (spoken: readonly Spoken[]): void => attempt(() => putVoice(document, spoken, time));
  const caption = (): void => attempt(() => replaceCaptions(document, language, cues, "Captions of the voice"));
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
