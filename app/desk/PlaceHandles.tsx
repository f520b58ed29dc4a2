import { clsx } from "clsx";
import { useEffect, useRef, useState, type KeyboardEvent, type PointerEvent } from "react";
import { type Rect, contains, rect, unionOf } from "../../core/geometry/rect";
import { formatOf, type FormatName, safeArea, formatTitle } from "../../core/placement/formats";
import { LEAST_SIDE } from "../../core/placement/leastSide";
import { type DraggedEdges, type Guide, WHOLE, dragged, snap, toHalves } from "../../core/placement/snapping";
import { type ProofEngine } from "../proof/proofEngine";
import { placesAt } from "./shownSlots";
import { type PlacedKey } from "../../core/document/placedKey";
import { useMoment } from "./useProof";

/** A place as it was taken hold of, and as it is now. */
export interface MovedPlace {
  readonly from: Rect;
  readonly to: Rect;
  /** Where each of what is placed stood when it was taken hold of, in the order of their keys. */
  readonly each: readonly Rect[];
}

/** What is being placed by hand, one or several at once, and who wants to know. */
export interface Placing {
  readonly keys: readonly PlacedKey[];
  readonly label: string;
  /** The place it was given in a format; null where the arrangement decides. */
  readonly byHand: (format: FormatName) => Rect | null;
  /** While it is dragged, from a place to another; null when the drag was given up. */
  readonly onDrag: (format: FormatName, moved: MovedPlace | null) => void;
  readonly onPlace: (format: FormatName, moved: MovedPlace) => void;
}

/** How near, in pixels of the screen, a line pulls. */
const REACH_PX = 7;
/** Less than this is a click, not a drag. */
const CLICK_PX = 3;
const STEP = 1;
const LARGE_STEP = 10;

/** Corners always; the middles of edges only where they leave room to take hold of the whole. */
const EDGES: readonly { readonly edges: DraggedEdges; readonly look: string }[] = [
  { edges: { across: "start", down: "start" }, look: "flex -left-2.5 -top-2.5 cursor-nwse-resize" },
  {
    edges: { across: null, down: "start" },
    look: "hidden [@container(min-width:52px)]:flex left-1/2 -ml-2.5 -top-2.5 cursor-ns-resize",
  },
  { edges: { across: "end", down: "start" }, look: "flex -right-2.5 -top-2.5 cursor-nesw-resize" },
  {
    edges: { across: "end", down: null },
    look: "hidden [@container(min-height:52px)]:flex -right-2.5 top-1/2 -mt-2.5 cursor-ew-resize",
  },
  { edges: { across: "end", down: "end" }, look: "flex -right-2.5 -bottom-2.5 cursor-nwse-resize" },
  {
    edges: { across: null, down: "end" },
    look: "hidden [@container(min-width:52px)]:flex left-1/2 -ml-2.5 -bottom-2.5 cursor-ns-resize",
  },
  { edges: { across: "start", down: "end" }, look: "flex -left-2.5 -bottom-2.5 cursor-nesw-resize" },
  {
    edges: { across: "start", down: null },
    look: "hidden [@container(min-height:52px)]:flex -left-2.5 top-1/2 -mt-2.5 cursor-ew-resize",
  },
];

interface Drag {
  readonly edges: DraggedEdges;
  readonly from: { readonly x: number; readonly y: number };
  readonly start: Rect;
  /** Where each of what is placed stood then. */
  readonly each: readonly Rect[];
  readonly now: Rect;
  readonly guides: readonly Guide[];
  readonly moved: boolean;
}

/**
 * The place of what is placed on one proof, with handles: dragged and resized with snapping, or moved by the arrow keys.
 * Several at once keep their sizes.
 */
