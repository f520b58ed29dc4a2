import { itemOfKey } from "./itemKey";
import { type Promotion, type PromotionScene, type TemplateRef } from "./promotion";

/** The scene that something kept by its address belongs to; nothing for what holds for every scene, or for an item. */
export const sceneOf = (key: string): string => (itemOfKey(key) !== null ? "" : (key.split(/[.@]/)[0] ?? ""));

/** Ids that no new scene may have. What was filled in scenes that were taken out waits for them under their ids. */
export const takenIds = ({ scenes, fills, adjustments }: Promotion): Set<string> =>
  new Set([...Object.keys(scenes), ...[...Object.keys(fills), ...Object.keys(adjustments)].map(sceneOf)]);

/** An id like a wanted one that is not taken. `freeId("tip-2", new Set(["tip-2"]))` is `tip-3`. */
export function freeId(wanted: string, taken: ReadonlySet<string>): string {
  if (!taken.has(wanted)) return wanted;
  const stem = wanted.replace(/-\d+$/, "").slice(0, 54);
  let number = 2;
  while (taken.has(`${stem}-${number}`)) number++;
  return `${stem}-${number}`;
}

/** A template's scene as it comes into a promotion, under an id that is taken from then on. */
export function newScene(
  { slug, edition }: TemplateRef,
  scene: string,
  taken: Set<string>,
): { readonly id: string; readonly from: PromotionScene["from"] } {
  const id = freeId(scene, taken);
  taken.add(id);
  return { id, from: { slug, edition, scene } };
}
