import { resolvePromotion } from "../../core/document/resolve";
import { formatOf, type FormatName } from "../../core/placement/formats";
import { type DisplayList, everyNode } from "../../core/scene/displayList";
import {
  type PreparedPromotion,
  displayListAt,
  preparePromotion,
  settledTime,
} from "../../core/scene/preparePromotion";
import { fontFilesWanted } from "../../core/scene/wantedFiles";
import { type Painter, createPainter } from "../../paint/painter";
import { browserBook, openFiles } from "../proof/browserBook";
import { browserResources } from "../proof/browserResources";
import { withShownTones } from "../proof/browserTones";
import { type FromPreviews, type PreviewCanvas, type ToPreviews } from "./previewMessages";
import { ticksOf } from "../../core/time/ticks";

/** Paints the previews of a page off the page's own thread, so that a gallery scrolls while they are made and played. */

interface Screen {
  readonly context: OffscreenCanvasRenderingContext2D;
  readonly painter: Painter;
  /** Pixels a unit. */
  readonly scale: number;
}

interface Preview {
  readonly screens: ReadonlyMap<FormatName, Screen>;
  prepared: readonly PreparedPromotion[];
  /** The scene it rests at. */
  scene: number;
  /** When it began to play, in milliseconds of the worker's clock; null while it rests. */
  started: number | null;
  /** Counts what it was told to show, so that what is overtaken is dropped. */
  turn: number;
}

const previews = new Map<string, Preview>();
const posters = new Map<string, ImageBitmap>();
const say = (message: FromPreviews): void => postMessage(message);

/** Clips stand still in previews: their poster is shown, since a worker has no video. */
const resources = browserResources(({ media }) => {
  const poster = posters.get(media);
  return poster ? { image: poster, width: poster.width, height: poster.height } : null;
});

/** The smallest copy of a clip's poster that does for a preview. */
const POSTER_LEVEL = 1;

async function loadPosters(list: DisplayList): Promise<void> {
  const clips = new Set([...everyNode(list)].flatMap((node) => (node.kind === "clip" ? [node.media] : [])));
  await Promise.all(
    [...clips]
      .filter((media) => !posters.has(media))
      .map(async (media) => {
        const response = await fetch(`/media/${media}/level-${POSTER_LEVEL}`);
        if (response.ok) posters.set(media, await createImageBitmap(await response.blob()));
      }),
  );
}

function openPreview(canvases: readonly PreviewCanvas[]): Preview {
  const screens = new Map(canvases.map((canvas) => [canvas.format, openScreen(canvas)]));
  return { screens, prepared: [], scene: 0, started: null, turn: 0 };
}

function openScreen({ format, canvas, width, height }: PreviewCanvas): Screen {
  const shape = formatOf(format);
  Object.assign(canvas, { width, height });
  const context = canvas.getContext("2d", { alpha: false });
  if (!context) throw new Error("This browser gives no canvas to paint on.");
  const painter = createPainter(shape, { width, height }, resources);
  return { context, painter, scale: Math.min(width / shape.width, height / shape.height) };
}

/** Paints the frame of a time in all its formats; waits for what it shows when `whole`. */
async function paint(preview: Preview, time: number, whole: boolean): Promise<void> {
  for (const prepared of preview.prepared) {
    const screen = preview.screens.get(prepared.format);
    if (!screen) continue;
    const { context, painter, scale } = screen;
    const list = displayListAt(prepared, ticksOf(time));
    if (whole) await Promise.all([resources.load(list, scale), loadPosters(list)]);
    else if (!resources.has(list, scale))
      void Promise.all([resources.load(list, scale), loadPosters(list)]).catch(() => undefined);
    painter.paint(list, context);
  }
}

function restingTime({ prepared: [first], scene }: Preview): number {
  const span = first?.spans[scene] ?? first?.spans[0];
  return span ? settledTime(span) : 0;
}

async function show(name: string, preview: Preview, message: Extract<ToPreviews, { kind: "show" }>): Promise<void> {
  const turn = ++preview.turn;
  const book = await browserBook();
  const facts = await withShownTones(resolvePromotion(message.document, message.facts), message.facts);
  const promotion = resolvePromotion(message.document, facts);
  for (let wanted = fontFilesWanted(promotion, book); wanted.length > 0; wanted = fontFilesWanted(promotion, book))
    await openFiles(book, wanted);
  if (turn !== preview.turn) return;
  preview.scene = message.scene;
  preview.prepared = [...preview.screens.keys()].map((format) => preparePromotion(promotion, format, book));
  if (preview.started === null) await paint(preview, restingTime(preview), true);
  say({ kind: "shown", preview: name });
}

/** What is still to be shown, the newest last: that is what has just come into view. */
const waiting = new Map<string, Extract<ToPreviews, { kind: "show" }>>();
/** How many are made at once: one computes while another waits for its pictures. */
const LANES = 2;
let busy = 0;

function showNext(): void {
  const [name, message] = [...waiting].at(-1) ?? [];
  if (busy >= LANES || name === undefined || message === undefined) return;
  waiting.delete(name);
  const preview = previews.get(name);
  if (!preview) {
    showNext();
    return;
  }
  busy++;
  show(name, preview, message)
    .catch((error: unknown) =>
      say({ kind: "failed", preview: name, reason: error instanceof Error ? error.message : String(error) }),
    )
    .finally(() => {
      busy--;
      showNext();
    });
  showNext();
}

let ticking = false;
function tick(now: number): void {
  let playing = false;
  for (const [name, preview] of previews) {
    if (preview.started === null) continue;
    const time = now - preview.started;
    const length = preview.prepared[0]?.length ?? 0;
    if (time >= length) {
      preview.started = null;
      void paint(preview, restingTime(preview), true).catch(() => undefined);
      say({ kind: "ended", preview: name });
      continue;
    }
    playing = true;
    void paint(preview, time, false);
  }
  ticking = playing;
  if (playing) requestAnimationFrame(tick);
}

addEventListener("message", ({ data }: MessageEvent<ToPreviews>) => {
  if (data.kind === "open") {
    previews.set(data.preview, openPreview(data.canvases));
    return;
  }
  const preview = previews.get(data.preview);
  if (!preview) return;
  switch (data.kind) {
    case "show":
      // Put last, even where it was waiting already.
      waiting.delete(data.preview);
      waiting.set(data.preview, data);
      showNext();
      return;
    case "play":
      preview.started = performance.now();
      if (!ticking) requestAnimationFrame(tick);
      ticking = true;
      return;
    case "rest":
      preview.started = null;
      void paint(preview, restingTime(preview), true).catch(() => undefined);
      return;
    case "close":
      previews.delete(data.preview);
  }
});
say({ kind: "ready" });
