import { NO_CAPTIONS } from "../document/captionLook";
import { replaceCaptions } from "../document/captionEdits";
import { captionsIn, languagesOf } from "../document/captionsPart";
import { captionsOfVoice, saidPieces } from "../document/voiceEdits";
import { type WholeRule, everywhere } from "./finding";

/** Captions that are made as a cure are in this language where there are none yet. */
const FIRST_LANGUAGE = "en";

export const onlyHeard: WholeRule = {
  id: "only-heard",
  about: "What is said is shown as well: most people watch without sound.",
  lookAtAll: ({ document, promotion: { facts, length } }) => {
    const shown = document.adjustments["@all"]?.captionsIn ?? NO_CAPTIONS;
    const captions = shown === NO_CAPTIONS ? [] : captionsIn(document.captions, shown);
    const unseen = saidPieces(document.lanes, facts.media, length).filter(
      ({ from, to }) => !captions.some((caption) => caption.from < to && caption.to > from),
    );
    const [first] = unseen;
    if (!first) return [];
    const more = unseen.length > 1 ? ` and ${unseen.length - 1} more` : "";
    const language = shown === NO_CAPTIONS ? (languagesOf(document.captions)[0] ?? FIRST_LANGUAGE) : shown;
    const cues = captionsOfVoice(document.lanes, facts.media, length);
    return [
      {
        severity: "warning",
        where: everywhere(null),
        words: `“${first.says}”${more} can only be heard, at ${(first.from / 1000).toFixed(1)} s`,
        numbers: { unseen: unseen.length, firstMs: Math.round(first.from) },
        cures: captions.length > 0 ? [] : [replaceCaptions(document, language, cues, "Show it as captions")],
      },
    ];
  },
};
