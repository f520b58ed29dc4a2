import { membersInOrder } from "./ordered";
import { type Promotion, type PromotionScene } from "./promotion";

/** A scene with its id, as it stands among the others. */
export interface ListedScene extends PromotionScene {
  readonly id: string;
}

/** The scenes of a promotion in the order they are shown in. */
export const scenesInOrder = ({ scenes }: Pick<Promotion, "scenes">): ListedScene[] => membersInOrder(scenes);
