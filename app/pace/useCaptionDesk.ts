import { useMemo, useState } from "react";
import { changeCaption } from "../../core/document/captionEdits";
import { NO_CAPTIONS } from "../../core/document/captionLook";
import { type Caption, captionsIn, languagesOf } from "../../core/document/captionsPart";
import { type Edit } from "../../core/document/edit";
import { type Promotion } from "../../core/document/promotion";
import { type TimeSpan } from "../../core/pace/timeEdits";
import { millis } from "../../core/units";
import { type ProofEngine } from "../proof/proofEngine";

/** Captions as they are worked on: in one language, one of them opened. */
export interface CaptionDesk {
  readonly language: string;
  readonly all: readonly (Caption & { readonly id: string })[];
  readonly chosen: string | null;
  readonly setLanguage: (language: string) => void;
  readonly choose: (id: string | null) => void;
  /** Chooses a caption and goes to it. */
  readonly open: (id: string) => void;
  readonly setTime: (id: string, time: TimeSpan) => void;
}

export function useCaptionDesk(
  document: Promotion,
  engine: ProofEngine | null,
  onEdit: (edit: Edit) => void,
): CaptionDesk {
  const [language, setLanguage] = useState(() => firstLanguage(document));
  const [chosen, choose] = useState<string | null>(null);
  const all = useMemo(() => captionsIn(document.captions, language), [document.captions, language]);
  function open(id: string): void {
    choose(id);
    const own = document.captions[id];
    if (own) engine?.seek(own.from + (own.to - own.from) / 2);
  }
  function setTime(id: string, { from, to }: TimeSpan): void {
    const edit = changeCaption(document, id, { from: millis(from), to: millis(to) });
    if (edit) onEdit(edit);
  }
  return { language, all, chosen, setLanguage, choose, open, setTime };
}

/** In which language captions are written first: that which is shown, else one that there is. */
function firstLanguage({ captions, adjustments }: Promotion): string {
  const shown = adjustments["@all"]?.captionsIn;
  return shown !== undefined && shown !== NO_CAPTIONS ? shown : (languagesOf(captions)[0] ?? "en");
}
