/** The part of a 2D canvas context that painting uses; browsers and Node canvases both have it. */
export type PaintContext = CanvasRenderingContext2D | OffscreenCanvasRenderingContext2D;

/** A surface to paint on that can be drawn onto another. */
export interface Surface {
  readonly width: number;
  readonly height: number;
  readonly context: PaintContext;
  readonly image: CanvasImageSource;
}

/** What painting needs from where it runs. Pictures must be decoded before; a missing one is left out of the frame. */
export interface PaintResources {
  surface(width: number, height: number): Surface;
  path(): Path2D;
  picture(media: string, level: number): CanvasImageSource | null;
  /** A clip's frame with the pixel size it was decoded at. */
  clipFrame(
    media: string,
    frame: number,
  ): { readonly image: CanvasImageSource; readonly width: number; readonly height: number } | null;
  emoji(code: string, level: number): CanvasImageSource | null;
}
