import { type Schema, array, boolean, lazy, number, object, string } from "yup";
import { GRADE_NAMES, GRADE_VALUES, type Grade, gradeChange } from "../grading/grade";
import { type Channels, type LookupTable, compileTable } from "../grading/lookupTable";
import { LOOK_NAMES, type LookName, lookChange } from "../grading/looks";
import { OVERLAYS, type OverlayName } from "../grading/overlays";
import { oneOfKinds } from "./oneOfKinds";
import { type Json, objectJsonSchema } from "./valueJsonSchemas";

/** One step of a look: a look of ours, colours changed by hand, or something laid over. */
export type LookStep =
  | { readonly kind: "look"; readonly look: LookName; readonly strength: number; readonly off?: boolean | undefined }
  | { readonly kind: "grade"; readonly grade: Grade; readonly off?: boolean | undefined }
  | {
      readonly kind: "overlay";
      readonly overlay: OverlayName;
      readonly strength: number;
      readonly off?: boolean | undefined;
    };
export type LookStepKind = LookStep["kind"];
const KINDS: readonly LookStepKind[] = ["look", "grade", "overlay"];

/** How a picture or clip looks: its steps, in the order in which they are done. */
export type Look = readonly LookStep[];
/** More steps than this are no look any more. */
export const MOST_STEPS = 8;

const kind = (name: LookStepKind) => string().oneOf([name]).required();
const strength = number().min(0, "At least 0.").max(1, "At most 1.").required();
const off = boolean().optional();
const gradeSchema = object(
  Object.fromEntries(
    GRADE_NAMES.map((name) => {
      const { label, least, most } = GRADE_VALUES[name];
      return [
        name,
        number().min(least, `${label} is at least ${least}.`).max(most, `${label} is at most ${most}.`).optional(),
      ];
    }),
  ),
)
  .noUnknown()
  .required();
const SCHEMAS: Readonly<Record<LookStepKind, Schema<unknown>>> = {
  look: object({ kind: kind("look"), look: string().oneOf(LOOK_NAMES).required(), strength, off }).noUnknown(),
  grade: object({ kind: kind("grade"), grade: gradeSchema, off }).noUnknown(),
  overlay: object({ kind: kind("overlay"), overlay: string().oneOf(OVERLAYS).required(), strength, off }).noUnknown(),
};
const stepSchema = oneOfKinds(
  "kind",
  KINDS,
  (name) => SCHEMAS[name],
  "A step of a look is a look, a change of colours or something laid over.",
);

const steps = array()
  .of(lazy((step: unknown) => stepSchema(step)))
  .max(MOST_STEPS, `At most ${MOST_STEPS} steps.`)
  .required();
/** What a look must be like. */
export const lookSchema = (): Schema<Look> => steps as Schema<Look>;

const share: Json = { type: "number", minimum: 0, maximum: 1 };
const offJson: Json = { off: { type: "boolean" } };
export const lookJsonSchema: Json = {
  type: "array",
  maxItems: MOST_STEPS,
  items: {
    oneOf: [
      objectJsonSchema({ kind: { const: "look" }, look: { enum: LOOK_NAMES }, strength: share }, offJson),
      objectJsonSchema(
        {
          kind: { const: "grade" },
          grade: objectJsonSchema(
            {},
            Object.fromEntries(
              GRADE_NAMES.map((name) => [
                name,
                { type: "number", minimum: GRADE_VALUES[name].least, maximum: GRADE_VALUES[name].most },
              ]),
            ),
          ),
        },
        offJson,
      ),
      objectJsonSchema({ kind: { const: "overlay" }, overlay: { enum: OVERLAYS }, strength: share }, offJson),
    ],
  },
};

/** What of a look is laid over, in its order. */
export const overlaysOf = (look: Look | undefined): Extract<LookStep, { kind: "overlay" }>[] =>
  (look ?? []).flatMap((step) => (step.kind === "overlay" && !step.off && step.strength > 0 ? [step] : []));

type ColorStep = Exclude<LookStep, { kind: "overlay" }>;
const changesColors = (step: LookStep): step is ColorStep => {
  if (step.off || step.kind === "overlay") return false;
  return step.kind === "look" ? step.strength > 0 : GRADE_NAMES.some((name) => (step.grade[name] ?? 0) !== 0);
};
const changeOf = (step: ColorStep): ((color: Channels) => Channels) =>
  step.kind === "look" ? lookChange(step.look, step.strength) : gradeChange(step.grade);

/** A step as its table is named: what does not change it is left out, and its values stand in their own order. */
const nameOf = (step: ColorStep): string =>
  step.kind === "look"
    ? `${step.look} ${step.strength}`
    : GRADE_NAMES.flatMap((name) => {
        const value = step.grade[name] ?? 0;
        return value === 0 ? [] : [`${name} ${value}`];
      }).join(" ");

const MOST_TABLES = 64;
const compiled = new Map<string, LookupTable>();

/** The table of a look; null where it changes no colour. One look has one table, kept while it is used. */
export function tableOf(look: Look | undefined): LookupTable | null {
  const steps = (look ?? []).filter(changesColors);
  if (steps.length === 0) return null;
  const id = steps.map(nameOf).join("; ");
  const known = compiled.get(id);
  if (known) {
    // The longest unused stands first.
    compiled.delete(id);
    compiled.set(id, known);
    return known;
  }
  const changes = steps.map(changeOf);
  const table = compileTable(id, (color) => changes.reduce((now, change) => change(now), color));
  compiled.set(id, table);
  const [oldest] = compiled.keys();
  if (compiled.size > MOST_TABLES && oldest !== undefined) compiled.delete(oldest);
  return table;
}
