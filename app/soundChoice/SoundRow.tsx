import { type KeyboardEvent, type ReactNode, useMemo } from "react";
import { Pause, Play } from "lucide-react";
import { type Audition } from "./useAudition";

interface SoundRowProps {
  readonly name: string;
  /** Where it is heard. */
  readonly address: string;
  readonly audition: Audition;
  /** How high it is in even steps, 0 to 100; none where that is not known. */
  readonly levels: readonly number[];
  /** What it is found by. */
  readonly words: readonly string[];
  /** Seconds; null where that is not known yet. */
  readonly seconds: number | null;
  readonly tempo: number | null;
  /** What is said of its rights. */
  readonly rights: ReactNode;
  /** The button that takes it. */
  readonly take: ReactNode;
}

/** A sound that can be chosen: heard by a press, and by the arrow keys while one goes through the list. */
export function SoundRow({ name, address, audition, levels, words, seconds, tempo, rights, take }: SoundRowProps) {
  const isPlaying = audition.playing === address;
  const toggle = (): void => audition.toggle(address);
  const goOn = (): void => audition.goOn(address);
  const Mark = isPlaying ? Pause : Play;
  return (
    <li className="grid grid-cols-[2.25rem_minmax(0,1.3fr)_minmax(0,1fr)_9.5rem_6rem] items-center gap-3 border-t border-rule py-1.5">
      <button
        type="button"
        data-plays
        aria-label={`${isPlaying ? "Hold" : "Hear"} ${name}`}
        onClick={toggle}
        onFocus={goOn}
        onKeyDown={toNext}
        className={isPlaying ? "bg-accent p-2 text-white" : "bg-paper p-2 text-ink hover:bg-rule"}
      >
        <Mark aria-hidden size={16} />
      </button>
      <span className="min-w-0">
        <span className="block truncate text-[14px] font-semibold">{name}</span>
        <span className="block truncate text-[12px] text-soft">{words.join(", ")}</span>
      </span>
      <Shape levels={levels} played={isPlaying ? audition.at : 0} />
      <span className="flex flex-col items-end text-[12px] text-soft">
        <span className="figures whitespace-nowrap">
          {[seconds === null ? null : `${seconds.toFixed(1)} s`, tempo === null ? null : `${Math.round(tempo)} beats`]
            .filter((one) => one !== null)
            .join(" · ")}
        </span>
        {rights}
      </span>
      {take}
    </li>
  );
}

/** The arrow keys go to the sound above and below. */
function toNext(event: KeyboardEvent<HTMLElement>): void {
  const by = event.key === "ArrowDown" ? 1 : event.key === "ArrowUp" ? -1 : 0;
  if (by === 0) return;
  event.preventDefault();
  const all = [...document.querySelectorAll<HTMLElement>("[data-plays]")];
  all[all.indexOf(event.currentTarget) + by]?.focus();
}

const BARS = 80;

function Shape({ levels, played }: { levels: readonly number[]; played: number }) {
  const bars = useMemo(
    () =>
      Array.from({ length: levels.length > 0 ? BARS : 0 }, (_, bar) => {
        const from = Math.floor((bar * levels.length) / BARS);
        const to = Math.max(from + 1, Math.floor(((bar + 1) * levels.length) / BARS));
        return Math.max(2, ...levels.slice(from, to));
      }),
    [levels],
  );
  return (
    <svg aria-hidden viewBox={`0 0 ${BARS} 100`} preserveAspectRatio="none" className="h-9 w-full">
      {bars.map((level, bar) => (
        <rect
          key={bar}
          x={bar + 0.15}
          width={0.7}
          y={50 - level / 2}
          height={level}
          className={bar / BARS < played ? "fill-accent" : "fill-ready/60"}
        />
      ))}
    </svg>
  );
}
