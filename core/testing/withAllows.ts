import { templateKey } from "../document/facts";
import { type SceneAllows, type Slot, type SlotAllows } from "../document/sceneTemplate";
import { type Template } from "../document/template";
import { ONE_OFFER } from "../templates/priceDrops";
import { SHIPPED_BY_REF, shippedRef } from "../templates/shipped";

const KEY = templateKey(shippedRef(ONE_OFFER));

/** The shipped templates, “One product, one offer” with one scene's or slot's permission changed. */
export function withAllows({
  scene,
  slot,
  allows,
}: {
  scene: string;
  slot?: string;
  allows: Partial<SceneAllows> | Partial<SlotAllows>;
}): Record<string, Template> {
  const scenes = ONE_OFFER.scenes.map((one) =>
    one.id !== scene
      ? one
      : slot === undefined
        ? { ...one, allows: { ...one.allows, ...(allows as Partial<SceneAllows>) } }
        : {
            ...one,
            slots: one.slots.map((other): Slot =>
              other.id === slot ? { ...other, allows: { ...other.allows, ...(allows as Partial<SlotAllows>) } } : other,
            ),
          },
  );
  return { ...SHIPPED_BY_REF, [KEY]: { ...ONE_OFFER, scenes } };
}
