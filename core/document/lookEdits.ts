import { type Grade, GRADE_NAMES, type GradeName } from "../grading/grade";
import { targetOf } from "./adjustments";
import { type Edit } from "./edit";
import { adjust } from "./edits";
import { setForAll } from "./forAllEdits";
import { type Look, type LookStep, MOST_STEPS } from "./look";
import { type Promotion } from "./promotion";
import { type SlotKey } from "./sceneTemplate";

/** A look with one more step, the last; null where it has as many as there can be. */
export const withStep = (look: Look, step: LookStep): Look | null =>
  look.length < MOST_STEPS ? [...look, step] : null;

/** A look with another step in the place of one. */
export const withStepChanged = (look: Look, at: number, step: LookStep): Look =>
  look.map((one, index) => (index === at ? step : one));

export const withoutStep = (look: Look, at: number): Look => look.filter((_, index) => index !== at);

/** A look with a step done earlier or later; null where it is at that end. */
export function withStepMoved(look: Look, at: number, by: 1 | -1): Look | null {
  const step = look[at];
  if (!step || !look[at + by]) return null;
  const rest = withoutStep(look, at);
  return [...rest.slice(0, at + by), step, ...rest.slice(at + by)];
}

/** A step that is done, or is there and not done. */
export function switched(step: LookStep, on: boolean): LookStep {
  const { off, ...rest } = step;
  if ((off !== true) === on) return step;
  return on ? rest : { ...rest, off: true };
}

/** A grade with one value set; what is 0 is left out. */
export function withGradeValue(grade: Grade, name: GradeName, value: number): Grade {
  const next = { ...grade, [name]: value };
  return Object.fromEntries(GRADE_NAMES.flatMap((one) => (next[one] ? [[one, next[one]]] : [])));
}

/** Has what is in a slot look so; null gives it back to how all look. */
export const setLook = (slot: SlotKey, look: Look | null): Edit => adjust("look", look, { target: targetOf(slot) });

/** Has every picture and clip of a promotion look so: what some had of their own gives way. */
export const setLookForAll = (document: Pick<Promotion, "adjustments">, look: Look): Edit =>
  setForAll(document, [["look", look.length > 0 ? look : null]], "Look of all");
