import { type Millis } from "../units";
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

/** A time in whole milliseconds. */
export interface TimeField extends NumberField {
  readonly unit: "ms";
}

/** A value with a shape of its own, as a place is. */
export interface ShapedField<Value = unknown> {
  readonly kind: "shaped";
  readonly label: string;
  /** The schema that a value must answer to. */
  readonly schemaOf: (value: unknown) => Schema<Value>;
  readonly json: Readonly<Record<string, unknown>>;
}

/** What is known of a value that people set: its bounds, its first value and its name. Schemas and controls follow from it. */
export type Field = ChoiceField | FlagField | NumberField;

export type FieldValue<Of extends Field | ShapedField> =
  Of extends ShapedField<infer Value>
    ? Value
    : Of extends ChoiceField<infer Value>
      ? Value
      : Of extends FlagField
        ? boolean
        : Of extends TimeField
          ? Millis
          : number;

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

export const shaped = <Value>(
  label: string,
  schemaOf: (value: unknown) => Schema<Value>,
  json: Readonly<Record<string, unknown>>,
): ShapedField<Value> => ({ kind: "shaped", label, schemaOf, json });

/** A time, its bounds in milliseconds. It is set in steps of a tenth of a second. */
export const time = (
  label: string,
  bounds: { readonly least: number; readonly most: number },
  initial: number,
): TimeField => ({ kind: "number", unit: "ms", label, ...bounds, step: 100, initial });

const isTime = (field: NumberField): field is TimeField => "unit" in field;

const inSeconds = (value: number): string => `${value / 1000} s`;

/** The Yup schema that a field's value must answer to. */
export function fieldSchema(field: Field | ShapedField, value?: unknown): Schema<unknown> {
  switch (field.kind) {
    case "shaped":
      return field.schemaOf(value);
    case "choice":
      return string().oneOf(field.choices).required();
    case "flag":
      return boolean().required();
    case "number": {
      const { least, most } = field;
      const written = isTime(field) ? inSeconds : String;
      const bounded = number()
        .min(least, `At least ${written(least)}.`)
        .max(most, `At most ${written(most)}.`)
        .required();
      return isTime(field) ? bounded.integer("Times are whole milliseconds.") : bounded;
    }
  }
}

/** The JSON Schema (draft 2020-12) of a field's value. */
export function fieldJsonSchema(field: Field | ShapedField): Readonly<Record<string, unknown>> {
  switch (field.kind) {
    case "shaped":
      return field.json;
    case "choice":
      return { enum: field.choices };
    case "flag":
      return { type: "boolean" };
    case "number":
      return { type: isTime(field) ? "integer" : "number", minimum: field.least, maximum: field.most };
  }
}
