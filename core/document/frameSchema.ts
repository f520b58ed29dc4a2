import { number } from "yup";

const LONGEST_CLIP_FRAMES = 10_000_000;

/** A frame of a clip, counted from 0. */
export const frameSchema = number().integer("Frames are whole numbers.").min(0).max(LONGEST_CLIP_FRAMES);
export const frameJsonSchema = { type: "integer", minimum: 0, maximum: LONGEST_CLIP_FRAMES };
