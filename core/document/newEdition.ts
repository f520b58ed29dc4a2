import { templateOf } from "./design";
import { type TemplatesByRef } from "./facts";
import { type Promotion, type PromotionScene, type TemplateRef } from "./promotion";
import { newScene, takenIds } from "./sceneIds";
import { type SceneTemplate, type Template } from "./template";

/**
 * The scenes of a promotion on another edition of its own template. What the filler did stays: changes where the new
 * edition allows them, scenes of other templates, repeated and taken-out ones. Scenes that are new in it come in.
 */
export function scenesInEdition(
  document: Promotion,
  templates: TemplatesByRef,
  ref: TemplateRef,
  template: Template,
): PromotionScene[] {
  const before = templateOf(templates, document.template);
  const isOwn = ({ from }: PromotionScene): boolean => from.slug === ref.slug;
  const taken = takenIds(document);
  const first = template.scenes.flatMap((scene): PromotionScene[] => {
    const own = document.scenes.find((one) => isOwn(one) && one.from.scene === scene.id);
    if (own) return [onEdition(own, ref, scene)];
    const wasTakenOut = before.scenes.some(({ id }) => id === scene.id) && scene.allows.remove;
    return wasTakenOut ? [] : [newScene(ref, scene.id, taken)];
  });
  // The others come behind what they stood behind.
  return document.scenes.reduce((scenes, one, index) => {
    if (scenes.some(({ id }) => id === one.id)) return scenes;
    const origin = template.scenes.find(({ id }) => id === one.from.scene);
    if (isOwn(one) && !origin) return scenes;
    const behind =
      document.scenes
        .slice(0, index)
        .map(({ id }) => scenes.findIndex((scene) => scene.id === id))
        .findLast((at) => at >= 0) ?? -1;
    return scenes.toSpliced(behind + 1, 0, isOwn(one) && origin ? onEdition(one, ref, origin) : one);
  }, first);
}

function onEdition(
  { id, arrangement, ground, length }: PromotionScene,
  ref: TemplateRef,
  { id: scene, allows }: SceneTemplate,
): PromotionScene {
  return {
    id,
    from: { slug: ref.slug, edition: ref.edition, scene },
    ...(arrangement && allows.arrangement ? { arrangement } : {}),
    ...(ground && allows.color ? { ground } : {}),
    ...(length && allows.timing ? { length } : {}),
  };
}
