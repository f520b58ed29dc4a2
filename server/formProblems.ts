import { type AnyObjectSchema, type InferType, ValidationError } from "yup";

/** A form that was read: its values, or what is wrong with each field. */
export type ReadForm<Values> =
  | { readonly ok: true; readonly values: Values }
  | { readonly ok: false; readonly problems: Readonly<Record<string, string>> };

/** Reads a form through a schema. Every problem is kept under its field, so that the page can show it there. */
export async function readForm<Schema extends AnyObjectSchema>(
  schema: Schema,
  form: FormData,
): Promise<ReadForm<InferType<Schema>>> {
  try {
    return {
      ok: true,
      values: await schema.validate(Object.fromEntries(form), {
        abortEarly: false,
        stripUnknown: true,
      }),
    };
  } catch (error) {
    if (!(error instanceof ValidationError)) throw error;
    return { ok: false, problems: Object.fromEntries(error.inner.map((one) => [one.path ?? "form", one.message])) };
  }
}
