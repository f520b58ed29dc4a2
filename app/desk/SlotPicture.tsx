import { type MediaFacts } from "../../core/document/facts";
import { clsx } from "clsx";
import { Menu, MenuButton, MenuItem, MenuItems } from "@headlessui/react";
import { type DragEvent, type ReactNode, useState } from "react";
import { type ClipFacts, type PictureFacts } from "../../core/document/facts";
import { type SlotFraming } from "../../core/document/slotFraming";
import { framedIn } from "../../core/scene/framedMedia";
import { type Rect } from "../../core/geometry/rect";
import { type FormatName } from "../../core/placement/formats";
import { seconds, thumbAddress } from "../components/mediaLook";
import { CARRIED, useDropZone } from "../components/useDropZone";
import { RightsMark } from "../components/RightsMark";
import { type PartEdge, TrimDialog } from "./TrimDialog";
import { Locked } from "./DeckFields";
import { type KeptPart } from "../../core/document/shotEdits";
import { type SlotKey, isSlotKey } from "../../core/document/sceneTemplate";
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

/** Another slot of the promotion. */
interface OtherSlot {
  readonly key: SlotKey;
  /** Its scene and its name. */
  readonly words: string;
}

/** A slot's picture with the part each format shows of it; replaced by choosing, or by dropping a file on it. */
export function SlotPicture({
  label,
  wide,
  need,
  locked,
  facts,
  parts,
  slot,
  frames,
  rights,
  inherited,
  others,
  marked,
  onChoose,
  onReset,
  onParts,
  onTurn,
  onSwap,
  onDropFiles,
  onFocus,
  children,
}: {
  label: string;
  /** Whether it stands beside the words, in a column of its own. */
  wide: boolean;
  /** What the slot asks for. */
  need: MediaNeed;
  locked: boolean;
  facts: PictureFacts | ClipFacts | null;
  /** What is shown of it, where it is a clip. */
  parts: readonly KeptPart[];
  slot: SlotKey;
  /** Where the picture goes in each format. */
  frames: readonly SlotFrame[];
  rights: RightsState;
  inherited: boolean;
  /** The other slots that it can change places with. */
  others: readonly OtherSlot[];
  marked: boolean;
  onChoose: (item: OfferedMedia) => void;
  onReset: () => void;
  onParts: (parts: readonly KeptPart[], moved: PartEdge, label?: string) => void;
  /** Turns it by a quarter, clockwise. */
  onTurn: () => void;
  /** What another slot shows was dragged here, or chosen to change places with this. */
  onSwap: (other: SlotKey) => void;
  onDropFiles: (files: FileList) => void;
  onFocus: () => void;
  /** What else can be done with what it shows. */
  children?: ReactNode;
}) {
  const [open, setOpen] = useState(false);
  const [isTrimming, setTrimming] = useState(false);
  const { over, zone } = useDropZone({
    onFiles: (files) => {
      if (!locked) onDropFiles(files);
    },
    onCarried: (other) => {
      if (!locked && other !== slot && isSlotKey(other)) onSwap(other);
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
          {facts ? shownName(facts, parts) : "empty"}
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
          {others.length > 0 && <SwapMenu label={label} others={others} onSwap={onSwap} />}
        </div>
      )}
      {children}
      {isTrimming && facts?.kind === "clip" && (
        <TrimDialog clip={facts} parts={parts} onParts={onParts} onClose={() => setTrimming(false)} />
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

/** Has a slot change places with another that is chosen from a list: what dragging does, by keyboard too. */
function SwapMenu({
  label,
  others,
  onSwap,
}: {
  label: string;
  others: readonly OtherSlot[];
  onSwap: (other: SlotKey) => void;
}) {
  return (
    <Menu>
      <MenuButton className="underline hover:text-ink" aria-label={`Swap ${label.toLowerCase()} with another`}>
        Swap
      </MenuButton>
      <MenuItems
        anchor={{ to: "bottom start", gap: 4 }}
        className="z-20 max-h-72 w-60 border border-rule bg-card py-1.5 text-[13.5px] shadow-xl"
      >
        {others.map(({ key, words }) => (
          <MenuItem key={key}>
            <button
              type="button"
              className="data-focus:bg-ground block w-full truncate px-4 py-1.5 text-left"
              onClick={() => onSwap(key)}
            >
              {words}
            </button>
          </MenuItem>
        ))}
      </MenuItems>
    </Menu>
  );
}

/** The slot itself is what is pressed and dragged: a frame may go while it is, and its press would then be of no use. */
function PictureWithFrames({ facts, frames }: { facts: PictureFacts | ClipFacts; frames: readonly SlotFrame[] }) {
  return (
    <span className="pointer-events-none absolute inset-0 flex items-center justify-center">
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
function shownName(facts: MediaFacts, parts: readonly KeptPart[]): string {
  const name = facts.name.replace(/\.\w+$/, "");
  if (facts.kind !== "clip") return name;
  const frames = parts.reduce((sum, { from, to }) => sum + to - from, 0);
  const inParts = parts.length > 1 ? ` in ${parts.length} parts` : "";
  return `${name} · clip ${seconds(clipSeconds({ ...facts, frames }) * 1000)}${inParts}`;
}
