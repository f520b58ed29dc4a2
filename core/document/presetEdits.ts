import { type Adjustments } from "./adjustments";
import { styleOf } from "./asTemplate";
import { type Edit } from "./edit";
import { applyEdit } from "./edits";
import { type Adjustment } from "./fields";
import { type Promotion } from "./promotion";
import { type SceneTemplate } from "./sceneTemplate";
import { type Template } from "./template";

/**
 * A draft as a promotion in which what the draft sets is set: what changes it there changes the draft (see `withPresetEdit`).
 * @param tried the draft as a promotion, see `triedIn`
 */
export function asSet(tried: Promotion, { adjustments, style: { motion, transition, zoom } }: Template): Promotion {
  return { ...tried, adjustments: { ...adjustments, "@all": { ...adjustments["@all"], motion, transition, zoom } } };
}

/** A draft with what an edit sets in it, made for what `asSet` gave. Throws as `applyEdit` does. */
export function withPresetEdit(draft: Template, tried: Promotion, edit: Edit): Template {
  const { adjustments } = applyEdit(asSet(tried, draft), edit);
  const { motion, transition, zoom, overlap, ...all } = adjustments["@all"] ?? {};
  const scenes = draft.scenes.map((scene) =>
    withOwn(overlap === undefined ? scene : { ...scene, overlap }, adjustments[scene.id] ?? {}),
  );
  const others = Object.fromEntries(
    Object.entries(adjustments).flatMap(([key, adjustment]) => {
      const isScene = draft.scenes.some(({ id }) => id === key);
      const left = key === "@all" ? all : isScene ? withoutOwn(adjustment) : adjustment;
      return Object.keys(left).length > 0 ? [[key, left] as const] : [];
    }),
  ) satisfies Adjustments;
  return { ...draft, scenes, style: { ...draft.style, ...styleOf({ motion, transition, zoom }) }, adjustments: others };
}

/** What a scene of a template holds itself. */
const withOwn = (scene: SceneTemplate, { overlap, length }: Adjustment): SceneTemplate => ({
  ...scene,
  ...(overlap === undefined ? {} : { overlap }),
  ...(length === undefined ? {} : { length }),
});
const withoutOwn = (adjustment: Adjustment): Adjustment =>
  Object.fromEntries(Object.entries(adjustment).filter(([id]) => id !== "overlap" && id !== "length"));
