import { useEffect, useState } from "react";
import { type FromPreviews, type PreviewNews, type ToPreviews } from "../workers/previewMessages";

/** The page's preview worker. */
export interface Previews {
  tell(message: ToPreviews, moved?: Transferable[]): void;
  /** Calls back with what the worker says of one preview. Gives the way to stop listening. */
  listen(preview: string, listener: (message: PreviewNews) => void): () => void;
}

/** Starts the worker that paints a page's previews; null until the page runs in a browser. */
export function usePreviews(): Previews | null {
  const [previews, setPreviews] = useState<Previews | null>(null);
  useEffect(() => {
    const worker = new Worker(new URL("../workers/previewWorker.ts", import.meta.url), { type: "module" });
    const listeners = new Map<string, (message: PreviewNews) => void>();
    // Its modules wait for WebAssembly, and what comes before they listen would be lost: so it says when it does.
    worker.onmessage = ({ data }: MessageEvent<FromPreviews>) =>
      data.kind === "ready" ? setPreviews(previews) : listeners.get(data.preview)?.(data);
    const previews: Previews = {
      tell: (message, moved = []) => worker.postMessage(message, moved),
      listen(preview, listener) {
        listeners.set(preview, listener);
        return () => listeners.delete(preview);
      },
    };
    return () => worker.terminate();
  }, []);
  return previews;
}
