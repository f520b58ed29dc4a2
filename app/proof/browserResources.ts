import { type BoundedCache, boundedCache } from "./boundedCache";
import { type Facts } from "../../core/document/facts";
import { type Size } from "../../core/geometry/rect";
import { type LookupTable, applyTable } from "../../core/grading/lookupTable";
import { QUICK_TABLE_BYTES, type QuickTable, quickTable } from "../../core/grading/quickTable";
import { type ClipNode, type DisplayList, type PictureNode, everyNode } from "../../core/scene/displayList";
import { emojiLevel, pictureLevel } from "../../core/scene/drawnLevel";
import { type DecodedFrame, type PaintResources, type Surface } from "../../paint/resources";
import { mediaAddress } from "../components/mediaAddress";

/** Pictures, emoji and clip frames for painting in the browser. */
export interface BrowserResources extends PaintResources {
  /** Starts fetching what a list needs at a scale; resolves when all of it can be painted. */
  load(list: DisplayList, scale: number): Promise<void>;
  /** Whether everything a list needs at a scale is here. */
  has(list: DisplayList, scale: number): boolean;
}

/** Pictures and emoji that were fetched and decoded, up to a number of bytes. Shared by all that a page shows. */
export interface PictureCache {
  readonly bitmaps: BoundedCache<ImageBitmap | OffscreenCanvas>;
  readonly fetching: Map<string, Promise<void>>;
}

/** @param most bytes of decoded pixels */
export function pictureCache(most: number): PictureCache {
  const fetching = new Map<string, Promise<void>>();
  const forget = (key: string, picture: ImageBitmap | OffscreenCanvas): void => {
    fetching.delete(key);
    if ("close" in picture) picture.close();
  };
  return { bitmaps: boundedCache(most, forget, () => performance.now()), fetching };
}

/** @param clips gives what a use of a clip shows now @param factsOf gives what is known of media now */
export function browserResources(
  { bitmaps, fetching }: PictureCache,
  clips: (node: ClipNode) => DecodedFrame | null,
  factsOf: () => Facts | null,
): BrowserResources {
  const wantedPicture = ({ media, table }: PictureNode, level: number): WantedPicture => ({
    address: mediaAddress(factsOf()?.media[media] ?? { id: media }, `level-${level}`),
    table,
  });

  function fetchOnce(wanted: WantedPicture): Promise<void> {
    const key = pictureKey(wanted);
    const known = fetching.get(key) ?? fetchBitmap(wanted);
    fetching.set(key, known);
    known.catch(() => fetching.delete(key));
    return known;
  }

  async function fetchBitmap(wanted: WantedPicture): Promise<void> {
    const response = await fetch(wanted.address);
    // Who is signed out meanwhile is led to the sign-in page, which is no picture.
    if (response.redirected) throw new Error("A picture could not be fetched: you are signed out.");
    if (!response.ok) throw new Error(`A picture could not be fetched (${response.status}).`);
    const bitmap = await createImageBitmap(await response.blob());
    const { table } = wanted;
    const picture = table ? changed(bitmap, bitmap, (pixels) => applyTable(pixels, table)) : bitmap;
    bitmaps.put(pictureKey(wanted), picture, picture.width * picture.height * BYTES_PER_PIXEL);
  }

  const wantedOf = (list: DisplayList, scale: number): WantedPicture[] =>
    [...everyNode(list)].flatMap((node) => {
      if (node.kind === "picture") return [wantedPicture(node, pictureLevel(node, scale))];
      return node.kind === "emoji" ? [{ address: emojiAddress(node.code, emojiLevel(node, scale)) }] : [];
    });

  function clipFrame(node: ClipNode): DecodedFrame | null {
    const frame = clips(node);
    return frame && node.table ? tabledFrame(frame, node.table) : frame;
  }

  return {
    surface: browserSurface,
    path: () => new Path2D(),
    picture: (node, level) => bitmaps.get(pictureKey(wantedPicture(node, level))),
    emoji: (code, level) => bitmaps.get(emojiAddress(code, level)),
    clipFrame,
    load: async (list, scale) => {
      await Promise.all(wantedOf(list, scale).map(fetchOnce));
    },
    has: (list, scale) => wantedOf(list, scale).every((wanted) => bitmaps.has(pictureKey(wanted))),
  };
}

/** Frames with their colours changed: one is shown in several formats, and again while time stands. */
const tabledFrames = new WeakMap<CanvasImageSource, { readonly table: string; readonly shown: DecodedFrame }>();

const MOST_TABLES = 4;
/** Of the looks that clips were shown in last. */
const quickTables = boundedCache<QuickTable>(
  MOST_TABLES * QUICK_TABLE_BYTES,
  () => undefined,
  () => performance.now(),
);

function tabledFrame(frame: DecodedFrame, table: LookupTable): DecodedFrame {
  const known = tabledFrames.get(frame.image);
  if (known?.table === table.id) return known.shown;
  const quick = quickTables.get(table.id) ?? quickTable(table);
  quickTables.put(table.id, quick, QUICK_TABLE_BYTES);
  const shown = { ...frame, image: changed(frame.image, frame, (pixels) => quick.apply(pixels)) };
  tabledFrames.set(frame.image, { table: table.id, shown });
  return shown;
}

const BYTES_PER_PIXEL = 4;

/** A picture to fetch, and how its colours are to be changed. */
interface WantedPicture {
  readonly address: string;
  readonly table?: LookupTable | undefined;
}

const pictureKey = ({ address, table }: WantedPicture): string => (table ? `${address}#${table.id}` : address);

/** A picture with its colours changed. */
function changed(
  image: CanvasImageSource,
  { width, height }: Size,
  change: (pixels: Uint8ClampedArray) => void,
): OffscreenCanvas {
  const canvas = new OffscreenCanvas(width, height);
  const context = canvas.getContext("2d", { willReadFrequently: true });
  if (!context) throw new Error("This browser gives no canvas to paint on.");
  context.drawImage(image, 0, 0);
  const pixels = context.getImageData(0, 0, width, height);
  change(pixels.data);
  context.putImageData(pixels, 0, 0);
  return canvas;
}
const emojiAddress = (code: string, level: number): string => `/emoji/${code}/${level}`;

export function browserSurface(width: number, height: number): Surface {
  const canvas = new OffscreenCanvas(width, height);
  const context = canvas.getContext("2d", { willReadFrequently: true });
  if (!context) throw new Error("This browser gives no canvas to paint on.");
  return { width, height, context, image: canvas };
}
