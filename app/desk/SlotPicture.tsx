import { type MediaFacts } from "../../core/document/facts";
import { clsx } from "clsx";
import { useState } from "react";
import { type ClipFacts, type PictureFacts } from "../../core/document/facts";
import { coverPart } from "../../core/geometry/framing";
import { type Rect } from "../../core/geometry/rect";
import { type FormatName } from "../../core/placement/formats";
import { seconds, thumbAddress } from "../components/mediaLook";
import { useDropZone } from "../components/useDropZone";
import { RightsMark } from "../components/RightsMark";
import { Locked } from "./DeckFields";
import { MediaPicker, type OfferedMedia } from "./MediaPicker";

/** A slot's picture with the part each format shows of it; replaced by choosing, or by dropping a file on it. */
export function SlotPicture({
  label,
  wide,
  needs,
  locked,
  facts,
  frames,
  items,
  inherited,
  marked,
  onChoose,
  onReset,
  onDropFiles,
  onFocus,
}: {
  label: string;
  /** Whether it stands beside the words, in a column of its own. */
  wide: boolean;
  /** What the slot asks for, in words. */
  needs: string;
  locked: boolean;
  facts: PictureFacts | ClipFacts | null;
  /** Where the picture goes in each format. */
  frames: readonly { readonly format: FormatName; readonly place: Rect }[];
  items: readonly OfferedMedia[];
  inherited: boolean;
  marked: boolean;
  onChoose: (id: string) => void;
  onReset: () => void;
  onDropFiles: (files: FileList) => void;
  onFocus: () => void;
}) {
  const [open, setOpen] = useState(false);
  const { over, zone } = useDropZone((files) => !locked && onDropFiles(files));
  return (
    <div className={wide ? "w-[168px] shrink-0" : "min-w-0"} onFocus={onFocus}>
      <div className="mb-1 truncate text-[13px] text-soft">{label}</div>
      <button
        type="button"
        disabled={locked}
        title={locked ? "Locked by the template. A designer can change it." : needs}
        onClick={() => setOpen(true)}
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
          {facts ? shownName(facts) : "empty"}
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
      <RightsMark state={items.find((item) => item.facts.id === facts?.id)?.rights ?? "clear"} />
      <MediaPicker
        open={open}
        title={`${label}: ${needs.toLowerCase()}`}
        items={items}
        chosen={facts?.id ?? null}
        onClose={() => setOpen(false)}
        onChoose={(id) => {
          setOpen(false);
          onChoose(id);
        }}
      />
    </div>
  );
}

function PictureWithFrames({
  facts,
  frames,
}: {
  facts: PictureFacts | ClipFacts;
  frames: readonly { readonly format: FormatName; readonly place: Rect }[];
}) {
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
        {frames.map(({ format, place }) => {
          const part = coverPart(facts, place, facts.focal);
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
function shownName(facts: MediaFacts): string {
  const name = facts.name.replace(/\.\w+$/, "");
  if (facts.kind !== "clip") return name;
  return `${name} · clip ${seconds((facts.frames * 1000 * facts.rate.denominator) / facts.rate.numerator)}`;
}
