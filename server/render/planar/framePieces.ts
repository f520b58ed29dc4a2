import { type LookupTable } from "../../../core/grading/lookupTable";
import { type Rect, type Size } from "../../../core/geometry/rect";
import { type Resampling } from "./resampling";

/** RGBA, one row after the other, colours times their alpha. */
export interface Pixels extends Size {
  readonly bytes: Uint8Array;
}

/** A decoded frame of a clip: planes, as `PlanesRoom` has them. They are another frame's when the next is put together. */
export interface ClipFrame extends Size {
  readonly planes: Uint8Array;
  /** How its colours are changed. */
  readonly table?: LookupTable | undefined;
}

/** What a frame is put together from, back to front. Places are whole pixels of the frame, and may hang over its edges. */
export type FramePiece = FilledPiece | DrawnPiece | FilmedPiece | LaidPiece | LayerPiece;

/** A place in one colour: RGBA, times its alpha, the first byte lowest. */
export interface FilledPiece {
  readonly kind: "filled";
  readonly place: Rect;
  readonly color: number;
}

/** Whether nothing is seen through a colour. */
export const isOpaqueColor = (color: number): boolean => color >>> 24 === 255;
export const OPAQUE_BLACK = 0xff000000;

/** A picture that covers what is below it, resampled. */
export interface DrawnPiece {
  readonly kind: "drawn";
  readonly pixels: Pixels;
  readonly resampling: Resampling;
}

/** A frame of a clip that covers what is below it, resampled. */
export interface FilmedPiece {
  readonly kind: "filmed";
  readonly frame: ClipFrame;
  readonly resampling: Resampling;
}

/** A part of some pixels laid over what is below, as they are. */
export interface LaidPiece {
  readonly kind: "laid";
  readonly pixels: Pixels;
  readonly part: Rect;
  readonly x: number;
  readonly y: number;
  /** Whether they cover it. */
  readonly isOpaque: boolean;
}

/** Pieces put together by themselves, and laid over what is below as one. */
export interface LayerPiece {
  readonly kind: "layer";
  /** 1 to 255. */
  readonly alpha: number;
  /** What lies outside is left out. */
  readonly cut?: Rect;
  readonly pieces: readonly FramePiece[];
}

/** A frame may have so many layers in one another. */
export const MOST_LAYERS = 3;
/** A picture may be drawn that has so many columns. */
export const MOST_COLUMNS = 8192;
