import { useRef, useState } from "react";
import { Pause, Play } from "lucide-react";

/** A sound's waveform that plays: press the button or a place in it. */
export function Waveform({
  src,
  peaks,
  label,
  height = 64,
}: {
  src: string;
  peaks: readonly number[];
  label: string;
  height?: number;
}) {
  const audio = useRef<HTMLAudioElement>(null);
  const [playing, setPlaying] = useState(false);
  const [at, setAt] = useState(0);
  const bars = peaks.length > 0 ? peaks : [2];
  const toggle = (): void => {
    const element = audio.current;
    if (!element) return;
    if (element.paused) void element.play().catch(() => undefined);
    else element.pause();
  };
  return (
    <div className="flex w-full items-center gap-2">
      <button
        type="button"
        onClick={toggle}
        aria-label={`${playing ? "Pause" : "Play"} ${label}`}
        className="shrink-0 bg-card p-2 text-ink"
      >
        {playing ? <Pause aria-hidden size={16} /> : <Play aria-hidden size={16} />}
      </button>
      <svg
        viewBox={`0 0 ${bars.length} 100`}
        preserveAspectRatio="none"
        aria-hidden
        className="min-w-0 flex-1 cursor-pointer"
        style={{ height }}
        onClick={(event) => {
          const element = audio.current;
          const box = event.currentTarget.getBoundingClientRect();
          if (!element || !Number.isFinite(element.duration)) {
            toggle();
            return;
          }
          element.currentTime = ((event.clientX - box.left) / box.width) * element.duration;
        }}
      >
        {bars.map((peak, index) => (
          <rect
            key={index}
            x={index + 0.12}
            width={0.76}
            y={50 - Math.max(1, peak) / 2}
            height={Math.max(1, peak)}
            fill={index / bars.length < at ? "var(--color-accent)" : "currentColor"}
          />
        ))}
      </svg>
      <audio
        ref={audio}
        src={src}
        preload="none"
        onPlay={() => setPlaying(true)}
        onPause={() => setPlaying(false)}
        onEnded={() => setAt(0)}
        onTimeUpdate={({ currentTarget: { currentTime, duration } }) =>
          setAt(duration > 0 ? currentTime / duration : 0)
        }
      />
    </div>
  );
}
