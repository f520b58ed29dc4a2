import { defaultRangeExtractor, useVirtualizer } from "@tanstack/react-virtual";
import { type ReactNode, type RefObject } from "react";

/** How high a row stands until it was measured, in pixels. */
const USUAL_HEIGHT = 300;
/** The part of the list that is seen until it was measured: where no browser has laid it out. */
const FIRST_RECT = { width: 620, height: 700 };

/**
 * A list of rows of which only those in view are there.
 *
 * By itself, since what virtualises can't be compiled to keep what did not change: all else about the rows is.
 */
export function RowsInView({
  ids,
  kept,
  scroller,
  onFocus,
  onTouch,
  children,
}: {
  readonly ids: readonly string[];
  /** The index of a row that stays however far the list is scrolled; -1 for none. */
  readonly kept: number;
  readonly scroller: RefObject<HTMLElement | null>;
  /** Something in a row took the focus. */
  readonly onFocus: (id: string) => void;
  /** A row is pressed, typed in, or something is dropped on it: told before anything in it hears of that. */
  readonly onTouch: (id: string) => void;
  readonly children: (index: number) => ReactNode;
}) {
  const virtual = useVirtualizer({
    count: ids.length,
    getScrollElement: () => scroller.current,
    estimateSize: () => USUAL_HEIGHT,
    getItemKey: (index) => ids[index] ?? index,
    overscan: 1,
    initialRect: FIRST_RECT,
    rangeExtractor: (range) =>
      [...new Set([...defaultRangeExtractor(range), ...(kept < 0 ? [] : [kept])])].sort((one, other) => one - other),
  });
  return (
    <div className="relative" style={{ height: virtual.getTotalSize() }}>
      {virtual.getVirtualItems().map(({ index, start }) => {
        const id = ids[index];
        if (id === undefined) return null;
        const touch = (): void => onTouch(id);
        return (
          <div
            key={id}
            ref={virtual.measureElement}
            data-index={index}
            className="absolute inset-x-0"
            style={{ top: start }}
            onFocusCapture={() => onFocus(id)}
            onPointerDownCapture={touch}
            onKeyDownCapture={touch}
            onDropCapture={touch}
          >
            {children(index)}
          </div>
        );
      })}
    </div>
  );
}
