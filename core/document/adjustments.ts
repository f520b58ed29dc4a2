import { type FormatName, isFormatName } from "../placement/formats";
import { type Adjustment, FIELDS, type FieldId, type Layer, type ValueOf, isFieldId } from "./fields";
import { fieldSchema } from "./field";
import { type RecordPart } from "./documentShape";
import { itemKey } from "./itemKey";
import { inOrder } from "./patch";
import { Refusal } from "../refusal";

/**
 * What was set besides what is filled in, by where it holds: `hook.headline@square` (a slot in one format), `hook` (a scene
 * in every format), `item:badge` (an item), `@square` (every scene in one format), `@all`.
 */
export type Adjustments = Readonly<Record<string, Adjustment>>;

/** A scene, or a slot of it. */
export interface SceneTarget {
  readonly scene: string;
  readonly slot?: string | undefined;
}
/** A scene, a slot or an item. */
export type Target = SceneTarget | { readonly item: string };

/** What a slot's address says. */
export function targetOf(slot: string): Required<SceneTarget> & { readonly slot: string } {
  const [scene = "", id = ""] = slot.split(".");
  return { scene, slot: id };
}

const targetKey = (target: Target): string => {
  if ("item" in target) return itemKey(target.item);
  return target.slot === undefined ? target.scene : `${target.scene}.${target.slot}`;
};

/** Where a layer's values of a target are kept. @param format needed for the layers of one format */
export function adjustmentKey(target: Target, layer: Layer, format: FormatName | null): string {
  switch (layer) {
    case "scene@format":
      return `${targetKey(target)}@${format ?? ""}`;
    case "scene":
      return targetKey(target);
    case "@format":
      return `@${format ?? ""}`;
    case "@all":
      return "@all";
  }
}

/** The formats in which something is set. */
export const formatsSet = (adjustments: Adjustments): FormatName[] => [
  ...new Set(
    Object.keys(adjustments)
      .flatMap((key) => key.split("@")[1] ?? [])
      .filter(isFormatName),
  ),
];

const KEY =
  /^(?:item:(?<item>[a-z0-9][a-z0-9-]*)|(?<scene>[a-z0-9][a-z0-9-]*)(?:\.(?<slot>[a-z0-9-]+))?)?(?:@(?<format>[a-z0-9-]+))?$/;

/** What a key says. Throws, naming it, when it is none. */
export function readAdjustmentKey(key: string): {
  readonly target: Target | null;
  readonly layer: Layer;
  /** Of the layers of one format. */
  readonly format: FormatName | null;
} {
  const { item, scene, slot, format } = KEY.exec(key)?.groups ?? {};
  const inFormat = format !== undefined && isFormatName(format) ? format : null;
  if (format !== undefined && format !== "all" && inFormat === null)
    throw new Refusal(`There is no format “${format}”.`);
  const target = item !== undefined ? { item } : scene !== undefined ? { scene, slot } : null;
  if (target) {
    if (format === "all") throw new Refusal(`“${key}” is no place to set anything: leave “@all” out.`);
    return { target, layer: inFormat === null ? "scene" : "scene@format", format: inFormat };
  }
  if (format === undefined) throw new Refusal(`“${key}” is no place to set anything.`);
  return { target: null, layer: inFormat === null ? "@all" : "@format", format: inFormat };
}

/** Reads what is set at one place. Throws, naming the field and the cure, when it can't be set there. */
export function readAdjustment(key: string, value: unknown): Adjustment {
  const { target, layer } = readAdjustmentKey(key);
  if (typeof value !== "object" || value === null || Array.isArray(value))
    throw new Refusal(`What is set at “${key}” must be given by field.`);
  const read = Object.entries(value).map(([name, one]: [string, unknown]) => {
    if (!isFieldId(name)) throw new Refusal(`There is no “${name}” to set.`);
    const { field, of, layers } = FIELDS[name];
    // What holds for every scene holds for the slots in them too.
    if (target ? of !== kindOfTarget(target) : of === "item")
      throw new Refusal(`${field.label} is set for a ${of}, and “${key}” is none.`);
    if (!layers.some((one) => one === layer)) throw new Refusal(`${field.label} can't be set at “${key}”.`);
    return [name, checked(name, one)] as const;
  });
  if (read.length === 0) throw new Refusal(`Nothing is set at “${key}”.`);
  return inOrder(Object.fromEntries(read));
}

/** The adjustments of a document. */
export const ADJUSTMENTS_PART: RecordPart = { least: 0, most: 2000, named: "adjustment", read: readAdjustment };

function kindOfTarget(target: Target): "scene" | "slot" | "item" {
  if ("item" in target) return "item";
  return target.slot === undefined ? "scene" : "slot";
}

function checked(name: FieldId, value: unknown): unknown {
  const { field } = FIELDS[name];
  try {
    return fieldSchema(field, value).validateSync(value, { strict: true });
  } catch (error) {
    throw new Refusal(`${field.label}: ${error instanceof Error ? error.message : String(error)}`);
  }
}

/** A value that was set, and where. */
export interface Found<Value> {
  readonly value: Value;
  readonly layer: Layer;
  readonly key: string;
}

/**
 * The nearest of the values that were set of a field; null where none was. What the template locks takes nothing from the
 * layers of the whole promotion: those who may set it set it for the scene.
 */
export function nearest<Id extends FieldId>(
  adjustments: Adjustments,
  id: Id,
  {
    target,
    format,
    isLocked,
  }: { readonly target: Target; readonly format: FormatName | null; readonly isLocked: boolean },
): Found<ValueOf<Id>> | null {
  const layers: readonly Layer[] = FIELDS[id].layers;
  for (const layer of layers) {
    if (format === null && layer.endsWith("@format")) continue;
    if (isLocked && layer.startsWith("@")) continue;
    const key = adjustmentKey(target, layer, format);
    const value = adjustments[key]?.[id];
    if (value !== undefined) return { value, layer, key };
  }
  return null;
}

/** Every place at which a field is set for a target, in whatever format. */
export const keysFor = (adjustments: Adjustments, target: Target): string[] => {
  const own = targetKey(target);
  return Object.keys(adjustments).filter((key) => key === own || key.startsWith(`${own}@`));
};
