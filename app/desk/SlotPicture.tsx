import { type MediaFacts } from "../../core/document/facts";
import { clsx } from "clsx";
import { type DragEvent, useState } from "react";
import { type ClipFacts, type PictureFacts } from "../../core/document/facts";
import { type SlotFraming } from "../../core/document/slotFraming";
import { framedIn } from "../../core/scene/framedMedia";
import { type Rect } from "../../core/geometry/rect";
import { type FormatName } from "../../core/placement/formats";
import { seconds, thumbAddress } from "../components/mediaLook";
import { CARRIED, useDropZone } from "../components/useDropZone";
import { RightsMark } from "../components/RightsMark";
import { TrimDialog } from "./TrimDialog";
import { Locked } from "./DeckFields";
import { type UsedFrames } from "../../core/document/shots";
import { type SlotKey } from "../../core/document/sceneTemplate";
import { type MediaNeed, clipSeconds } from "../../core/document/mediaNeed";
import { type RightsState } from "../../core/document/rights";
import type { OfferedMedia } from "../../server/media/offeredMedia";
import { MediaPicker } from "../mediaChoice/MediaPicker";
import { needInWords } from "../mediaChoice/missWords";

/** Where a format shows a picture, and how. */
interface SlotFrame {
  readonly format: FormatName;
  readonly place: Rect;
  readonly framing: SlotFraming | null;
}

/** A slot's picture with the part each format shows of it; replaced by choosing, or by dropping a file on it. */
export function SlotPicture({
  label,
  wide,
  need,
  locked,
  facts,
  used,
  slot,
  frames,
  rights,
  inherited,
  marked,
  onChoose,
  onReset,
  onTrim,
  onTurn,
  onSwap,
  onDropFiles,
  onFocus,
}: {
  label: string;
  /** Whether it stands beside the words, in a column of its own. */
  wide: boolean;
  /** What the slot asks for. */
  need: MediaNeed;
  locked: boolean;
  facts: PictureFacts | ClipFacts | null;
  /** What is used of it, where it is a clip. */
  used: UsedFrames | null;
  slot: SlotKey;
  /** Where the picture goes in each format. */
  frames: readonly SlotFrame[];
  rights: RightsState;
  inherited: boolean;
  marked: boolean;
  onChoose: (item: OfferedMedia) => void;
  onReset: () => void;
  onTrim: (used: UsedFrames, edge: keyof UsedFrames) => void;
  /** Turns it by a quarter, clockwise. */
  onTurn: () => void;
  /** What another slot shows was dragged here. */
  onSwap: (other: SlotKey) => void;
  onDropFiles: (files: FileList) => void;
  onFocus: () => void;
}) {
  const [open, setOpen] = useState(false);
  const [isTrimming, setTrimming] = useState(false);
  const { over, zone } = useDropZone({
    onFiles: (files) => {
      if (!locked) onDropFiles(files);
    },
    onCarried: (other) => {
      if (!locked && other !== slot) onSwap(other as SlotKey);
    },
  });
  const carry = (event: DragEvent): void => event.dataTransfer.setData(CARRIED, slot);

  return (
    <div className={wide ? "w-[168px] shrink-0" : "min-w-0"} onFocus={onFocus}>
      <div className="mb-1 truncate text-[13px] text-soft">{label}</div>
      <button
        type="button"
        disabled={locked}
        title={locked ? "Locked by the template. A designer can change it." : needInWords(need)}
        onClick={() => setOpen(true)}
        draggable={!locked && facts !== null}
        onDragStart={carry}
        aria-label={`Choose ${label.toLowerCase()}`}
        className={clsx(
          "relative block w-full overflow-hidden bg-proof",
          over ? "outline-3 outline-ready" : marked ? "outline-2 outline-accent" : "",
        )}
        style={{ aspectRatio: facts ? `${Math.min(2.2, Math.max(1.2, facts.width / facts.height))}` : "1.6" }}
        {...zone}
      >
        {facts ? (
          <PictureWithFrames facts={facts} frames={frames} />
        ) : (
          <span className="flex h-full items-center justify-center p-3 text-sm text-white">
            Choose or drop a picture
          </span>
        )}
      </button>
      <div className="mt-1 flex justify-between gap-2 text-[12.5px]">
        <span className="truncate text-soft" title={facts?.name}>
          {facts ? shownName(facts, used) : "empty"}
        </span>
        {locked ? (
          <Locked />
        ) : (
          !inherited && (
            <button type="button" onClick={onReset} className="shrink-0 text-soft underline hover:text-ink">
              Reset
            </button>
          )
        )}
      </div>
      {facts && !locked && (
        <div className="flex gap-3 text-[12.5px] text-soft">
          {facts.kind === "clip" && (
            <button type="button" onClick={() => setTrimming(true)} className="underline hover:text-ink">
              Trim
            </button>
          )}
          <button type="button" onClick={onTurn} className="underline hover:text-ink">
            Turn
          </button>
        </div>
      )}
      {isTrimming && facts?.kind === "clip" && used && (
        <TrimDialog clip={facts} used={used} onTrim={onTrim} onClose={() => setTrimming(false)} />
      )}
      <RightsMark state={rights} />
      <MediaPicker
        open={open}
        title={`${label}: ${needInWords(need).toLowerCase()}`}
        need={need}
        chosen={facts?.id ?? null}
        onClose={() => setOpen(false)}
        onChoose={(item) => {
          setOpen(false);
          onChoose(item);
        }}
      />
    </div>
  );
}

function PictureWithFrames({ facts, frames }: { facts: PictureFacts | ClipFacts; frames: readonly SlotFrame[] }) {
  return (
    <span className="absolute inset-0 flex items-center justify-center">
      <span
        className="relative block max-h-full max-w-full"
        style={{
          aspectRatio: `${facts.width} / ${facts.height}`,
          ...(facts.width >= facts.height ? { width: "100%" } : { height: "100%" }),
        }}
      >
        <img src={thumbAddress(facts, 340) ?? ""} alt="" className="block h-full w-full" />
        {frames.map(({ format, place, framing }) => {
          const { part } = framedIn(facts, place, framing);
          const share = (value: number, whole: number): string => `${(value / whole) * 100}%`;
          return (
            <span
              key={format}
              aria-hidden
              className="absolute border border-white/90 shadow-[0_0_0_1px_rgb(0_0_0/0.35)]"
              style={{
                left: share(part.x, facts.width),
                top: share(part.y, facts.height),
                width: share(part.width, facts.width),
                height: share(part.height, facts.height),
              }}
            />
          );
        })}
      </span>
    </span>
  );
}

/** What is in the slot, in words: a clip with its length. */
function shownName(facts: MediaFacts, used: UsedFrames | null): string {
  const name = facts.name.replace(/\.\w+$/, "");
  if (facts.kind !== "clip") return name;
  return `${name} · clip ${seconds(clipSeconds({ ...facts, frames: used ? used.to - used.from : facts.frames }) * 1000)}`;
}
