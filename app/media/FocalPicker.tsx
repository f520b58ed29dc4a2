import { clsx } from "clsx";
import { useRef } from "react";
import { type FocalPoint } from "../../core/geometry/framing";

const STEP = 0.02;
const ARROWS: Readonly<Record<string, readonly [number, number]>> = {
  ArrowLeft: [-STEP, 0],
  ArrowRight: [STEP, 0],
  ArrowUp: [0, -STEP],
  ArrowDown: [0, STEP],
};

/** A picture with its focal point: press or drag to move it, or use the arrow keys. `onRest` tells where it was let go. */
export function FocalPicker({
  src,
  name,
  focal,
  onMove,
  onRest,
}: {
  src: string;
  name: string;
  focal: FocalPoint;
  onMove: (to: FocalPoint) => void;
  onRest: (at: FocalPoint) => void;
}) {
  const frame = useRef<HTMLDivElement>(null);
  const clamp = (value: number): number => Number(Math.min(1, Math.max(0, value)).toFixed(3));
  const at = (event: React.PointerEvent): void => {
    const box = frame.current?.getBoundingClientRect();
    if (box)
      onMove({ x: clamp((event.clientX - box.left) / box.width), y: clamp((event.clientY - box.top) / box.height) });
  };
  return (
    <div
      ref={frame}
      className="relative mx-auto w-fit cursor-crosshair touch-none select-none"
      onPointerDown={(event) => {
        event.currentTarget.setPointerCapture(event.pointerId);
        at(event);
      }}
      onPointerMove={(event) => event.buttons === 1 && at(event)}
      onPointerUp={() => onRest(focal)}
    >
      <img src={src} alt={name} draggable={false} className="block max-h-72 max-w-full" />
      <button
        type="button"
        aria-label={`Focal point, ${Math.round(focal.x * 100)} % across, ${Math.round(focal.y * 100)} % down. Arrow keys move it`}
        className={clsx(
          "absolute h-7 w-7 -translate-x-1/2 -translate-y-1/2 rounded-full border-2 border-white",
          "shadow-[0_0_0_2px_rgb(0_0_0/0.55),inset_0_0_0_2px_rgb(0_0_0/0.35)]",
        )}
        style={{ left: `${focal.x * 100}%`, top: `${focal.y * 100}%` }}
        onKeyDown={({ key }) => {
          const [dx, dy] = ARROWS[key] ?? [0, 0];
          if (dx === 0 && dy === 0) return;
          const to = { x: clamp(focal.x + dx), y: clamp(focal.y + dy) };
          onMove(to);
          onRest(to);
        }}
      />
    </div>
  );
}
