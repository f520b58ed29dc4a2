import { useEffect, useLayoutEffect, useRef, useState, type RefObject } from "react";

/** The size of an element on screen, in CSS pixels; nothing until it is there. */
export function useSize(): {
  readonly ref: RefObject<HTMLDivElement | null>;
  readonly width: number;
  readonly height: number;
} {
  const ref = useRef<HTMLDivElement>(null);
  const [size, setSize] = useState({ width: 0, height: 0 });
  // Known before anything is seen, so that what depends on it is drawn once.
  useLayoutEffect(() => {
    if (ref.current) setSize({ width: ref.current.clientWidth, height: ref.current.clientHeight });
  }, []);
  useEffect(() => {
    if (!ref.current) return;
    const watcher = new ResizeObserver(([entry]) => {
      const { width, height } = entry?.contentRect ?? { width: 0, height: 0 };
      setSize((before) => (before.width === width && before.height === height ? before : { width, height }));
    });
    watcher.observe(ref.current);
    return () => watcher.disconnect();
  }, []);
  return { ref, ...size };
}
