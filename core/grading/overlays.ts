import { type Channels } from "./lookupTable";

/** What can be laid over a picture, besides a change of its colours. */
export const OVERLAYS = ["vignette", "grain", "paper", "light from the side", "light from a corner", "frame"] as const;
export type OverlayName = (typeof OVERLAYS)[number];

/** How dark a whole vignette is in the corners, and how much a whole light adds where it comes in. */
export const DARKEST = 0.8;
export const BRIGHTEST = 0.75;
/** The colour of light that leaks in. */
export const LEAKED = "#ff9a4d";
const LEAKED_CHANNELS: Channels = [1, 154 / 255, 77 / 255];

/**
 * The farthest an overlay takes the colours under it, for judging what can be read on them; null for what hardly changes
 * them, or not where words are.
 */
export function farthestChange(name: OverlayName, strength: number): ((color: Channels) => Channels) | null {
  switch (name) {
    case "vignette": {
      const left = 1 - DARKEST * strength;
      return ([red, green, blue]) => [red * left, green * left, blue * left];
    }
    case "light from the side":
    case "light from a corner": {
      const lit = (channel: number, at: 0 | 1 | 2): number =>
        1 - (1 - channel) * (1 - LEAKED_CHANNELS[at] * BRIGHTEST * strength);
      return ([red, green, blue]) => [lit(red, 0), lit(green, 1), lit(blue, 2)];
    }
    case "grain":
    case "paper":
    case "frame":
      return null;
  }
}
