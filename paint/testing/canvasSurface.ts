import { type Canvas, Path2D as NodePath, createCanvas } from "@napi-rs/canvas";
import { type PaintContext, type PaintResources, type Surface } from "../resources";

export interface CanvasSurface extends Surface {
  readonly canvas: Canvas;
}

/** A real canvas for a test to paint on. Its types are Node's own; what it does is what a browser's does. */
export function canvasSurface(width: number, height: number): CanvasSurface {
  const canvas = createCanvas(width, height);
  return { width, height, canvas, context: canvas.getContext("2d") as unknown as PaintContext, image: imageOf(canvas) };
}

export const imageOf = (canvas: Canvas): CanvasImageSource => canvas as unknown as CanvasImageSource;

/** What painting needs, with one picture for all: no clips, no emoji. */
export const resourcesWith = (picture: () => CanvasImageSource | null): PaintResources => ({
  surface: canvasSurface,
  path: () => new NodePath(),
  picture,
  clipFrame: () => null,
  emoji: () => null,
});
