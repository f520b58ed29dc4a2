import { type MediaItem } from "../../server/media/mediaList";
import { RightsMark } from "../components/RightsMark";
import { factLine, megabytes } from "../components/mediaLook";
import { MediaPreview } from "./MediaPreview";

interface Props {
  readonly item: MediaItem;
  readonly share: number;
  /** What it waits behind, in words; none where it does not wait, or that is not known. */
  readonly wait: string | undefined;
  readonly marked: boolean;
  readonly open: boolean;
  readonly onMark: () => void;
  readonly onOpen: () => void;
}

/** An item in the grid. Its name opens the details. */
export function MediaCard({ item, share, wait, marked, open, onMark, onOpen }: Props) {
  return (
    <div
      className={`flex h-full flex-col bg-card ${open ? "outline-2 outline-accent" : marked ? "outline-2 outline-ink" : ""}`}
      data-state={item.state}
      data-name={item.name}
    >
      <div className="relative flex h-44 items-center justify-center overflow-hidden bg-proof">
        <MediaPreview item={item} share={share} wait={wait} />
        <input
          type="checkbox"
          checked={marked}
          onChange={onMark}
          aria-label={`Mark ${item.name}`}
          className="absolute top-2 left-2 h-4 w-4 accent-accent"
        />
        <RightsMark
          state={item.state === "ready" ? item.rights : "clear"}
          className="pointer-events-none absolute bottom-0 left-0"
        />
      </div>
      <button type="button" onClick={onOpen} className="min-w-0 px-3 py-2 text-left">
        <span className="block truncate font-semibold underline-offset-2 hover:underline" title={item.name}>
          {item.name}
        </span>
        <span className="mt-0.5 block truncate figures text-soft">
          {item.facts ? factLine(item.facts) : item.kind}
          {item.kind === "picture" && ` · ${megabytes(item.bytes)}`}
        </span>
      </button>
    </div>
  );
}

/** An item in the list. */
export function MediaRow({ item, share, wait, marked, open, onMark, onOpen }: Props) {
  return (
    <div
      className={`flex h-full items-center gap-4 border-b border-rule px-2 ${open ? "bg-card" : marked ? "bg-warn-pale/50" : ""}`}
      data-state={item.state}
      data-name={item.name}
    >
      <input
        type="checkbox"
        checked={marked}
        onChange={onMark}
        aria-label={`Mark ${item.name}`}
        className="accent-accent"
      />
      <span className="flex h-14 w-24 shrink-0 items-center justify-center overflow-hidden bg-proof [&_.figures]:hidden">
        {item.facts?.kind === "sound" ? (
          <span className="text-xs text-card">sound</span>
        ) : (
          <MediaPreview item={item} share={share} wait={wait} />
        )}
      </span>
      <button
        type="button"
        onClick={onOpen}
        className="min-w-0 flex-1 truncate text-left font-semibold underline-offset-2 hover:underline"
      >
        {item.name}
      </button>
      <span className="w-16 text-sm text-soft">{item.isLogo ? "logo" : item.kind}</span>
      <span className="w-44 truncate text-sm text-soft">{item.tags.join(", ")}</span>
      <RightsMark state={item.state === "ready" ? item.rights : "clear"} />
      <span className="w-72 truncate text-right figures text-soft">
        {item.state === "failed" ? "not taken" : item.facts ? factLine(item.facts) : "reading in"}
      </span>
      <span className="w-20 text-right figures text-soft">{megabytes(item.bytes)}</span>
    </div>
  );
}
