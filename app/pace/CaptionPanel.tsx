import { type ChangeEvent, useRef, useState } from "react";
import { toast } from "sonner";
import { MOST_CHARACTERS, readCaptions } from "../../core/captions/readCaptions";
import { type CaptionFile, captionsAs } from "../../core/captions/writeCaptions";
import { type Palette } from "../../core/color/palette";
import { addCaption, replaceCaptions, shiftCaptions, showCaptions } from "../../core/document/captionEdits";
import { NO_CAPTIONS, type ShownCaptions } from "../../core/document/captionLook";
import { type Captions, captionsIn, isLanguage, languagesOf } from "../../core/document/captionsPart";
import { type Edit } from "../../core/document/edit";
import { type Promotion } from "../../core/document/promotion";
import { Button } from "../components/Button";
import { FilePicker } from "../components/FilePicker";
import { attemptEdit } from "../edits/attemptEdit";
import { ChoiceField } from "../workshop/ChoiceField";
import { CaptionLookFields } from "./CaptionLookFields";
import { CaptionRow } from "./CaptionRow";
import { ScriptDialog } from "./ScriptDialog";
import { TimeField } from "./TimeField";

const OTHER = "other";

interface CaptionPanelProps {
  readonly document: Promotion;
  readonly shown: ShownCaptions;
  readonly palette: Palette;
  /** Of the promotion, in milliseconds. */
  readonly length: number;
  /** The time that is looked at. */
  readonly time: number;
  readonly language: string;
  readonly chosen: string | null;
  readonly onLanguage: (language: string) => void;
  readonly onChoose: (id: string | null) => void;
  readonly onSeek: (time: number) => void;
  readonly onEdit: (edit: Edit) => void;
}

/** Captions: typed, from a script or brought in; in which languages, which of them are shown, and how they look. */
export function CaptionPanel(props: CaptionPanelProps) {
  const { document, shown, palette, length, time, language, chosen, onLanguage, onChoose, onSeek, onEdit } = props;
  const [isWriting, setWriting] = useState(false);
  const all = captionsIn(document.captions, language);
  const attempt = (make: () => Edit | null): void => attemptEdit(make, onEdit);
  function addHere(): void {
    attempt(() => {
      const added = addCaption(document, { language, at: time, until: length, text: "New caption" });
      if (!added) toast("Another caption is shown there. Go to a time that is free.");
      else onChoose(added.id);
      return added?.edit ?? null;
    });
  }
  const shift = (by: number): void => onEdit(shiftCaptions(document, language, by));
  return (
    <section aria-label="Captions" className="flex flex-col gap-3">
      <LanguageFields captions={document.captions} language={language} onLanguage={onLanguage} />
      <div className="flex flex-wrap gap-2">
        <Button onClick={addHere} className="px-3 py-1.5 text-[13.5px]">
          New caption here
        </Button>
        <Button onClick={() => setWriting(true)} className="px-3 py-1.5 text-[13.5px]">
          From a script
        </Button>
        <BringIn
          onRead={(text) =>
            attempt(() => {
              const { cues, kind, dropped } = readCaptions(text);
              if (cues.length > 0) toast.success(`${cues.length} captions were read from ${kind}.`);
              dropped.forEach((sentence) => toast(sentence));
              return cues.length > 0 ? replaceCaptions(document, language, cues, "Bring captions in") : null;
            })
          }
        />
      </div>
      {all.length > 0 && (
        <>
          <ol aria-label={`Captions in ${language}`} className="flex flex-col">
            {all.map((caption, at) => (
              <CaptionRow
                key={caption.id}
                document={document}
                caption={caption}
                time={time}
                isLast={at === all.length - 1}
                isOpen={caption.id === chosen}
                onOpen={() => {
                  onChoose(caption.id === chosen ? null : caption.id);
                  onSeek(caption.from);
                }}
                onEdit={onEdit}
              />
            ))}
          </ol>
          <div className="flex flex-col gap-2">
            <TimeField
              key={all[0]?.from}
              label="All begin at"
              value={all[0]?.from ?? 0}
              onTime={(at) => shift(at - (all[0]?.from ?? 0))}
            />
            <Saved captions={document.captions} name={document.name} language={language} />
          </div>
        </>
      )}
      <hr className="border-rule" />
      <h3 className="text-[15px] font-semibold">Over the pictures</h3>
      <ChoiceField
        label="Shown"
        value={document.adjustments["@all"]?.captionsIn ?? NO_CAPTIONS}
        choices={[
          [NO_CAPTIONS, "none"],
          ...languagesOf(document.captions).map((one) => [one, languageName(one)] as const),
        ]}
        onChange={(one) => onEdit(showCaptions(one === NO_CAPTIONS ? null : one))}
      />
      <CaptionLookFields shown={shown} palette={palette} onEdit={onEdit} />
      <p className="text-[12.5px] leading-snug text-soft">
        They keep clear of other words and of what chosen placements draw.
      </p>
      {isWriting && (
        <ScriptDialog
          from={time}
          until={length}
          hasSome={all.length > 0}
          onCues={(cues) => attempt(() => replaceCaptions(document, language, cues, "Captions from a script"))}
          onClose={() => setWriting(false)}
        />
      )}
    </section>
  );
}

