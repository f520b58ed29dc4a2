import { type VideoFrame } from "./videoFrames";

export type Rgb = readonly [number, number, number];
/** The demo brand's colours of plates. */
export const CARD: Rgb = [0xff, 0xfa, 0xf0];
export const INK: Rgb = [0x1f, 0x2a, 0x24];

/** Whether a pixel is of a colour, or nearly so. */
export const isOf = ({ data, width }: VideoFrame, color: Rgb, x: number, y: number): boolean =>
  color.every((value, channel) => Math.abs((data[(y * width + x) * 3 + channel] ?? 0) - value) < 26);

/** The longest unbroken run of a colour in any row between two shares of the height: of a plate, above what is on it. */
export function widest(
  frame: VideoFrame,
  color: Rgb,
  from: number,
  to: number,
): { readonly left: number; readonly width: number } {
  let best = { left: 0, width: 0 };
  for (let y = Math.floor(from * frame.height); y < to * frame.height; y++)
    for (let x = 0, left = 0; x <= frame.width; x++) {
      if (x < frame.width && isOf(frame, color, x, y)) continue;
      if (x - left > best.width) best = { left, width: x - left };
      left = x + 1;
    }
  return best;
}
