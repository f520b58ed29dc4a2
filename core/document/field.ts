import { boolean, number, string, type Schema } from "yup";

/** One of a few words. */
export interface ChoiceField<Value extends string = string> {
  readonly kind: "choice";
  readonly label: string;
  readonly choices: readonly Value[];
  readonly initial: Value;
}

/** Yes or no. */
export interface FlagField {
  readonly kind: "flag";
  readonly label: string;
  readonly initial: boolean;
}

/** A number within bounds, both included. */
export interface NumberField {
  readonly kind: "number";
  readonly label: string;
  readonly least: number;
  readonly most: number;
  /** How far one press of an arrow key goes. */
  readonly step: number;
  readonly initial: number;
}

/** What is known of a value that people set: its bounds, its first value and its name. Schemas and controls follow from it. */
export type Field = ChoiceField | FlagField | NumberField;

export type FieldValue<Of extends Field> =
  Of extends ChoiceField<infer Value> ? Value : Of extends FlagField ? boolean : number;

export const choice = <const Choices extends readonly string[]>(
  label: string,
  choices: Choices,
  initial: Choices[number],
): ChoiceField<Choices[number]> => ({ kind: "choice", label, choices, initial });

export const flag = (label: string, initial: boolean): FlagField => ({ kind: "flag", label, initial });

export const within = (
  label: string,
  bounds: { readonly least: number; readonly most: number; readonly step: number },
  initial: number,
): NumberField => ({ kind: "number", label, ...bounds, initial });

/** The Yup schema of a field's value. */
export function fieldSchema(field: Field): Schema<unknown> {
  switch (field.kind) {
    case "choice":
      return string().oneOf(field.choices).required();
    case "flag":
      return boolean().required();
    case "number":
      return number().min(field.least, `At least ${field.least}.`).max(field.most, `At most ${field.most}.`).required();
  }
}

/** The JSON Schema (draft 2020-12) of a field's value. */
export function fieldJsonSchema(field: Field): Readonly<Record<string, unknown>> {
  switch (field.kind) {
    case "choice":
      return { enum: field.choices };
    case "flag":
      return { type: "boolean" };
    case "number":
      return { type: "number", minimum: field.least, maximum: field.most };
  }
}
