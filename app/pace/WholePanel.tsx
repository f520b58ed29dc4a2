import { useState } from "react";
import { toast } from "sonner";
import { type Palette } from "../../core/color/palette";
import { type Ending } from "../../core/document/endings";
import { type Edit } from "../../core/document/edit";
import { type Promotion } from "../../core/document/promotion";
import { type OutOfReach, freeLength, heldLength, holdLength, lengthOfAll } from "../../core/pace/lengthEdits";
import { cutOnBeat } from "../../core/pace/cutOnBeat";
import { type PacedScene } from "../../core/pace/pacedScenes";
import { ChoiceField } from "../workshop/ChoiceField";
import { EndingFields } from "./EndingFields";
import { MovementStyleField } from "./MotionFields";
import { OutOfReachNote } from "./OutOfReachNote";
import { type HeardBeat } from "./useBeats";
import { TimeField } from "./TimeField";

/** Lengths that channels ask for, in seconds. */
const USUAL = [6, 10, 15, 20, 30, 60];
const FREE = "free";
const OTHER = "other";

/** How long the promotion is: as long as its scenes are, or held to a length that they share. */
export function WholePanel({
  document,
  scenes,
  ending,
  beat,
  palette,
  onEdit,
}: {
  document: Promotion;
  scenes: readonly PacedScene[];
  /** How it is closed; null where it ends as its last scene does. */
  ending: Ending | null;
  /** The beat of its music; null where there is none. */
  beat: HeardBeat | null;
  palette: Palette;
  onEdit: (edit: Edit) => void;
}) {
  const [refused, setRefused] = useState<{ readonly wanted: number; readonly reach: OutOfReach } | null>(null);
  const held = heldLength(document);
  const length = lengthOfAll(scenes);
  function hold(wanted: number): void {
    const retimed = holdLength(scenes, wanted);
    if ("edit" in retimed) onEdit(retimed.edit);
    setRefused("edit" in retimed ? null : { wanted, reach: retimed.outOfReach });
  }
  function choose(choice: string): void {
    setRefused(null);
    if (choice === FREE) onEdit(freeLength());
    else hold(choice === OTHER ? length : Number(choice) * 1000);
  }
  const cut = beat && cutOnBeat(scenes, beat.times);
  function cutNow(): void {
    if (!cut) return;
    onEdit(cut.edit);
    toast.success(`${cut.moved} of ${cut.joins} joins lie on a beat now.`);
  }
  const isUsual = held !== undefined && USUAL.includes(held / 1000);
  return (
    <section aria-label="The whole promotion" className="flex flex-col gap-2.5">
      <h3 className="flex items-baseline justify-between text-[15px] font-semibold">
        The whole promotion <span className="figures text-[13px] font-normal">{(length / 1000).toFixed(2)} s</span>
      </h3>
      <div className="grid grid-cols-2 items-start gap-3">
        <ChoiceField
          label="Its length is"
          value={held === undefined ? FREE : isUsual ? String(held / 1000) : OTHER}
          choices={[
            [FREE, "free"],
            ...USUAL.map((seconds) => [String(seconds), `held to ${seconds} s`] as const),
            [OTHER, "held to …"],
          ]}
          onChange={choose}
        />
        {held !== undefined && <TimeField label="Held to" value={held} onTime={hold} />}
      </div>
      <p className="text-[12.5px] leading-snug text-soft">
        {held === undefined
          ? "It is as long as its scenes are."
          : "Scenes share what is missing or too much, and stay long enough to be read."}
      </p>
      <MovementStyleField document={document} onEdit={onEdit} />
      <EndingFields document={document} palette={palette} ending={ending} onEdit={onEdit} />
      {beat && (
        <p className="flex items-baseline justify-between gap-3 text-[13px] text-soft">
          <span>
            <span className="figures">{Math.round(beat.tempo)}</span> beats a minute
          </span>
          <button
            type="button"
            disabled={!cut}
            title={cut ? "Moves joins to the beats near them" : "Every join that can be lies on a beat"}
            onClick={cutNow}
            className="underline hover:text-accent disabled:text-soft disabled:no-underline"
          >
            Cut on the beat
          </button>
        </p>
      )}
      {refused && <OutOfReachNote {...refused} onHold={hold} />}
    </section>
  );
}
