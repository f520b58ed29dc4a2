import { type Adjustment, FIELD_IDS, type FieldId } from "./fields";
import { type Adjustments, readAdjustmentKey } from "./adjustments";
import { type SceneTemplate } from "./sceneTemplate";
import { type Template } from "./template";

/** What templates set for one of their scenes: its own template for the scene, that of the promotion for every scene. */
export function presetsFor(own: Template, base: Template): Adjustments {
  if (own === base) return base.adjustments;
  return { ...only(own.adjustments, (isOfAll) => !isOfAll), ...only(base.adjustments, (isOfAll) => isOfAll) };
}

const only = (adjustments: Adjustments, wants: (isOfAll: boolean) => boolean): Adjustments =>
  Object.fromEntries(Object.entries(adjustments).filter(([key]) => wants(key.startsWith("@"))));

/** Fields that a scene or a slot of a template holds itself, where no format differs. */
const HELD: ReadonlySet<FieldId> = new Set<FieldId & keyof SceneTemplate>([
  "arrangement",
  "ground",
  "logo",
  "length",
  "overlap",
]);
/** What a template's style and scenes hold of that which is set for the whole promotion, and what is not for its fillers. */
const HELD_OF_ALL: ReadonlySet<FieldId> = new Set<FieldId>(["motion", "transition", "zoom", "overlap", "held"]);
const HELD_BY_SLOTS: ReadonlySet<FieldId> = new Set<FieldId>(["color", "capitals", "numbered", "emphasis", "hidden"]);

/**
 * What of the adjustments of a promotion the template made of it does not hold elsewhere: what differs in a
 * format, how single scenes look and move, and all that is set for slots and items that are still there.
 */
export function presetsOf(adjustments: Adjustments, scenes: readonly SceneTemplate[]): Adjustments {
  return Object.fromEntries(
    Object.entries(adjustments).flatMap(([key, adjustment]): [string, Adjustment][] => {
      const { target, layer } = readAdjustmentKey(key);
      if (target && "item" in target) return [];
      const scene = target && scenes.find(({ id }) => id === target.scene);
      if (target && !scene) return [];
      if (target?.slot !== undefined && !scene?.slots.some(({ id }) => id === target.slot)) return [];
      const isHeld = (id: FieldId): boolean =>
        id === "place" ||
        (layer === "@all" && HELD_OF_ALL.has(id)) ||
        (layer === "scene" && (target?.slot === undefined ? HELD : HELD_BY_SLOTS).has(id));
      const kept = FIELD_IDS.filter((id) => adjustment[id] !== undefined && !isHeld(id));
      return kept.length > 0 ? [[key, Object.fromEntries(kept.map((id) => [id, adjustment[id]]))]] : [];
    }),
  );
}
