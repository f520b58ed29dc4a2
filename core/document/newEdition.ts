import { isLocked, templateOf } from "./design";
import { type TemplatesByRef } from "./facts";
import { type Adjustment, FIELDS, FIELD_IDS } from "./fields";
import { type Adjustments, readAdjustmentKey } from "./adjustments";
import { type Promotion, type PromotionScene, type TemplateRef } from "./promotion";
import { newScene, takenIds } from "./sceneIds";
import { orderedRecord } from "./ordered";
import { type ListedScene, scenesInOrder } from "./sceneList";
import { type SceneTemplate } from "./sceneTemplate";
import { type Template } from "./template";

/**
 * The scenes of a promotion on another edition of its own template. What the filler did stays: scenes of other templates,
 * repeated and taken-out ones. Scenes that are new in it come in.
 */
export function scenesInEdition(
  document: Promotion,
  templates: TemplatesByRef,
  ref: TemplateRef,
  template: Template,
): Promotion["scenes"] {
  type Coming = Pick<ListedScene, "id" | "from">;
  const before = templateOf(templates, document.template);
  const isOwn = ({ from }: PromotionScene): boolean => from.slug === ref.slug;
  const onEdition = ({ id, from }: ListedScene): Coming => ({
    id,
    from: { slug: ref.slug, edition: ref.edition, scene: from.scene },
  });
  const taken = takenIds(document);
  const all = scenesInOrder(document);
  const first = template.scenes.flatMap((scene): Coming[] => {
    const own = all.find((one) => isOwn(one) && one.from.scene === scene.id);
    if (own) return [onEdition(own)];
    const wasTakenOut = before.scenes.some(({ id }) => id === scene.id) && scene.allows.remove;
    return wasTakenOut ? [] : [newScene(ref, scene.id, taken)];
  });
  // The others come behind what they stood behind.
  const scenes = all.reduce((placed, one, index) => {
    if (placed.some(({ id }) => id === one.id)) return placed;
    const isKnown = template.scenes.some(({ id }) => id === one.from.scene);
    if (isOwn(one) && !isKnown) return placed;
    const behind =
      all
        .slice(0, index)
        .map(({ id }) => placed.findIndex((scene) => scene.id === id))
        .findLast((at) => at >= 0) ?? -1;
    return placed.toSpliced(behind + 1, 0, isOwn(one) ? onEdition(one) : one);
  }, first);
  return orderedRecord(
    scenes.map(({ id, from }) => ({ id, from })),
    document.scenes,
  );
}

/**
 * What was set in some scenes, as far as their templates let a filler set it and have the slot that it was set for. What
 * was set for the whole promotion stays.
 */
export function allowedAdjustments(
  adjustments: Adjustments,
  scenes: Promotion["scenes"],
  originOf: (scene: PromotionScene) => SceneTemplate,
): Adjustments {
  return Object.fromEntries(
    Object.entries(adjustments).flatMap(([key, adjustment]): [string, Adjustment][] => {
      const { target } = readAdjustmentKey(key);
      if (!target || "item" in target) return [[key, adjustment]];
      const scene = scenes[target.scene];
      const origin = scene && originOf(scene);
      const slot = origin?.slots.find(({ id }) => id === target.slot);
      if (!origin || (target.slot !== undefined && !slot)) return [];
      const kept = FIELD_IDS.filter(
        (id) =>
          adjustment[id] !== undefined &&
          FIELDS[id].of === (slot ? "slot" : "scene") &&
          !isLocked(id, { origin, slot }),
      );
      return kept.length > 0 ? [[key, Object.fromEntries(kept.map((id) => [id, adjustment[id]]))]] : [];
    }),
  );
}
