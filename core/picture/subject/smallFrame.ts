/** A small frame of a clip: RGB bytes, row by row. */
export interface SmallFrame {
  readonly width: number;
  readonly height: number;
  readonly rgb: Uint8Array;
}
