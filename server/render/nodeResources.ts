import {
  type Image,
  type SKRSContext2D,
  Path2D as NodePath,
  createCanvas,
  ImageData,
  loadImage,
  type Canvas,
} from "@napi-rs/canvas";
import { type DisplayList, everyNode } from "../../core/scene/displayList";
import { emojiLevel, pictureLevel } from "../../core/scene/drawnLevel";
import { type PaintContext, type PaintResources, type Surface } from "../../paint/resources";
import { emojiFile } from "../faces/emojiFiles";
import { levelKey } from "../storage/keys";
import { store } from "../storage/store";

/**
 * Node's canvas follows the same interface as the browser's but has types of its own; these two functions are the one
 * place where the two are said to be the same.
 */
const asContext = (context: SKRSContext2D): PaintContext => context as unknown as PaintContext;
const asImage = (image: Image | Canvas): CanvasImageSource => image as unknown as CanvasImageSource;

/** Pictures, emoji and clip frames for painting on the server. */
export interface NodeResources extends PaintResources {
  /** Decodes the pictures and emoji a list needs. Must be awaited before the list is painted at `scale` pixels a unit. */
  load(list: DisplayList, scale: number): Promise<void>;
  /** Sets the frame that a clip shows next. */
  setClipFrame(media: string, pixels: Uint8ClampedArray, width: number, height: number): void;
}

/** Decoded pictures by file, shared by the segments a thread renders one after another. The longest unused goes first. */
const decoded = new Map<string, Promise<Image>>();
const MOST_DECODED = 8;

function decode(file: string): Promise<Image> {
  const image = decoded.get(file) ?? loadImage(file);
  decoded.delete(file);
  decoded.set(file, image);
  const [oldest] = decoded.keys();
  if (decoded.size > MOST_DECODED && oldest !== undefined) decoded.delete(oldest);
  image.catch(() => decoded.delete(file));
  return image;
}

/** @param hashes SHA-256 of each media item by id */
export function nodeResources(hashes: Readonly<Record<string, string>>): NodeResources {
  const pictures = new Map<string, Image | null>();
  const clips = new Map<string, { surface: Canvas; width: number; height: number }>();

  async function loadOnce(key: string, file: () => Promise<string>): Promise<void> {
    if (pictures.has(key)) return;
    pictures.set(key, await decode(await file()));
  }

  const levelFile = async (media: string, level: number): Promise<string> => {
    const hash = hashes[media];
    if (!hash) throw new Error(`There is no stored picture for media item ${media}.`);
    return store().local(levelKey(hash, level));
  };

  return {
    surface: (width, height) => nodeSurface(width, height),
    path: () => new NodePath(),
    picture: (media, level) => found(pictures.get(`${media}/${level}`)),
    emoji: (code, level) => found(pictures.get(`emoji/${code}/${level}`)),
    clipFrame(media) {
      const clip = clips.get(media);
      return clip ? { image: asImage(clip.surface), width: clip.width, height: clip.height } : null;
    },
    async load(list, scale) {
      for (const node of everyNode(list)) {
        if (node.kind === "picture") {
          const level = pictureLevel(node, scale);
          await loadOnce(`${node.media}/${level}`, () => levelFile(node.media, level));
        } else if (node.kind === "emoji") {
          const level = emojiLevel(node, scale);
          await loadOnce(`emoji/${node.code}/${level}`, () => emojiFile(node.code, level));
        }
      }
    },
    setClipFrame(media, pixels, width, height) {
      const clip = clips.get(media);
      const surface = clip?.width === width && clip.height === height ? clip.surface : createCanvas(width, height);
      surface.getContext("2d").putImageData(new ImageData(pixels, width, height), 0, 0);
      clips.set(media, { surface, width, height });
    },
  };
}

const found = (image: Image | null | undefined): CanvasImageSource | null => (image ? asImage(image) : null);

export interface NodeSurface extends Surface {
  readonly canvas: Canvas;
}

export function nodeSurface(width: number, height: number): NodeSurface {
  const canvas = createCanvas(width, height);
  return { width, height, canvas, context: asContext(canvas.getContext("2d")), image: asImage(canvas) };
}
