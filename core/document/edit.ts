import { object, string } from "yup";
import { type Change, readPatch } from "./patch";
import { Refusal } from "../refusal";

/** A step of what somebody does: some changes that belong together, under a name for undo. It is taken whole or not at all. */
export interface Edit {
  readonly label: string;
  readonly patch: readonly Change[];
  /** Saved at once, since what else is shown depends on it. Not sent along. */
  readonly isUrgent?: true;
}

/** Whether two edits change the same places, so that typing can be one step of undo and one save. */
export const sameTarget = (one: Edit, other: Edit): boolean =>
  one.patch.length === other.patch.length && one.patch.every(({ path }, index) => path === other.patch[index]?.path);

/** Two edits of the same places as one: the later's values, put in where the earlier had still to put something in. */
export const inOne = (earlier: Edit, later: Edit): Edit => ({
  ...later,
  patch: later.patch.map((change, index) =>
    change.op === "replace" && earlier.patch[index]?.op === "add" ? { ...change, op: "add" } : change,
  ),
});

/** Edits as one step, in their order. */
export const together = (label: string, edits: readonly Edit[]): Edit => ({
  label,
  patch: edits.flatMap(({ patch }) => patch),
});

const editSchema = object({ label: string().max(120).defined() });

/** Edits as they came over the wire, each still to be read: one that is none loses no other. */
export function editList(value: unknown): readonly unknown[] {
  if (!Array.isArray(value) || value.length > 200) throw new Refusal("Edits must be a list of at most 200.");
  return value;
}

/** Reads an edit that came over the wire. What it puts in is checked where it is applied. */
export function readEdit(value: unknown): Edit {
  const { label } = editSchema.validateSync(value, { strict: true });
  const patch: unknown = typeof value === "object" && value !== null && "patch" in value ? value.patch : undefined;
  return { label, patch: readPatch(patch) };
}