const names = new Intl.DisplayNames(["en"], { type: "language" });
function languageName(tag: string): string {
  const name = names.of(tag);
  return name && name !== tag ? `${name} (${tag})` : tag;
}

/** In which language is written: one that there is, or another by its tag. */
function LanguageFields({
  captions,
  language,
  onLanguage,
}: {
  captions: Captions;
  language: string;
  onLanguage: (language: string) => void;
}) {
  const [typed, setTyped] = useState<string | null>(null);
  const there = [...new Set([...languagesOf(captions), language])];
  const isWrong = typed !== null && typed !== "" && !isLanguage(typed);
  function type({ target: { value } }: ChangeEvent<HTMLInputElement>): void {
    setTyped(value);
    if (isLanguage(value)) onLanguage(value);
  }
  function choose(value: string): void {
    setTyped(value === OTHER ? "" : null);
    if (value !== OTHER) onLanguage(value);
  }
  return (
    <div className="grid grid-cols-2 items-start gap-3">
      <ChoiceField
        label="Written in"
        value={typed === null ? language : OTHER}
        choices={[...there.map((one) => [one, languageName(one)] as const), [OTHER, "another …"]]}
        onChange={choose}
      />
      {typed !== null && (
        <label className="text-[13px] text-soft">
          Its tag (de, pt-BR)
          <input
            value={typed}
            onChange={type}
            aria-invalid={isWrong}
            className="mt-1 w-full border border-rule bg-white px-2.5 py-1.5 text-[15px] text-ink"
          />
        </label>
      )}
    </div>
  );
}

/** Reads a caption file from this computer. */
function BringIn({ onRead }: { onRead: (text: string) => void }) {
  const input = useRef<HTMLInputElement>(null);
  async function read(file: File): Promise<void> {
    if (file.size > MOST_CHARACTERS) {
      toast.error(`“${file.name}” is too large for captions of a promotion.`);
      return;
    }
    onRead(await file.text());
  }
  return (
    <>
      <FilePicker
        ref={input}
        accept=".srt,.vtt,text/vtt,application/x-subrip"
        label="Caption file"
        onPick={(file) => void read(file)}
      />
      <Button onClick={() => input.current?.click()} className="px-3 py-1.5 text-[13.5px]">
        Bring in a file
      </Button>
    </>
  );
}

/** Captions as files, to be kept or sent beside a video. */
function Saved({ captions, name, language }: { captions: Captions; name: string; language: string }) {
  return (
    <p className="flex gap-3 text-[13px]">
      Save as
      <SaveAs kind="vtt" title="WebVTT" captions={captions} name={name} language={language} />
      <SaveAs kind="srt" title="SubRip" captions={captions} name={name} language={language} />
    </p>
  );
}

function SaveAs({
  kind,
  title,
  captions,
  name,
  language,
}: {
  kind: CaptionFile;
  title: string;
  captions: Captions;
  name: string;
  language: string;
}) {
  function save(): void {
    const { type, body } = captionsAs(kind, captionsIn(captions, language));
    const link = window.document.createElement("a");
    link.href = URL.createObjectURL(new Blob([body], { type }));
    link.download = `${name.toLowerCase().replaceAll(/[^a-z0-9]+/g, "-")}-${language}.${kind}`;
    link.click();
    URL.revokeObjectURL(link.href);
  }
  return (
    <button type="button" onClick={save} className="underline hover:text-accent">
      {title}
    </button>
  );
}
