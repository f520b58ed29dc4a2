import { type ChangeEvent, useState } from "react";
import { type Edit } from "../../core/document/edit";
import {
  type Wanted,
  type WordsPlace,
  patternOf,
  replaceWords,
  timesIn,
  wordsPlaces,
} from "../../core/document/findWords";
import { type Promotion } from "../../core/document/promotion";
import { type ResolvedPromotion } from "../../core/document/resolve";
import { Button } from "../components/Button";
import { DialogFrame } from "../components/DialogFrame";
import { Field } from "../components/Field";

const KEPT_WORDS = {
  locked: "locked by the template",
  "from elsewhere": "from the catalogue or the brand book",
} as const;

/** Finds words in all scenes and over them, and puts others in their place. */
export function FindDialog({
  document,
  promotion,
  free,
  onEdit,
  onProblem,
  onClose,
}: {
  document: Promotion;
  promotion: ResolvedPromotion;
  free: boolean;
  onEdit: (edit: Edit) => void;
  onProblem: (problem: string) => void;
  onClose: () => void;
}) {
  const [wanted, setWanted] = useState<Wanted>({ words: "", matchCase: false, wholeWords: false });
  const [by, setBy] = useState("");
  const found = wordsPlaces(document, promotion, free).filter(({ text }) => timesIn(text, wanted) > 0);
  const open = found.filter(({ kept }) => kept === null);
  const times = open.reduce((sum, { text }) => sum + timesIn(text, wanted), 0);
  const look = (event: ChangeEvent<HTMLInputElement>): void => setWanted({ ...wanted, words: event.target.value });
  const write = (event: ChangeEvent<HTMLInputElement>): void => setBy(event.target.value);
  const mark = (what: "matchCase" | "wholeWords") => (event: ChangeEvent<HTMLInputElement>) =>
    setWanted({ ...wanted, [what]: event.target.checked });
  function replace(): void {
    try {
      const edit = replaceWords(document, open, wanted, by);
      if (edit) onEdit(edit);
    } catch (error) {
      onProblem(error instanceof Error ? error.message : String(error));
    }
  }
  return (
    <DialogFrame
      title="Find and replace words"
      size="max-w-2xl"
      onClose={onClose}
      foot={
        <>
          <Button onClick={onClose}>Done</Button>
          <Button look="main" disabled={times === 0} onClick={replace}>
            {times === 1 ? "Replace it" : `Replace all ${times}`}
          </Button>
        </>
      }
    >
      <div className="flex flex-col gap-4 p-5">
        <div className="grid grid-cols-2 gap-4">
          <Field label="Find" value={wanted.words} onChange={look} autoFocus />
          <Field label="Replace by" value={by} onChange={write} />
        </div>
        <div className="flex gap-6 text-[14px]">
          <label className="flex items-center gap-2">
            <input type="checkbox" className="accent-accent" checked={wanted.matchCase} onChange={mark("matchCase")} />
            Capitals as typed
          </label>
          <label className="flex items-center gap-2">
            <input
              type="checkbox"
              className="accent-accent"
              checked={wanted.wholeWords}
              onChange={mark("wholeWords")}
            />
            Whole words only
          </label>
        </div>
        <ul aria-label="Found" className="h-64 overflow-y-auto border-y border-rule">
          {wanted.words !== "" && found.length === 0 && (
            <li className="py-6 text-center text-soft">It stands nowhere.</li>
          )}
          {found.map((place) => (
            <FoundPlace key={place.key} place={place} wanted={wanted} />
          ))}
        </ul>
      </div>
    </DialogFrame>
  );
}

function FoundPlace({ place: { named, text, kept }, wanted }: { place: WordsPlace; wanted: Wanted }) {
  const pattern = patternOf(wanted);
  const hits = pattern ? [...text.matchAll(pattern)] : [];
  const parts = hits.map((hit, index) => {
    const before = hits[index - 1];
    return { before: text.slice(before ? before.index + before[0].length : 0, hit.index), hit: hit[0], at: hit.index };
  });
  const last = hits.at(-1);
  return (
    <li className="border-b border-rule py-2 last:border-b-0">
      <span className="block text-[13px] text-soft">
        {named}
        {kept && ` · left as it is: ${KEPT_WORDS[kept]}`}
      </span>
      <span className={kept ? "text-soft" : ""}>
        {parts.map(({ before, hit, at }) => (
          <span key={at}>
            {before}
            <mark className="bg-warn-pale text-ink">{hit}</mark>
          </span>
        ))}
        {text.slice(last ? last.index + last[0].length : 0)}
      </span>
    </li>
  );
}
