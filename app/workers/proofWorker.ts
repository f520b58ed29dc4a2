import { type Facts } from "../../core/document/facts";
import { type PictureCache, pictureCache } from "../proof/browserResources";
import { canDecodeFrames, openClipDecoder } from "../proof/clipDecoder";
import { openClipFrames } from "../proof/clipFrames";
import { type FromProofs, type StageNews, type ToProofs, type ToStage } from "../proof/proofMessages";
import { type RelayedClips, openRelayedClips } from "../proof/relayedClips";
import { type Stage, type StageMemory, newStageMemory, openStage } from "../proof/stage";
import { openShowQueue } from "../proof/showQueue";

/** Prepares and paints everything that a page shows of promotions, so that typing and scrolling never wait for it. */

interface OpenStage {
  readonly stage: Stage;
  readonly isPreview: boolean;
  readonly relayed: RelayedClips;
  facts: Facts | null;
}

const MOST_PICTURE_BYTES = 400_000_000;
const stages = new Map<string, OpenStage>();
const pictures: PictureCache = pictureCache(MOST_PICTURE_BYTES);
const queue = openShowQueue();
const send = (message: FromProofs): void => postMessage(message, { transfer: movedWith(message) });
const movedWith = (message: FromProofs): Transferable[] => (message.kind === "stage" ? bitmapsIn(message.news) : []);
function bitmapsIn(news: StageNews): ImageBitmap[] {
  if (news.kind === "painted") return news.frames.map(({ bitmap }) => bitmap);
  return news.kind === "cell" ? [news.bitmap] : [];
}

let ticking = false;
function tick(now: number): void {
  const going = [...stages.values()].map(({ stage }) => stage.tick(now)).some(Boolean);
  ticking = going;
  if (going) requestAnimationFrame(tick);
}

/** What was prepared of what is shown by name, so that the next desk of a promotion begins where this one is. */
const memories = new Map<string, StageMemory>();
const MOST_MEMORIES = 3;

function memoryOf(name: string | undefined): StageMemory {
  const memory = (name && memories.get(name)) || newStageMemory();
  if (name === undefined) return memory;
  memories.delete(name);
  memories.set(name, memory);
  const [oldest] = memories.keys();
  if (memories.size > MOST_MEMORIES && oldest !== undefined) memories.delete(oldest);
  return memory;
}

function open(name: string, { isPreview, of }: Extract<ToStage, { kind: "open" }>): OpenStage {
  const say = (news: StageNews): void => send({ kind: "stage", stage: name, news });
  const relayed = openRelayedClips((wanted) => say({ kind: "want clip", wanted }));
  let viewers = 0;
  const stage = openStage({
    isPreview,
    memory: memoryOf(of),
    // Where the page's videos serve instead, every frame would be a seek of theirs; the server looks before a render.
    checksFrames: !isPreview && canDecodeFrames(),
    pictures,
    say,
    openClips(factsOf) {
      // The proofs and the wall show the same uses at different frames.
      const viewer = ++viewers;
      return openClipFrames(
        (clip, use) => (canDecodeFrames() ? openClipDecoder(clip) : relayed.open(clip, `${viewer}/${use}`)),
        factsOf,
      );
    },
  });
  return { stage, isPreview, relayed, facts: null };
}

function tellStage(name: string, message: ToStage): void {
  if (message.kind === "open") {
    stages.set(name, open(name, message));
    return;
  }
  const own = stages.get(name);
  if (!own) return;
  const { stage, isPreview, relayed } = own;
  switch (message.kind) {
    case "size":
      stage.size(message.format, message.size);
      return;
    case "show": {
      const facts = (own.facts = message.facts ?? own.facts);
      if (!facts) return;
      const show = (): Promise<void> => stage.show(message.document, facts, message.rest);
      if (isPreview) queue.add(name, show);
      else void show();
      return;
    }
    case "rest":
      void stage.rest(message.rest);
      return;
    case "wall":
      stage.wall(message.sizes);
      return;
    case "play":
      stage.play(message.from, message.at - performance.timeOrigin);
      if (!ticking) requestAnimationFrame(tick);
      ticking = true;
      return;
    case "frame": {
      const answer = (blob: Blob | null, reason: string): void =>
        send({ kind: "stage", stage: name, news: { kind: "frame", ask: message.ask, blob, reason } });
      stage.frame(message.format, message.quality).then(
        (blob) => answer(blob, ""),
        (error: unknown) => answer(null, error instanceof Error ? error.message : String(error)),
      );
      return;
    }
    case "clip frame":
      relayed.take(message.sent, message.bitmap);
      return;
    case "close":
      queue.drop(name);
      stage.close();
      stages.delete(name);
  }
}

addEventListener("message", ({ data }: MessageEvent<ToProofs>) => tellStage(data.stage, data.message));
send({ kind: "ready" });
