import { type FromProofs, type StageNews, type ToProofs, type ToStage } from "./proofMessages";

/** The worker that prepares and paints everything that this page shows of promotions. */
export interface Proofs {
  tell(stage: string, message: ToStage): void;
  /** Calls back with what the worker says of one stage. Gives the way to stop listening. */
  listen(stage: string, listener: (news: StageNews) => void): () => void;
}

let opened: Proofs | null = null;

/** The page's one worker, started when it is first asked for. It goes with the page. */
export const proofs = (): Proofs => (opened ??= openProofs());

function openProofs(): Proofs {
  const worker = new Worker(new URL("../workers/proofWorker.ts", import.meta.url), { type: "module" });
  const listeners = new Map<string, (news: StageNews) => void>();
  // Its modules wait for WebAssembly, and what comes before they listen would be lost: so it says when it does.
  let waiting: { readonly message: ToProofs; readonly moved: Transferable[] }[] | null = [];

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

  return {
    tell(stage, message) {
      post({ stage, message }, message.kind === "clip frame" ? [message.bitmap] : []);
    },
    listen(stage, listener) {
      listeners.set(stage, listener);
      return () => listeners.delete(stage);
    },
  };
}
