import { millis } from "../units";
import { captionNeed, changeCaption } from "../document/captionEdits";
import { captionsIn, languagesOf } from "../document/captionsPart";
import { type WholeRule, everywhere } from "./finding";

/** Between two captions so much stays free where one is made longer, in milliseconds. */
const FREE_MS = 40;

const seconds = (ms: number): string => `${(ms / 1000).toFixed(1)} s`;

const quoted = ({ text }: { readonly text: string }): string => `“${text.replaceAll("\n", " ")}”`;

export const captionsReadable: WholeRule = {
  id: "captions-readable",
  about: "Each caption is there for as long as it takes to read.",
  lookAtAll: ({ document, promotion: { length } }) =>
    languagesOf(document.captions).flatMap((language) => {
      const all = captionsIn(document.captions, language);
      return all.flatMap((caption, at) => {
        const [need, stays] = [captionNeed(caption), Math.min(caption.to, length) - caption.from];
        if (need <= stays) return [];
        const free = (all[at + 1]?.from ?? length) - FREE_MS;
        const longer = changeCaption(document, caption.id, { to: millis(Math.ceil(caption.from + need)) });
        return [
          {
            severity: "warning" as const,
            where: everywhere(null),
            words: `the caption ${quoted(caption)} needs ${seconds(need)} and has ${seconds(Math.max(0, stays))}`,
            numbers: { needMs: Math.round(need), staysMs: Math.max(0, stays) },
            cures: longer && caption.from + need <= free ? [{ ...longer, label: "Show the caption longer" }] : [],
          },
        ];
      });
    }),
};

export const captionsApart: WholeRule = {
  id: "captions-apart",
  about: "No two captions of a language are shown at once.",
  lookAtAll: ({ document }) =>
    languagesOf(document.captions).flatMap((language) => {
      const all = captionsIn(document.captions, language);
      return all.flatMap((caption, at) => {
        const next = all[at + 1];
        if (!next || next.from >= caption.to) return [];
        const shorter = next.from > caption.from ? changeCaption(document, caption.id, { to: next.from }) : null;
        return [
          {
            severity: "warning" as const,
            where: everywhere(null),
            words: `the captions ${quoted(caption)} and ${quoted(next)} are shown at once`,
            numbers: { togetherMs: caption.to - next.from },
            cures: shorter ? [{ ...shorter, label: "End the first where the second begins" }] : [],
          },
        ];
      });
    }),
};
