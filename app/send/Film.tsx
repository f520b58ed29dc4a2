import { Play } from "lucide-react";
import { useRef, useState } from "react";

/**
 * A film that shows its poster whole until somebody plays it: what browsers lay over the foot of a film they control
 * would cover the very words that are to be looked at.
 */
export function Film({ address, title, poster }: { address: string; title: string; poster: string | undefined }) {
  const video = useRef<HTMLVideoElement>(null);
  const [isStarted, setStarted] = useState(false);
  function start(): void {
    setStarted(true);
    video.current?.focus();
    // Where it can't be played, the browser's own controls say so.
    video.current?.play().catch(() => undefined);
  }
  return (
    <div className="relative h-full w-full">
      <video
        ref={video}
        controls={isStarted}
        playsInline
        preload="metadata"
        src={address}
        poster={poster}
        tabIndex={isStarted ? 0 : -1}
        className="h-full w-full"
        aria-label={`${title} rendition`}
      />
      {!isStarted && (
        <button
          type="button"
          onClick={start}
          className="absolute top-2 right-2 flex h-9 w-9 items-center justify-center bg-ink text-card cut"
          aria-label={`Play ${title}`}
        >
          <Play aria-hidden size={17} fill="currentColor" />
        </button>
      )}
    </div>
  );
}
