import { type ChangeEvent, type KeyboardEvent, type PointerEvent, useRef, useState } from "react";
import { type ClipFacts, type PictureFacts } from "../../core/document/facts";
import {
  WINDOW_CORNERS,
  type WindowCorner,
  movedWindow,
  pulledWindow,
  windowOfRatio,
} from "../../core/geometry/cropWindow";
import { type Point, type Rect } from "../../core/geometry/rect";
import { type FormatName, NAMED_FORMATS, formatOf, formatTitle } from "../../core/placement/formats";
import { fieldLook } from "../components/fieldLook";
import { thumbAddress } from "../components/mediaLook";

/** How far a press of an arrow key moves, in shares of the picture; with Shift, ten times as far. */
const STEP = 0.01;
const ARROWS: Readonly<Record<string, Point>> = {
  ArrowLeft: { x: -STEP, y: 0 },
  ArrowRight: { x: STEP, y: 0 },
  ArrowUp: { x: 0, y: -STEP },
  ArrowDown: { x: 0, y: STEP },
};

/** What is used of a picture: a window that is dragged, pulled by its corners or moved by keys, free or locked to a shape. */
export function CropWindow({
  media,
  window,
  onWindow,
}: {
  media: PictureFacts | ClipFacts;
  window: Rect;
  /** @param label of a step of its own for undo; else it is one with what was typed before */
  onWindow: (window: Rect, label?: string) => void;
}) {
  const picture = useRef<HTMLDivElement>(null);
  const [locked, setLocked] = useState<FormatName | null>(null);
  /** While it is dragged: set once, when it is let go of. */
  const [dragged, setDragged] = useState<Rect | null>(null);
  const shown = dragged ?? window;
  const ratioOf = (format: FormatName): number => {
    const { width, height } = formatOf(format);
    return (width / height) * (media.height / media.width);
  };
  const ratio = locked && ratioOf(locked);
  const lock = (event: ChangeEvent<HTMLSelectElement>): void => {
    const format = NAMED_FORMATS.find((one) => one === event.target.value) ?? null;
    setLocked(format);
    if (format) onWindow(windowOfRatio(window, ratioOf(format)), "Lock the crop");
  };
  const held = useRef<{ readonly from: Point; readonly window: Rect } | null>(null);
  const placeOf = (event: PointerEvent): Point => {
    const box = picture.current?.getBoundingClientRect();
    return box
      ? { x: (event.clientX - box.left) / box.width, y: (event.clientY - box.top) / box.height }
      : { x: 0, y: 0 };
  };
  const take = (event: PointerEvent<HTMLElement>): void => {
    event.stopPropagation();
    event.currentTarget.setPointerCapture(event.pointerId);
    held.current = { from: placeOf(event), window };
  };
  const drag = (event: PointerEvent<HTMLElement>, corner: WindowCorner | null): void => {
    if (!held.current || event.buttons !== 1) return;
    event.stopPropagation();
    const to = placeOf(event);
    const by = { x: to.x - held.current.from.x, y: to.y - held.current.from.y };
    setDragged(corner ? pulledWindow(held.current.window, corner, to, ratio) : movedWindow(held.current.window, by));
  };
  const letGo = (): void => {
    held.current = null;
    if (dragged) onWindow(dragged, "Drag the crop");
    setDragged(null);
  };
  const step = (event: KeyboardEvent, corner: WindowCorner | null): void => {
    const arrow = ARROWS[event.key];
    if (!arrow) return;
    event.preventDefault();
    event.stopPropagation();
    const times = event.shiftKey ? 10 : 1;
    const by = { x: arrow.x * times, y: arrow.y * times };
    const at = corner && cornerOf(window, corner);
    onWindow(at ? pulledWindow(window, corner, { x: at.x + by.x, y: at.y + by.y }, ratio) : movedWindow(window, by));
  };
  const percent = (share: number): string => `${share * 100}%`;
  return (
    <div className="flex flex-col gap-2">
      <div className="flex justify-center bg-proof p-3">
        <div ref={picture} className="relative touch-none select-none">
          <div className="relative overflow-hidden">
            <img src={thumbAddress(media, 340) ?? ""} alt="" draggable={false} className="block max-h-44 max-w-full" />
            <button
              type="button"
              aria-label="The part that is used. Arrow keys move it"
              onPointerDown={take}
              onPointerMove={(event) => drag(event, null)}
              onPointerUp={letGo}
              onPointerCancel={letGo}
              onKeyDown={(event) => step(event, null)}
              className="absolute cursor-move shadow-[0_0_0_999px_rgb(31_42_36/0.62)] outline-2 outline-white focus-visible:outline-accent"
              style={{
                left: percent(shown.x),
                top: percent(shown.y),
                width: percent(shown.width),
                height: percent(shown.height),
              }}
            />
          </div>
          {WINDOW_CORNERS.map((corner) => {
            const { x, y } = cornerOf(shown, corner);
            return (
              <button
                key={corner}
                type="button"
                aria-label={`Its ${corner} corner. Arrow keys pull it`}
                onPointerDown={take}
                onPointerMove={(event) => drag(event, corner)}
                onPointerUp={letGo}
                onPointerCancel={letGo}
                onKeyDown={(event) => step(event, corner)}
                className="absolute -m-3.5 flex h-7 w-7 touch-none items-center justify-center focus-visible:outline-none [&:focus-visible>span]:bg-accent"
                style={{ left: percent(x), top: percent(y), cursor: CURSORS[corner] }}
              >
                <span className="h-3 w-3 border-2 border-ink bg-white" />
              </button>
            );
          })}
        </div>
      </div>
      <label className="flex items-center gap-2 text-soft">
        Locked to
        <select value={locked ?? ""} onChange={lock} className={`${fieldLook} flex-1`}>
          <option value="">no shape</option>
          {NAMED_FORMATS.map((format) => (
            <option key={format} value={format}>
              {formatTitle(format)} {formatOf(format).ratio}
            </option>
          ))}
        </select>
      </label>
    </div>
  );
}

const CURSORS: Readonly<Record<WindowCorner, string>> = {
  "top left": "nwse-resize",
  "bottom right": "nwse-resize",
  "top right": "nesw-resize",
  "bottom left": "nesw-resize",
};

const cornerOf = ({ x, y, width, height }: Rect, corner: WindowCorner): Point => ({
  x: corner.endsWith("left") ? x : x + width,
  y: corner.startsWith("top") ? y : y + height,
});
