import { type FromProofs, type StageNews, type ToProofs, type ToStage } from "./proofMessages";

/** The worker that prepares and paints everything that this page shows of promotions. */
export interface Proofs {
  tell(stage: string, message: ToStage): void;
  /** Hands a canvas over, once. Gives the number it is known by; the same whenever it is asked again. */
  canvas(canvas: HTMLCanvasElement): number;
  /** Calls back with what the worker says of one stage. Gives the way to stop listening. */
  listen(stage: string, listener: (news: StageNews) => void): () => void;
}

/** A canvas that has been out of the page for so long does not come back. */
const FORGOTTEN_AFTER_MS = 5000;

let opened: Proofs | null = null;

/** The page's one worker, started when it is first asked for. It goes with the page. */
export const proofs = (): Proofs => (opened ??= openProofs());

function openProofs(): Proofs {
  const worker = new Worker(new URL("../workers/proofWorker.ts", import.meta.url), { type: "module" });
  const listeners = new Map<string, (news: StageNews) => void>();
  const canvases = new Map<HTMLCanvasElement, number>();
  // Its modules wait for WebAssembly, and what comes before they listen would be lost: so it says when it does.
  let waiting: { readonly message: ToProofs; readonly moved: Transferable[] }[] | null = [];
  let last = 0;

  function post(message: ToProofs, moved: Transferable[] = []): void {
    if (waiting) waiting.push({ message, moved });
    else worker.postMessage(message, moved);
  }

  worker.onmessage = ({ data }: MessageEvent<FromProofs>) => {
    if (data.kind === "stage") {
      listeners.get(data.stage)?.(data.news);
      return;
    }
    const early = waiting ?? [];
    waiting = null;
    for (const { message, moved } of early) worker.postMessage(message, moved);
  };

  function forgetGone(): void {
    for (const [canvas, id] of canvases)
      if (!canvas.isConnected) {
        canvases.delete(canvas);
        post({ kind: "forget canvas", id });
      }
  }

  return {
    tell(stage, message) {
      post({ kind: "stage", stage, message }, message.kind === "clip frame" ? [message.bitmap] : []);
      if (message.kind === "close") setTimeout(forgetGone, FORGOTTEN_AFTER_MS);
    },
    canvas(canvas) {
      const known = canvases.get(canvas);
      if (known !== undefined) return known;
      const id = ++last;
      canvases.set(canvas, id);
      const given = canvas.transferControlToOffscreen();
      post({ kind: "canvas", id, canvas: given }, [given]);
      return id;
    },
    listen(stage, listener) {
      listeners.set(stage, listener);
      return () => listeners.delete(stage);
    },
  };
}
