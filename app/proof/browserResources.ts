import { type DisplayList, everyNode } from "../../core/scene/displayList";
import { emojiLevel, pictureLevel } from "../../core/scene/drawnLevel";
import { type PaintResources, type Surface } from "../../paint/resources";
import { type ClipPlayer } from "./clipPlayer";

/** Pictures, emoji and clip frames for painting in the browser. Shared by all proofs of a page. */
export interface BrowserResources extends PaintResources {
  /** Starts fetching what a list needs at a scale; resolves when all of it can be painted. */
  load(list: DisplayList, scale: number): Promise<void>;
  /** Whether everything a list needs at a scale is here. */
  has(list: DisplayList, scale: number): boolean;
}

/** @param clips the players of the page's clips, by media id */
export function browserResources(clips: (media: string) => ClipPlayer): BrowserResources {
  const bitmaps = new Map<string, ImageBitmap>();
  const fetching = new Map<string, Promise<void>>();

  function fetchOnce(address: string): Promise<void> {
    const known = fetching.get(address) ?? fetchBitmap(address);
    fetching.set(address, known);
    known.catch(() => fetching.delete(address));
    return known;
  }

  async function fetchBitmap(address: string): Promise<void> {
    const response = await fetch(address);
    if (!response.ok) throw new Error(`A picture could not be fetched (${response.status}).`);
    bitmaps.set(address, await createImageBitmap(await response.blob()));
  }

  const addresses = (list: DisplayList, scale: number): string[] =>
    [...everyNode(list)].flatMap((node) =>
      node.kind === "picture"
        ? [pictureAddress(node.media, pictureLevel(node, scale))]
        : node.kind === "emoji"
          ? [emojiAddress(node.code, emojiLevel(node, scale))]
          : [],
    );

  return {
    surface: browserSurface,
    path: () => new Path2D(),
    picture: (media, level) => bitmaps.get(pictureAddress(media, level)) ?? null,
    emoji: (code, level) => bitmaps.get(emojiAddress(code, level)) ?? null,
    clipFrame: (media, frame) => clips(media).image(frame),
    load: async (list, scale) => {
      await Promise.all(addresses(list, scale).map(fetchOnce));
    },
    has: (list, scale) => addresses(list, scale).every((address) => bitmaps.has(address)),
  };
}

const pictureAddress = (media: string, level: number): string => `/media/${media}/level-${level}`;
const emojiAddress = (code: string, level: number): string => `/emoji/${code}/${level}`;

export function browserSurface(width: number, height: number): Surface {
  const canvas = new OffscreenCanvas(width, height);
  const context = canvas.getContext("2d", { willReadFrequently: true });
  if (!context) throw new Error("This browser gives no canvas to paint on.");
  return { width, height, context, image: canvas };
}
