import { useEffect, useRef, useState, type RefObject } from "react";

/** The size of an element on screen, in CSS pixels; nothing until it is there. */
export function useSize(): {
  readonly ref: RefObject<HTMLDivElement | null>;
  readonly width: number;
  readonly height: number;
} {
  const ref = useRef<HTMLDivElement>(null);
  const [size, setSize] = useState({ width: 0, height: 0 });
  useEffect(() => {
    if (!ref.current) return;
    const watcher = new ResizeObserver(([entry]) => {
      if (entry) setSize({ width: entry.contentRect.width, height: entry.contentRect.height });
    });
    watcher.observe(ref.current);
    return () => watcher.disconnect();
  }, []);
  return { ref, ...size };
}