export function PlaceHandles({
  engine,
  format,
  placing,
}: {
  engine: ProofEngine | null;
  format: FormatName;
  placing: Placing;
}) {
  const moment = useMoment(engine);
  const [drag, showDrag] = useState<Drag | null>(null);
  // Letting go may come before the last movement is shown, and must know of it.
  const latest = useRef<Drag | null>(null);
  const setDrag = (next: Drag | null): void => {
    latest.current = next;
    showDrag(next);
  };
  const justDragged = useRef(false);
  const shape = formatOf(format);
  const places = placesAt(moment, format);
  const each = placing.keys.flatMap((key) => places.get(key) ?? []);
  const isOne = placing.keys.length === 1;
  const shown = each.length === placing.keys.length ? unionOf(each) : null;
  const byHand = placing.byHand(format);

  useEffect(() => {
    if (!drag) return;
    const giveUp = (event: globalThis.KeyboardEvent): void => {
      if (event.key !== "Escape") return;
      latest.current = null;
      justDragged.current = true;
      showDrag(null);
      placing.onDrag(format, null);
    };
    window.addEventListener("keydown", giveUp);
    return () => window.removeEventListener("keydown", giveUp);
  }, [drag, format, placing]);

  if (!shown) return null;
  const exact = drag?.now ?? atLeast(byHand ?? shown);
  // Taken hold of as it will be put down, or every step would move it by what is rounded.
  const place = drag ? exact : toHalves(exact);
  const safe = safeArea(shape);
  const surroundings = {
    shape,
    safe,
    others: [...places].filter(([key]) => !placing.keys.includes(key)).map(([, one]) => one),
  };
  /** Design units of a pixel of the screen. */
  const unitsPerPixel = (element: Element): number =>
    shape.width / (element.closest("[data-proof]")?.getBoundingClientRect().width ?? shape.width);

  function take(event: PointerEvent<HTMLElement>, edges: DraggedEdges): void {
    if (event.button !== 0) return;
    event.stopPropagation();
    event.currentTarget.setPointerCapture(event.pointerId);
    justDragged.current = false;
    setDrag({
      edges,
      from: { x: event.clientX, y: event.clientY },
      start: place,
      each,
      now: place,
      guides: [],
      moved: false,
    });
  }

  function pull(event: PointerEvent<HTMLElement>): void {
    const drag = latest.current;
    if (!drag) return;
    const [x, y] = [event.clientX - drag.from.x, event.clientY - drag.from.y];
    if (!drag.moved && Math.hypot(x, y) < CLICK_PX) return;
    const units = unitsPerPixel(event.currentTarget);
    const free = dragged(drag.start, drag.edges, { x: x * units, y: y * units });
    // With Alt held it goes where it is put.
    const { place: next, guides } = event.altKey
      ? { place: free, guides: [] }
      : snap(free, drag.edges, surroundings, REACH_PX * units);
    setDrag({ ...drag, now: next, guides, moved: true });
    placing.onDrag(format, { from: drag.start, to: toHalves(next), each: drag.each });
  }

  function letGo(): void {
    const drag = latest.current;
    if (!drag) return;
    setDrag(null);
    justDragged.current = drag.moved;
    if (drag.moved) placing.onPlace(format, { from: drag.start, to: toHalves(drag.now), each: drag.each });
  }

  function pressKey(event: KeyboardEvent<HTMLElement>): void {
    const step = event.shiftKey ? LARGE_STEP : STEP;
    const by = {
      ArrowLeft: { x: -step, y: 0 },
      ArrowRight: { x: step, y: 0 },
      ArrowUp: { x: 0, y: -step },
      ArrowDown: { x: 0, y: step },
    }[event.key];
    if (!by) return;
    event.preventDefault();
    event.stopPropagation();
    const edges: DraggedEdges = isOne && (event.ctrlKey || event.metaKey) ? { across: "end", down: "end" } : WHOLE;
    placing.onPlace(format, { from: place, to: toHalves(dragged(place, edges, by)), each });
  }

  const outside = !contains(safe, exact, 0.5);
  return (
    <>
      {drag?.moved && (
        <div
          aria-hidden
          className="pointer-events-none absolute border border-dashed border-white/80 outline outline-black/50 outline-dashed"
          style={boxStyle(safe, shape)}
        />
      )}
      {drag?.guides.map(({ axis, at, kind }) => (
        <div
          key={`${axis}${at}`}
          aria-hidden
          data-guide={kind}
          className="pointer-events-none absolute bg-ink outline outline-card/80"
          style={
            axis === "across"
              ? { left: `${(at / shape.width) * 100}%`, top: 0, bottom: 0, width: 1 }
              : { top: `${(at / shape.height) * 100}%`, left: 0, right: 0, height: 1 }
          }
        />
      ))}
      <div
        tabIndex={0}
        role="group"
        aria-label={`${placing.label} in ${formatTitle(format)}: ${Math.round(place.x)}, ${Math.round(place.y)}, ${Math.round(place.width)} by ${Math.round(place.height)} units${outside ? ", outside the safe area" : ""}. ${isOne ? "Arrow keys move it, with Shift by ten, with Control its size." : "Arrow keys move them, with Shift by ten."}`}
        data-handles={format}
        onPointerDown={(event) => take(event, WHOLE)}
        onPointerMove={pull}
        onPointerUp={letGo}
        onPointerCancel={letGo}
        onKeyDown={pressKey}
        onClick={(event) => {
          // What was dragged here is not a click on what lies below.
          if (justDragged.current) event.stopPropagation();
        }}
        className={clsx(
          "@container-size absolute cursor-move touch-none outline-2",
          byHand || drag ? "outline-solid" : "outline-dashed",
          outside ? "outline-wrong" : "outline-accent",
        )}
        style={boxStyle(place, shape)}
      >
        {isOne &&
          EDGES.map(({ edges, look }) => (
            <span
              key={look}
              aria-hidden
              onPointerDown={(event) => take(event, edges)}
              data-edge={`${edges.across ?? "none"}-${edges.down ?? "none"}`}
              className={`absolute h-5 w-5 touch-none items-center justify-center ${look}`}
            >
              <span className={`h-2.5 w-2.5 border-2 bg-white ${outside ? "border-wrong" : "border-accent"}`} />
            </span>
          ))}
      </div>
    </>
  );
}

const boxStyle = (place: Rect, { width, height }: { width: number; height: number }) => ({
  left: `${(place.x / width) * 100}%`,
  top: `${(place.y / height) * 100}%`,
  width: `${(place.width / width) * 100}%`,
  height: `${(place.height / height) * 100}%`,
});

const atLeast = ({ x, y, width, height }: Rect): Rect =>
  rect(x, y, Math.max(LEAST_SIDE, width), Math.max(LEAST_SIDE, height));
