import { type ChangeEvent, useState } from "react";
import { type Cue } from "../../core/captions/cue";
import { captionsOfScript } from "../../core/captions/fromScript";
import { Button } from "../components/Button";
import { DialogFrame } from "../components/DialogFrame";
import { fieldLook } from "../components/fieldLook";

/** Makes captions of a text: cut by the rules, one after the other from the time that is looked at. */
export function ScriptDialog({
  from,
  until,
  hasSome,
  onCues,
  onClose,
}: {
  /** Milliseconds. */
  from: number;
  until: number;
  /** Whether there are captions that these replace. */
  hasSome: boolean;
  onCues: (cues: readonly Cue[]) => void;
  onClose: () => void;
}) {
  const [script, setScript] = useState("");
  const cues = captionsOfScript(script, { from, until });
  const type = ({ target: { value } }: ChangeEvent<HTMLTextAreaElement>): void => setScript(value);
  function make(): void {
    onCues(cues);
    onClose();
  }
  return (
    <DialogFrame
      title="Captions from a script"
      size="max-w-2xl"
      onClose={onClose}
      foot={
        <>
          <Button onClick={onClose}>Leave it</Button>
          <Button look="main" disabled={cues.length === 0} onClick={make}>
            Make {cues.length} captions
          </Button>
        </>
      }
    >
      <div className="flex min-h-0 flex-1 flex-col gap-3 overflow-y-auto px-6 py-4">
        <label className="flex flex-col gap-1 text-[13px] text-soft">
          What is said, from {(from / 1000).toFixed(1)} s on
          <textarea rows={6} value={script} onChange={type} className={`${fieldLook} resize-y text-ink`} />
        </label>
        {hasSome && <p className="text-[13px] text-soft">They take the place of those in this language.</p>}
        <ol aria-label="As captions" className="flex flex-col text-[13.5px]">
          {cues.map(({ from: begins, text }) => (
            <li key={begins} className="flex gap-3 border-t border-rule py-1">
              <span className="w-16 shrink-0 figures text-[12px] whitespace-nowrap text-soft">
                {(begins / 1000).toFixed(2)} s
              </span>
              <span className="whitespace-pre-line">{text}</span>
            </li>
          ))}
        </ol>
      </div>
    </DialogFrame>
  );
}
