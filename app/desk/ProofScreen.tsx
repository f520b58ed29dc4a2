import { useEffect, useRef, type MouseEvent, type ReactNode } from "react";
import { Download } from "lucide-react";
import { itemKey } from "../../core/document/itemKey";
import { contains, rect } from "../../core/geometry/rect";
import { type FormatName, formatOf, formatTitle } from "../../core/placement/formats";
import { type ProofEngine } from "../proof/proofEngine";
import { FormatMark } from "../components/FormatMark";
import { PlaceHandles, type Placing } from "./PlaceHandles";
import { type PlacedKey, itemsNow, placesNow, slotsNow } from "./shownSlots";
import { useProofState } from "./useProof";

export interface ProofScreenProps {
  readonly engine: ProofEngine | null;
  readonly slug: string;
  readonly format: FormatName;
  readonly marked: PlacedKey | null;
  /** The slot that is being placed by hand, if any: it has handles. */
  readonly placing?: Placing | null;
  readonly onPick: (key: PlacedKey) => void;
  /** What it shows, where that is not the promotion as it is. */
  readonly caption?: string;
  /** What lies over the proof. */
  readonly children?: ReactNode;
}

/** A format's proof, with its name. A click says which slot it hit; the slot in hand is outlined. */
export function ProofScreen({ engine, format, slug, marked, placing, onPick, caption, children }: ProofScreenProps) {
  const canvas = useRef<HTMLCanvasElement>(null);
  const { width, height, ratio } = formatOf(format);
  const title = formatTitle(format);
  useEffect(() => {
    engine?.attach(format, canvas.current);
    return () => engine?.attach(format, null);
  }, [engine, format]);

  function pick({ clientX, clientY, currentTarget }: MouseEvent<HTMLElement>): void {
    const box = currentTarget.getBoundingClientRect();
    const point = rect(((clientX - box.left) / box.width) * width, ((clientY - box.top) / box.height) * height, 0, 0);
    const item = itemsNow(engine, format)
      .filter(({ place }) => contains(place, point))
      .at(-1);
    if (item) {
      onPick(itemKey(item.id));
      return;
    }
    const found = slotsNow(engine, format)
      .filter((slot) => slot.kind !== "logo" && contains(slot.place, point))
      .at(-1);
    if (found) onPick(found.key);
  }

  async function saveFrame(): Promise<void> {
    if (!engine) return;
    const blob = await engine.frame(format, "1080p");
    const link = Object.assign(document.createElement("a"), {
      href: URL.createObjectURL(blob),
      download: `${slug}-${format}-${(engine.state().time / 1000).toFixed(3)}s.png`,
    });
    link.click();
    URL.revokeObjectURL(link.href);
  }

  return (
    <figure>
      <figcaption className="mb-1 flex h-[22px] items-center gap-2 text-[#12181a]">
        <FormatMark format={format} size={12} />
        <span className="text-[13px]">{title}</span> {title !== ratio && <span className="figures">{ratio}</span>}
        {caption !== undefined && <span className="truncate bg-[#d9d9d5] px-1.5 text-[12.5px]">{caption}</span>}
        <button
          type="button"
          onClick={() => void saveFrame()}
          className="ml-auto p-1 hover:text-black"
          aria-label={`Save this ${title} frame as PNG`}
          title="Save this frame as PNG"
        >
          <Download aria-hidden size={14} />
        </button>
      </figcaption>
      <div
        className="relative shadow-lg"
        style={{ aspectRatio: `${width} / ${height}` }}
        onClick={pick}
        data-proof={format}
      >
        <canvas ref={canvas} className="block h-full w-full" role="img" aria-label={`${title} proof`} />
        {children}
        {placing && <PlaceHandles engine={engine} format={format} placing={placing} />}
        {marked && marked !== placing?.slot && <Mark engine={engine} format={format} slot={marked} />}
      </div>
    </figure>
  );
}

function Mark({ engine, format, slot }: { engine: ProofEngine | null; format: FormatName; slot: PlacedKey }) {
  // The time is part of what is picked, so that the outline follows the scene on screen.
  useProofState(engine, (state) => `${state.prepared.length}/${Math.floor(state.time / 100)}`);
  useProofState(engine, (state) => state.prepared);
  const { width, height } = formatOf(format);
  const slots = slotsNow(engine, format);
  const place = placesNow(engine, format).get(slot);
  if (!place) return null;
  const isPicture = slots.some(({ key, part }) => key === slot && part === "picture");
  return (
    <div
      aria-hidden
      className="pointer-events-none absolute outline-2 outline-accent"
      style={{
        left: `${(place.x / width) * 100}%`,
        top: `${(place.y / height) * 100}%`,
        width: `${(place.width / width) * 100}%`,
        height: `${(place.height / height) * 100}%`,
        outlineOffset: isPicture ? -3 : 4,
      }}
    />
  );
}
