import { type RefObject, useEffect, useRef } from "react";
import { type ProofEngine } from "../proof/proofEngine";
import { type CellAt } from "./cells";

/** A canvas that shows what was painted of a cell. */
export function useCell(engine: ProofEngine | null, { format, scene }: CellAt): RefObject<HTMLCanvasElement | null> {
  const canvas = useRef<HTMLCanvasElement>(null);
  useEffect(() => {
    const draw = (): void => {
      const bitmap = engine?.cell(format, scene);
      if (!canvas.current || !bitmap) return;
      Object.assign(canvas.current, { width: bitmap.width, height: bitmap.height });
      canvas.current.getContext("2d")?.drawImage(bitmap, 0, 0);
    };
    draw();
    return engine?.onCell((ofFormat, ofScene) => {
      if (ofFormat === format && ofScene === scene) draw();
    });
  }, [engine, format, scene]);
  return canvas;
}
