import { MARK_TITLES, markOfKey } from "../document/brandMark";
import { itemOfKey } from "../document/itemKey";
import { type SceneTemplate } from "../document/sceneTemplate";
import { formatTitle } from "../placement/formats";
import { type Where } from "./finding";

/** Where something was found, in words: its scene by its number, its slot, its format. */
export function placeInWords(where: Where, scenes: readonly SceneTemplate[]): string {
  const at = scenes.findIndex(({ id }) => id === where.scene);
  const scene = scenes[at];
  const slot = scene?.slots.find(({ id }) => `${scene.id}.${id}` === where.slot);
  const mark = markOfKey(where.slot ?? "");
  return [
    scene ? `Scene ${at + 1}` : "The promotion",
    ...(slot ? [slot.label] : []),
    ...(mark ? [MARK_TITLES[mark.mark]] : []),
    ...(where.slot !== null && itemOfKey(where.slot) !== null ? ["Your own words"] : []),
    ...(where.format ? [formatTitle(where.format)] : []),
  ].join(" · ");
}
