import { useRef, useState } from "react";
import { Pause, Play } from "lucide-react";

/** An item of the shelf as it looks and sounds. Clips move while pointed at or focused. */
export function ShelfPreview({
  kind,
  name,
  src,
}: {
  kind: "picture" | "clip" | "tune" | "effect";
  name: string;
  src: string;
}) {
  const audio = useRef<HTMLAudioElement>(null);
  const [playing, setPlaying] = useState(false);
  if (kind === "picture")
    return <img src={src} alt={name} loading="lazy" className="block aspect-square w-full bg-proof object-cover" />;
  if (kind === "clip")
    return (
      <video
        src={src}
        poster={`${src}?still`}
        muted
        loop
        playsInline
        preload="none"
        tabIndex={0}
        aria-label={`Clip ${name}; plays while focused`}
        className="block aspect-square w-full bg-proof object-cover"
        onMouseEnter={(event) => void event.currentTarget.play().catch(() => undefined)}
        onMouseLeave={(event) => event.currentTarget.pause()}
        onFocus={(event) => void event.currentTarget.play().catch(() => undefined)}
        onBlur={(event) => event.currentTarget.pause()}
      />
    );
  return (
    <button
      type="button"
      onClick={() => (playing ? audio.current?.pause() : void audio.current?.play().catch(() => undefined))}
      aria-label={`${playing ? "Pause" : "Play"} ${name}`}
      className="flex h-24 items-center justify-center bg-proof text-card"
    >
      {playing ? <Pause aria-hidden size={30} /> : <Play aria-hidden size={30} />}
      <audio
        ref={audio}
        src={src}
        preload="none"
        onPlay={() => setPlaying(true)}
        onPause={() => setPlaying(false)}
        onEnded={() => setPlaying(false)}
      />
    </button>
  );
}
