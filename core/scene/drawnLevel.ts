import { pyramidLevel } from "../geometry/pyramid";
import { EMOJI_LEVELS, EMOJI_SIDE } from "../type/emojiPictures";
import { type EmojiNode, type PictureNode } from "./displayList";

/** The working copy a node is drawn from. @param scale output pixels per design unit */
export const pictureLevel = (node: PictureNode, scale: number): number =>
  pyramidLevel(node.leastScale * scale, node.levels);

/** How far a scene may shrink an emoji while it moves. */
const LEAST_MOTION_SCALE = 0.75;

export const emojiLevel = (node: EmojiNode, scale: number): number =>
  pyramidLevel((node.place.width * scale * LEAST_MOTION_SCALE) / EMOJI_SIDE, EMOJI_LEVELS);
