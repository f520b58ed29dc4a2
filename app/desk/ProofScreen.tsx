import { useEffect, useRef, type MouseEvent, type ReactNode } from "react";
import { Download } from "lucide-react";
import { itemKey } from "../../core/document/itemKey";
import { contains, rect } from "../../core/geometry/rect";
import { type FormatName, formatOf, formatTitle } from "../../core/placement/formats";
import { type ProofEngine } from "../proof/proofEngine";
import { FormatMark } from "../components/FormatMark";
import { PlaceHandles, type Placing } from "./PlaceHandles";
import { itemsAt, placesAt, slotsAt } from "./shownSlots";
import { type PlacedKey } from "../../core/document/placedKey";
import { useMoment } from "./useProof";

export interface ProofScreenProps {
  readonly engine: ProofEngine | null;
  readonly slug: string;
  readonly format: FormatName;
  readonly marked: PlacedKey | null;
  /** What is being placed by hand, if anything: it has handles. */
  readonly placing?: Placing | null;
  /** What is taken together, to be aligned. */
  readonly several?: readonly PlacedKey[];
  /** @param isAdded whether it is taken together with others */
  readonly onPick: (key: PlacedKey, isAdded: boolean) => void;
  /** What it shows, where that is not the promotion as it is. */
  readonly caption?: string;
  /** What lies over the proof. */
  readonly children?: ReactNode;
}

/** A format's proof, with its name. A click says which slot it hit; the slot in hand is outlined. */
export function ProofScreen({
  engine,
  format,
  slug,
  marked,
  placing,
  several = [],
  onPick,
  caption,
  children,
}: ProofScreenProps) {
  const canvas = useRef<HTMLCanvasElement>(null);
  const { width, height, ratio } = formatOf(format);
  const title = formatTitle(format);
  useEffect(() => {
    engine?.attach(format, canvas.current);
    return () => engine?.attach(format, null);
  }, [engine, format]);

  function pick({ clientX, clientY, currentTarget, shiftKey }: MouseEvent<HTMLElement>): void {
    const box = currentTarget.getBoundingClientRect();
    const point = rect(((clientX - box.left) / box.width) * width, ((clientY - box.top) / box.height) * height, 0, 0);
    const moment = engine?.state();
    if (!moment) return;
    const item = itemsAt(moment, format)
      .filter(({ place }) => contains(place, point))
      .at(-1);
    if (item) {
      onPick(itemKey(item.id), shiftKey);
      return;
    }
    const found = slotsAt(moment, format)
      .filter(({ place }) => contains(place, point))
      .at(-1);
    if (found) onPick(found.key, shiftKey);
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

  const outlined = new Set([...several, ...(marked && several.length === 0 ? [marked] : [])]);
  if (placing?.keys.length === 1) placing.keys.forEach((key) => outlined.delete(key));
  return (
    <figure className="@container">
      <figcaption className="mb-1 flex h-[22px] items-center gap-2 text-[#12181a]">
        <FormatMark format={format} size={12} />
        <span className="text-[13px]">{title}</span>{" "}
        {title !== ratio && <span className="figures @max-[150px]:hidden">{ratio}</span>}
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
        onMouseDown={keepSelection}
        onClick={pick}
        data-proof={format}
      >
        <canvas ref={canvas} className="block h-full w-full" role="img" aria-label={`${title} proof`} />
        {children}
        {placing && <PlaceHandles engine={engine} format={format} placing={placing} />}
        {[...outlined].map((key) => (
          <Mark key={key} engine={engine} format={format} slot={key} />
        ))}
      </div>
    </figure>
  );
}

/** With Shift held, a press would select the words of the page between here and there. */
function keepSelection(event: MouseEvent<HTMLElement>): void {
  if (event.shiftKey) event.preventDefault();
}

function Mark({ engine, format, slot }: { engine: ProofEngine | null; format: FormatName; slot: PlacedKey }) {
  const moment = useMoment(engine);
  const { width, height } = formatOf(format);
  const slots = slotsAt(moment, format);
  const place = placesAt(moment, format).get(slot);
  if (!place) return null;
  const isPicture = slots.some(({ key, part }) => key === slot && part === "picture");
  return (
    <div
      aria-hidden
      data-outlined={slot}
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
