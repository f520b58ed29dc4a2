import { type Edit } from "../../core/document/edit";
import { FOR_ALL, adjust } from "../../core/document/edits";
import { FIELDS } from "../../core/document/fields";
import { type ResolvedPromotion } from "../../core/document/resolve";
import { ASKED_FOR } from "../../core/sound/finish";
import { useProofState } from "../desk/useProof";
import { type ProofEngine } from "../proof/proofEngine";
import { ChoiceField } from "../workshop/ChoiceField";
import { NumberField } from "../workshop/NumberField";
import { LoudnessMeters } from "./LoudnessMeters";
import { lufsInWords } from "./lufsInWords";

const FIELD = "text-[12.5px] text-soft";
const OWN = "own";
const AS_MIXED = "as mixed";
const KNOWN: readonly string[] = ASKED_FOR.map(String);
/** What each is asked for by, as far as that is common practice. */
const CHOICES = [
  [AS_MIXED, "As it is mixed"],
  ["-14", "−14 LUFS, online"],
  ["-16", "−16 LUFS, spoken"],
  ["-23", "−23 LUFS, broadcast"],
  [OWN, "Another …"],
] as const;
type Choice = (typeof CHOICES)[number][0];

/** How loud the whole is made and what its peaks stay under, what was measured of it, and how it sounds from one speaker. */
export function FinishPanel({
  promotion,
  engine,
  onEdit,
}: {
  promotion: ResolvedPromotion;
  engine: ProofEngine | null;
  onEdit: (edit: Edit) => void;
}) {
  const measured = useProofState(engine, (state) => state.measured);
  const { alone, isMono } = useProofState(engine, (state) => state.listening);
  const { loudness, ceiling } = promotion.mix.finish;
  const isOwn = loudness !== null && !KNOWN.includes(String(loudness));
  const choice =
    CHOICES.map(([value]) => value).find((value) => value === String(loudness)) ?? (isOwn ? OWN : AS_MIXED);
  function choose(wanted: Choice): void {
    // What is not said before stays near what is asked for most.
    const next = wanted === AS_MIXED ? null : wanted === OWN ? (loudness ?? ASKED_FOR[0]) - 1 : Number(wanted);
    onEdit(adjust("loudness", next, FOR_ALL));
  }
  const setLoudness = (lufs: number): void => onEdit(adjust("loudness", lufs, FOR_ALL));
  const setCeiling = (peak: number): void => onEdit(adjust("ceiling", peak, FOR_ALL));
  const hearMono = (): void => engine?.listen({ isMono: !isMono });
  return (
    <section aria-label="Loudness" className="flex flex-col gap-2">
      <h3 className="text-[15px] font-semibold">All together</h3>
      <div className="grid grid-cols-[1.6fr_1fr] items-end gap-2">
        <ChoiceField label="Loudness wanted" value={choice} choices={CHOICES} onChange={choose} className={FIELD} />
        <NumberField
          label="Peaks, dBTP"
          {...boundsOf("ceiling")}
          value={ceiling}
          onChange={setCeiling}
          className={FIELD}
        />
        {isOwn && (
          <NumberField
            label="Loudness in LUFS"
            {...boundsOf("loudness")}
            value={loudness}
            onChange={setLoudness}
            className={FIELD}
          />
        )}
      </div>
      {measured && (
        <>
          {alone !== null && <p className="text-[12.5px] text-soft">Of what is heard alone:</p>}
          <LoudnessMeters engine={engine} measured={measured} />
          <label className="flex min-h-6 items-center gap-1.5 text-[12.5px] text-soft">
            <input type="checkbox" className="accent-accent" checked={isMono} onChange={hearMono} />
            hear it from one speaker
            <span className="ml-auto figures">{lufsInWords(measured.mono)}</span>
          </label>
        </>
      )}
    </section>
  );
}

function boundsOf(id: "loudness" | "ceiling"): { least: number; most: number; step: number } {
  const { least, most, step } = FIELDS[id].field;
  return { least, most, step };
}
