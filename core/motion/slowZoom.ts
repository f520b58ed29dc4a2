/** How much a still picture grows over its scene, to give it movement (common practice). */
export const ZOOM_GAIN = 0.08;

/** The zoom of a still at a time in its scene: from 1 to 1 + ZOOM_GAIN, or back again when `outwards`. Even speed. */
export function slowZoom(time: number, length: number, outwards = false): number {
  const progress = Math.min(1, Math.max(0, time / length));
  return 1 + ZOOM_GAIN * (outwards ? 1 - progress : progress);
}
