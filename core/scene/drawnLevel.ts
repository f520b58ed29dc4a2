import { pyramidLevel } from "../geometry/pyramid";
import { EMOJI_LEVELS, EMOJI_SIDE } from "../type/emojiPictures";
import { TEXTURE_LEVELS } from "../picture/textures";
import { type EmojiNode, type PictureNode } from "./displayList";

/**
 * The working copy a node is drawn from. Places are snapped to whole pixels, and a turned picture is resampled a little
 * off its own pixels, so one that would be drawn at barely half its size is drawn from the next smaller copy.
 *
 * @param scale output pixels per design unit
 */
export function pictureLevel({ leastScale, levels, place }: PictureNode, scale: number): number {
  const snapped = 1 - 1 / (Math.min(place.width, place.height) * scale);
  return pyramidLevel(leastScale * scale * Math.min(LEAST_TURNED, Math.max(0.5, snapped)), levels);
}

const LEAST_TURNED = 0.98;

/** How far a scene may shrink what it shows while it moves. */
const LEAST_MOTION_SCALE = 0.75;

/** Which size of a texture's tile is drawn: at half its size or above, also while what it is laid over comes in. */
export const textureLevel = (scale: number): number => pyramidLevel(scale * LEAST_MOTION_SCALE, TEXTURE_LEVELS);

export const emojiLevel = (node: EmojiNode, scale: number): number =>
  pyramidLevel((node.place.width * scale * LEAST_MOTION_SCALE) / EMOJI_SIDE, EMOJI_LEVELS);
