import { type PointerEvent, useMemo, useRef, useState } from "react";
import { type SlotKey } from "../../core/document/sceneTemplate";
import { type Point, contains, rect } from "../../core/geometry/rect";
import { type FormatName, formatOf } from "../../core/placement/formats";
import { type Placement, furnitureIn } from "../../core/placement/placements";
import { outputSize } from "../../core/placement/quality";
import { hang } from "../../core/placement/wall";
import { useSize } from "../components/useSize";
import { ProofScreen } from "../desk/ProofScreen";
import { slotsAt } from "../desk/shownSlots";
import { type PlacedKey } from "../../core/document/placedKey";
import { useMoment } from "../desk/useProof";
import { type ProofEngine } from "../proof/proofEngine";
import { type Facts } from "../../core/document/facts";
import { Overlay, type OverlayName } from "./Overlay";
import { type Beside } from "./ProofBar";
import { VersionScreen } from "./VersionScreen";

const LABEL = 26;

/** One format at large, or with another or with what it was beside it, playing. The picture in hand is moved by dragging. */
export function LargeProof({
  engine,
  slug,
  format: shown,
  beside,
  facts,
  marked,
  overlays,
  placements,
  inPixels,
  onPick,
  onMove,
}: {
  engine: ProofEngine | null;
  slug: string;
  format: FormatName;
  /** What stands beside it, if anything does. */
  beside: Beside | null;
  facts: Facts;
  marked: PlacedKey | null;
  overlays: ReadonlySet<OverlayName>;
  placements: readonly Placement[];
  /** Whether each pixel of the output is a pixel of the screen. */
  inPixels: boolean;
  onPick: (key: PlacedKey) => void;
  /** A picture was dragged, by design units; `isDone` when it was let go of. */
  onMove: (format: FormatName, slot: SlotKey, by: Point, isDone: boolean) => void;
}) {
  const { ref, width, height } = useSize();
  const version = typeof beside === "object" ? beside : null;
  const formats = useMemo(
    () => [shown, ...(typeof beside === "string" && beside !== shown ? [beside] : version ? [shown] : [])],
    [shown, beside, version],
  );
  const hung = useMemo(
    () => hang(formats.map(formatOf), { width, height, gap: 18, label: LABEL }),
    [formats, width, height],
  );
  const moment = useMoment(engine);
  const place = (format: FormatName, index: number) => {
    if (!inPixels) return hung[index];
    const size = outputSize(format, "1080p");
    const ratio = typeof devicePixelRatio === "number" ? devicePixelRatio : 1;
    return rect(0, LABEL, size.width / ratio, size.height / ratio);
  };
  return (
    <div ref={ref} className="relative min-h-0 flex-1 overflow-auto">
      {formats.map((format, index) => {
        const at = place(format, index);
        return (
          at && (
            <div
              key={index === 1 && version ? `revision ${version.revision}` : format}
              className={inPixels ? "relative mb-6" : "absolute"}
              style={inPixels ? { width: at.width } : { left: at.x, top: at.y - LABEL, width: at.width }}
              hidden={width === 0}
            >
              {index === 1 && version ? (
                <VersionScreen main={engine} {...{ slug, format, version, facts }} />
              ) : (
                <DraggedPictures engine={engine} format={format} onMove={onMove} onPick={onPick}>
                  <ProofScreen {...{ engine, slug, format, marked, onPick }}>
                    <Overlay
                      format={format}
                      shown={overlays}
                      slots={slotsAt(moment, format)}
                      furniture={furnitureIn(placements, format)}
                      named
                    />
                  </ProofScreen>
                </DraggedPictures>
              )}
            </div>
          )
        );
      })}
    </div>
  );
}

/** How far a pointer goes before it drags and does not click, in pixels. */
const DRAGS_FROM = 4;

function DraggedPictures({
  engine,
  format,
  onMove,
  onPick,
  children,
}: {
  engine: ProofEngine | null;
  format: FormatName;
  onMove: (format: FormatName, slot: SlotKey, by: Point, isDone: boolean) => void;
  onPick: (key: PlacedKey) => void;
  children: React.ReactNode;
}) {
  const held = useRef<{ readonly slot: SlotKey; readonly from: Point; readonly scale: number } | null>(null);
  const [isDragging, setDragging] = useState(false);
  const { width, height } = formatOf(format);

  function take(event: PointerEvent<HTMLElement>): void {
    const proof = event.currentTarget.querySelector("[data-proof]");
    if (!proof || event.button !== 0) return;
    const box = proof.getBoundingClientRect();
    const scale = width / box.width;
    const at = rect((event.clientX - box.left) * scale, ((event.clientY - box.top) / box.height) * height, 0, 0);
    const state = engine?.state();
    const slot = (state ? slotsAt(state, format) : [])
      .filter(({ kind, place }) => kind === "picture" && contains(place, at))
      .at(-1);
    if (slot) held.current = { slot: slot.key, from: { x: event.clientX, y: event.clientY }, scale };
  }
  const movedBy = ({ clientX, clientY }: PointerEvent): Point | null =>
    held.current && {
      x: (clientX - held.current.from.x) * held.current.scale,
      y: (clientY - held.current.from.y) * held.current.scale,
    };
  function move(event: PointerEvent<HTMLElement>): void {
    const by = movedBy(event);
    if (!held.current || !by) return;
    if (!isDragging && Math.hypot(by.x, by.y) / held.current.scale < DRAGS_FROM) return;
    if (!isDragging) {
      event.currentTarget.setPointerCapture(event.pointerId);
      onPick(held.current.slot);
      setDragging(true);
    }
    onMove(format, held.current.slot, by, false);
  }
  function letGo(event: PointerEvent<HTMLElement>): void {
    const by = movedBy(event);
    if (isDragging && held.current && by) onMove(format, held.current.slot, by, true);
    held.current = null;
    setDragging(false);
  }
  return (
    <div
      onPointerDown={take}
      onPointerMove={move}
      onPointerUp={letGo}
      onPointerCancel={letGo}
      className={isDragging ? "cursor-grabbing touch-none" : "touch-none"}
    >
      {children}
    </div>
  );
}
