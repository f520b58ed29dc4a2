import { type Facts } from "../../core/document/facts";
import { type Promotion } from "../../core/document/promotion";
import { type FormatName } from "../../core/placement/formats";

/** A canvas of a preview and its size in pixels. */
export interface PreviewCanvas {
  readonly format: FormatName;
  readonly canvas: OffscreenCanvas;
  readonly width: number;
  readonly height: number;
}

/** What the page tells the preview worker. Previews are told apart by a name. */
export type ToPreviews =
  | { readonly kind: "open"; readonly preview: string; readonly canvases: readonly PreviewCanvas[] }
  | {
      readonly kind: "show";
      readonly preview: string;
      readonly document: Promotion;
      readonly facts: Facts;
      /** The scene it rests at, counted from 0. */ readonly scene: number;
    }
  | { readonly kind: "play"; readonly preview: string }
  | { readonly kind: "rest"; readonly preview: string }
  /** It is gone from the page. */
  | { readonly kind: "close"; readonly preview: string };

/** What the worker tells of one preview. */
export type PreviewNews =
  | { readonly kind: "shown"; readonly preview: string }
  | { readonly kind: "ended"; readonly preview: string }
  | { readonly kind: "failed"; readonly preview: string; readonly reason: string };

/** What the worker tells back: first that it listens. What it is told before that would be lost. */
export type FromPreviews = { readonly kind: "ready" } | PreviewNews;
