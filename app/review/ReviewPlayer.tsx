import { clsx } from "clsx";
import { Download, MapPin } from "lucide-react";
import { type KeyboardEvent, type PointerEvent, type RefObject, type SyntheticEvent, useState } from "react";
import { type FormatName, formatTitle } from "../../core/placement/formats";
import { FormatMark } from "../components/FormatMark";
import { type Pin, type ShownComment, type ShownReview } from "./reviewInWords";

type File = NonNullable<ShownReview["render"]>["files"][number];

/** How far a pin moves with a key, as a share of the frame. */
const STEP = 0.02;
const within = (share: number): number => Math.min(1, Math.max(0, Math.round(share * 1000) / 1000));

/** Plays one format of a render, and lets somebody point at a place in it. */
export function ReviewPlayer({
  files,
  format,
  fileAt,
  poster,
  video,
  pinned,
  pin,
  onChoose,
  onTime,
  onPin,
}: {
  files: readonly File[];
  format: FormatName;
  fileAt: (rendition: string) => string;
  poster: string;
  video: RefObject<HTMLVideoElement | null>;
  /** The comments that are pinned to what is shown now. */
  pinned: readonly ShownComment[];
  pin: Pin | null;
  onChoose: (format: FormatName) => void;
  /** @param time in milliseconds */
  onTime: (time: number) => void;
  onPin: (pin: Pin | null) => void;
}) {
  const [isPointing, setPointing] = useState(false);
  const file = files.find((one) => one.format === format);
  const tell = ({ currentTarget }: SyntheticEvent<HTMLVideoElement>): void =>
    onTime(Math.round(currentTarget.currentTime * 1000));
  const point = (): void => {
    setPointing(!isPointing);
    if (isPointing) return;
    video.current?.pause();
    onPin(pin ?? { x: 0.5, y: 0.5 });
  };
  const put = ({ currentTarget, clientX, clientY }: PointerEvent<HTMLButtonElement>): void => {
    const box = currentTarget.getBoundingClientRect();
    onPin({ x: within((clientX - box.left) / box.width), y: within((clientY - box.top) / box.height) });
    setPointing(false);
  };
  const move = (event: KeyboardEvent): void => {
    const [dx, dy] = DIRECTIONS[event.key] ?? [0, 0];
    if (event.key === "Enter" || event.key === "Escape") setPointing(false);
    else if (dx === 0 && dy === 0) return;
    else onPin({ x: within((pin?.x ?? 0.5) + dx * STEP), y: within((pin?.y ?? 0.5) + dy * STEP) });
    event.preventDefault();
  };
  if (!file) return null;
  const { width, height } = file.file;
  return (
    <div className="lg:sticky lg:top-0">
      <div className="flex flex-wrap items-center gap-x-2 gap-y-2 bg-ink px-4 py-2 text-sm text-card">
        <div role="group" aria-label="Formats" className="flex flex-wrap gap-1">
          {files.map((one) => (
            <button
              key={one.id}
              type="button"
              aria-pressed={one.format === format}
              onClick={() => onChoose(one.format)}
              className={clsx(
                "flex min-h-9 items-center gap-2 px-3",
                one.format === format ? "bg-card font-semibold text-ink" : "hover:bg-white/15",
              )}
            >
              <FormatMark format={one.format} size={12} /> {formatTitle(one.format)}
            </button>
          ))}
        </div>
        <button
          type="button"
          aria-pressed={isPointing}
          onClick={point}
          className="ml-auto flex min-h-9 items-center gap-1.5 px-2 hover:bg-white/15"
        >
          <MapPin aria-hidden size={16} /> Point at something
        </button>
        <a
          href={`${fileAt(file.id)}?save`}
          className="flex min-h-9 items-center gap-1.5 px-2 hover:bg-white/15"
          aria-label={`Download ${formatTitle(format)}`}
        >
          <Download aria-hidden size={16} /> <span className="max-sm:sr-only">Download</span>
        </a>
      </div>
      <div className="flex justify-center p-5 max-sm:p-2">
        <div
          className="relative max-h-full"
          style={{
            aspectRatio: `${width} / ${height}`,
            width: `min(100%, calc((100dvh - 236px) * ${width / height}))`,
          }}
        >
          {/* What is said is in the captions that lie beside it, and in the picture. */}
          <video
            key={file.id}
            ref={video}
            controls
            playsInline
            preload="metadata"
            src={fileAt(file.id)}
            poster={poster}
            onTimeUpdate={tell}
            onSeeked={tell}
            className="block h-full w-full bg-black"
            aria-label={`${formatTitle(format)} format`}
          />
          {pinned.map(({ id, place, words, by }) =>
            place ? <PinMark key={id} pin={place} title={`${by}: ${words}`} /> : null,
          )}
          {pin && <PinMark pin={pin} title="What you point at" isNew />}
          {isPointing && (
            <button
              type="button"
              autoFocus
              onPointerDown={put}
              onKeyDown={move}
              className="absolute inset-0 cursor-crosshair bg-black/25 text-white"
              aria-label="Press where it is, or move the pin with the arrow keys and press Enter"
            >
              <span aria-hidden className="absolute inset-x-0 top-3 text-center text-sm">
                Press where it is
              </span>
            </button>
          )}
        </div>
      </div>
    </div>
  );
}

const DIRECTIONS: Readonly<Record<string, readonly [number, number]>> = {
  ArrowLeft: [-1, 0],
  ArrowRight: [1, 0],
  ArrowUp: [0, -1],
  ArrowDown: [0, 1],
};

function PinMark({ pin: { x, y }, title, isNew = false }: { pin: Pin; title: string; isNew?: boolean }) {
  return (
    <span
      title={title}
      className={clsx(
        "pointer-events-none absolute block h-5 w-5 -translate-x-1/2 -translate-y-1/2 rounded-full border-[3px] border-white",
        isNew ? "bg-accent" : "bg-ink",
      )}
      style={{ left: `${x * 100}%`, top: `${y * 100}%`, boxShadow: "0 0 0 2px #20282a" }}
    />
  );
}
