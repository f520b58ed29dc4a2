import { type ClipNode, type PictureNode } from "../core/scene/displayList";

/** The part of a 2D canvas context that painting uses; browsers and Node canvases both have it. */
export type PaintContext = CanvasRenderingContext2D | OffscreenCanvasRenderingContext2D;

/** A surface to paint on that can be drawn onto another. */
export interface Surface {
  readonly width: number;
  readonly height: number;
  readonly context: PaintContext;
  readonly image: CanvasImageSource;
}

/** A frame of a clip, ready to be drawn. */
export interface DecodedFrame {
  readonly image: CanvasImageSource;
  readonly width: number;
  readonly height: number;
}

/** What painting needs from where it runs. Pictures must be decoded before; a missing one is left out of the frame. */
export interface PaintResources {
  surface(width: number, height: number): Surface;
  path(): Path2D;
  /** A working copy of a picture, its colours changed as the node has it. */
  picture(node: PictureNode, level: number): CanvasImageSource | null;
  /** The frame that a use of a clip shows, with the pixel size it was decoded at. */
  clipFrame(node: ClipNode): DecodedFrame | null;
  emoji(code: string, level: number): CanvasImageSource | null;
}
