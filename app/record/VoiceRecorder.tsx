import { clsx } from "clsx";
import { useEffect, useEffectEvent, useRef, useState } from "react";
import { wavBytes } from "../../core/sound/wavBytes";
import { SAMPLE_RATE } from "../../core/sound/samples";
import { Button } from "../components/Button";
import { Notice } from "../components/Notice";
import { useProofState } from "../desk/useProof";
import { type ProofEngine } from "../proof/proofEngine";
import { ChoiceField } from "../workshop/ChoiceField";
import { type Microphone } from "./microphone";
import { useInputLevel, useMicrophone } from "./useMicrophone";

/** What is said at a time, in milliseconds of the promotion. */
export interface SaidAt {
  readonly from: number;
  readonly text: string;
}

interface VoiceRecorderProps {
  readonly engine: ProofEngine | null;
  /** Where it begins, in milliseconds. */
  readonly from: number;
  /** What the file will be called, without its ending. */
  readonly name: string;
  readonly script: readonly SaidAt[];
  readonly onRecorded: (file: File) => void;
  readonly onClose: () => void;
}

/** It is counted in by so many. */
const COUNT_IN = 3;
const COUNT_MS = 1000;
/** What is shorter was a slip, in seconds. */
const SHORTEST_TAKE = 0.3;
/** From here on the input is too loud: its peaks may be lost. */
const LOUD = 0.9;
interface CountedIn {
  readonly kind: "counts";
  readonly left: number;
}
type Stage = CountedIn | { readonly kind: "waits" | "records" };

/** Records what somebody says while the promotion plays: counted in, with the script beside it, every sample kept. */
export function VoiceRecorder({ engine, from, name, script, onRecorded, onClose }: VoiceRecorderProps) {
  const { microphone, known, device, setDevice, problem } = useMicrophone();
  const [stage, setStage] = useState<Stage>({ kind: "waits" });
  const [isHeard, setHeard] = useState(false);
  const [slip, setSlip] = useState<string | null>(null);
  const time = useProofState(engine, (state) => Math.floor(state.time / 100) * 100);
  const isPlaying = useProofState(engine, (state) => state.playing);
  const heardNow = isHeard || stage.kind === "waits";
  // What the speakers play would be recorded as well, unless somebody wears headphones.
  useEffect(() => {
    engine?.listen({ isSilent: !heardNow });
    return () => engine?.listen({ isSilent: false });
  }, [engine, heardNow]);

  const begin = useEffectEvent((): void => {
    if (!microphone || !engine) return;
    engine.seek(from);
    microphone.start();
    engine.play();
    setStage({ kind: "records" });
  });
  useEffect(() => {
    if (stage.kind !== "counts") return;
    const timer = setTimeout(() => {
      if (stage.left > 1) setStage({ kind: "counts", left: stage.left - 1 });
      else begin();
    }, COUNT_MS);
    return () => clearTimeout(timer);
  }, [stage]);

  function countIn(): void {
    setSlip(null);
    engine?.pause();
    engine?.seek(from);
    setStage({ kind: "counts", left: COUNT_IN });
  }
  function stop(): void {
    if (!microphone) return;
    engine?.pause();
    const { samples, lost } = microphone.stop();
    setStage({ kind: "waits" });
    if (samples.length < SHORTEST_TAKE * SAMPLE_RATE) {
      setSlip("That was too short to be kept. Record again.");
      return;
    }
    if (lost > 0) setSlip(`${lost} samples were not heard: the machine was too busy. Record again if you hear it.`);
    onRecorded(new File([wavBytes([samples], SAMPLE_RATE)], `${name}.wav`, { type: "audio/wav" }));
  }
  // Where the promotion ends, so does the take.
  const stopAtEnd = useEffectEvent((): void => {
    if (stage.kind === "records") stop();
  });
  const wasPlaying = useRef(false);
  useEffect(() => {
    if (wasPlaying.current && !isPlaying) stopAtEnd();
    wasPlaying.current = isPlaying;
  }, [isPlaying]);

  const hear = (): void => setHeard(!isHeard);
  return (
    <section aria-label="Record a voice" className="flex flex-col gap-3">
      <h3 className="text-[15px] font-semibold">Record “{name}”</h3>
      {problem && <Notice kind="wrong">{problem}</Notice>}
      {slip && <Notice kind="warn">{slip}</Notice>}
      <ChoiceField
        label="Microphone"
        value={device}
        choices={
          known.length > 0 ? known.map(({ id, name: of }) => [id, of] as const) : [[device, "the usual one"] as const]
        }
        onChange={setDevice}
      />
      <InputLevel microphone={microphone} />
      <label className="flex min-h-6 items-center gap-1.5 text-[12.5px] text-soft">
        <input type="checkbox" className="accent-accent" checked={isHeard} onChange={hear} />
        hear the promotion meanwhile, with headphones on
      </label>
      <div className="flex items-center gap-3">
        {stage.kind === "records" ? (
          <Button look="main" onClick={stop}>
            Stop and keep
          </Button>
        ) : (
          <Button look="main" disabled={!microphone || stage.kind === "counts"} onClick={countIn}>
            Record from {(from / 1000).toFixed(1)} s
          </Button>
        )}
        {stage.kind === "waits" && <Button onClick={onClose}>Done</Button>}
        <span role="timer" aria-live="assertive" className="figures text-[22px]">
          {stage.kind === "counts" && stage.left}
          {stage.kind === "records" && `${Math.max(0, (time - from) / 1000).toFixed(1)} s`}
        </span>
      </div>
      <Script script={script} time={stage.kind === "records" ? time : from} />
    </section>
  );
}

function InputLevel({ microphone }: { microphone: Microphone | null }) {
  const level = useInputLevel(microphone);
  return (
    <div
      role="meter"
      aria-label="What the microphone hears"
      aria-valuemin={0}
      aria-valuemax={100}
      aria-valuenow={Math.round(level * 100)}
      className="h-2.5 bg-rule/60"
    >
      <div className={clsx("h-full", level > LOUD ? "bg-wrong" : "bg-ready")} style={{ width: `${level * 100}%` }} />
    </div>
  );
}

/** What is to be said, with what is said now in view. */
function Script({ script, time }: { script: readonly SaidAt[]; time: number }) {
  const now = script.findLastIndex(({ from }) => from <= time);
  const current = useRef<HTMLLIElement>(null);
  useEffect(() => {
    // Newer browsers answer with a promise, which is no way to end an effect.
    current.current?.scrollIntoView({ block: "center", behavior: "smooth" });
  }, [now]);
  if (script.length === 0) return <p className="text-[13px] text-soft">No script: write one for each scene before.</p>;
  return (
    <ol aria-label="Script" className="flex max-h-64 flex-col gap-2 overflow-y-auto">
      {script.map(({ from, text }, at) => (
        <li
          key={from}
          ref={at === now ? current : undefined}
          aria-current={at === now ? "true" : undefined}
          className={clsx(
            "border-l-2 pl-2 text-[15px]",
            at === now ? "border-accent text-ink" : "border-rule text-soft",
          )}
        >
          <span className="figures text-[12px]">{(from / 1000).toFixed(1)} s</span> {text}
        </li>
      ))}
    </ol>
  );
}
