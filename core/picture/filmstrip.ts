/** How many frames a filmstrip shows. */
export const STRIP_FRAMES = 12;

/** The frame of a clip that stands at a place of its filmstrip: the middle of the stretch that it stands for. */
export const stripFrame = (index: number, frames: number): number =>
  Math.min(frames - 1, Math.floor(((index + 0.5) * frames) / STRIP_FRAMES));
