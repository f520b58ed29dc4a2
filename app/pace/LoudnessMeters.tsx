import { clsx } from "clsx";
import { heardUpTo } from "../../core/sound/heardUpTo";
import { type MeasuredMix } from "../../core/sound/measuredMix";
import { useProofState } from "../desk/useProof";
import { type ProofEngine } from "../proof/proofEngine";
import { levelInWords } from "./lufsInWords";

/** The softest that a bar shows, in LUFS or dBTP. */
const SOFTEST = -48;
/** So often a meter moves, in milliseconds. */
const EVERY_MS = 100;

/** How loud it is: while it plays now and up to now, else as a whole. */
export function LoudnessMeters({ engine, measured }: { engine: ProofEngine | null; measured: MeasuredMix }) {
  const playedTo = useProofState(engine, (state) =>
    state.playing ? Math.floor(state.time / EVERY_MS) * EVERY_MS : null,
  );
  const { integrated, momentary, truePeak, turnedDown } = measured;
  const now = playedTo === null ? { moment: momentary, integrated } : heardUpTo(measured, playedTo);
  return (
    <div role="group" aria-label="Measured">
      <dl className="grid grid-cols-[auto_1fr_auto] items-center gap-x-3 gap-y-1 text-[13px] text-soft">
        <Meter label={playedTo === null ? "The whole" : "Up to here"} value={now.integrated} unit="LUFS" />
        <Meter label={playedTo === null ? "Loudest moment" : "Now"} value={now.moment} unit="LUFS" />
        <Meter label="Highest peak" value={truePeak} unit="dBTP" />
        {turnedDown >= 0.1 && (
          <>
            <dt className="whitespace-nowrap">Peaks turned down</dt>
            <dd className="col-span-2 text-right figures">by up to {turnedDown.toFixed(1)} dB</dd>
          </>
        )}
      </dl>
    </div>
  );
}

function Meter({ label, value, unit }: { label: string; value: number | null; unit: string }) {
  const share = value === null ? 0 : Math.min(1, Math.max(0, (value - SOFTEST) / -SOFTEST));
  return (
    <>
      <dt className="whitespace-nowrap">{label}</dt>
      <dd aria-hidden className="h-2 bg-rule/60">
        <div
          className={clsx("h-full", unit === "dBTP" && value !== null && value > -0.5 ? "bg-wrong" : "bg-ready")}
          style={{ width: `${share * 100}%` }}
        />
      </dd>
      <dd className="text-right figures">{levelInWords(value, unit)}</dd>
    </>
  );
}
