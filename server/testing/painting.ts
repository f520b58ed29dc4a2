import { type Canvas, Path2D as NodePath } from "@napi-rs/canvas";
import { type PaintResources } from "../../paint/resources";
import { nodeSurface } from "../render/nodeResources";

/** A canvas as a picture to paint: its types are Node's own; what it does is what a browser's does. */
export const imageOf = (canvas: Canvas): CanvasImageSource => canvas as unknown as CanvasImageSource;

/** What painting needs, with one picture for all: no clips, no emoji. */
export const resourcesWith = (picture: () => CanvasImageSource | null): PaintResources => ({
  surface: nodeSurface,
  path: () => new NodePath(),
  picture,
  clipFrame: () => null,
  emoji: () => null,
});
