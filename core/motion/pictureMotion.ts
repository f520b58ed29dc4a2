import { type While, WHILES } from "./whileShown";
import { EXITS, type ExitKind, MOTIONS, type MotionKind } from "./wordMotion";

/** With its scene: neither before it nor after it. */
export const WITH_SCENE = "with its scene";

/** How the pictures of a scene can come in and go. */
export const PICTURE_ENTRANCES = [WITH_SCENE, ...MOTIONS.filter((one) => one !== "still")] as const;
export type PictureEntrance = typeof WITH_SCENE | Exclude<MotionKind, "still">;
export const PICTURE_EXITS = [WITH_SCENE, ...EXITS.filter((one) => one !== "as it came")] as const;
export type PictureExit = typeof WITH_SCENE | Exclude<ExitKind, "as it came">;

/** How the pictures of a scene move. */
export interface PictureMotion {
  readonly comes: PictureEntrance;
  readonly goes: PictureExit;
  readonly moves: While;
}

export const RESTING: PictureMotion = { comes: WITH_SCENE, goes: WITH_SCENE, moves: WHILES[0] };

export const isResting = ({ comes, goes, moves }: PictureMotion): boolean =>
  comes === RESTING.comes && goes === RESTING.goes && moves === RESTING.moves;
