import { newArrangement } from "../document/arrangements";
import { type Edit } from "../document/edit";
import { adjust } from "../document/edits";
import { DESIGN_FIELD_IDS, FIELDS, type FieldId, type ValueOf } from "../document/fields";
import { rect } from "../geometry/rect";
import { millis } from "../units";

/** A value of each field that is not what “One product, one offer” has. */
const OTHER: { readonly [Id in FieldId]: ValueOf<Id> } = {
  arrangement: newArrangement("split"),
  ground: "primary",
  logo: false,
  length: millis(5000),
  overlap: millis(300),
  transition: "wipe",
  motion: "pop",
  zoom: false,
  color: "accent",
  hidden: true,
  place: rect(60, 60, 400, 200),
  at: { x: 0.25, y: 0.75 },
  size: 0.5,
  tall: 2,
  angle: 30,
  ink: "sale",
  plate: "primary",
  opacity: 0.5,
  starts: millis(400),
  ends: millis(300),
};

/** Something that can be set, and the edit that sets it. */
export interface Setting {
  readonly what: string;
  readonly id: FieldId;
  readonly edit: Edit;
}

/**
 * Every field of the registry that a template may lock, set in every layer that it has for the first scene of a template,
 * or for its headline.
 */
export const SETTINGS: readonly Setting[] = DESIGN_FIELD_IDS.flatMap((id) => {
  const { of, layers } = FIELDS[id];
  const target = of === "scene" ? { scene: "hook" } : { scene: "hook", slot: "headline" };
  return layers
    .filter((layer) => !layer.startsWith("@"))
    .map((layer): Setting => ({
      what: `${id} in the layer ${layer}`,
      id,
      edit: adjust(id, OTHER[id], { target, layer, format: "square" }),
    }));
});
