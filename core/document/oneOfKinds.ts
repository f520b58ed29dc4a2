import { mixed, type Schema } from "yup";

/** What a value of one of several kinds must look like; a kind that there is not is a problem of its own. */
export function oneOfKinds<Kind extends string>(
  tag: string,
  kinds: readonly Kind[],
  schemaOf: (kind: Kind) => Schema<unknown>,
  sentence: string,
): (value: unknown) => Schema<unknown> {
  return (value) => {
    const found: unknown =
      typeof value === "object" && value !== null && tag in value ? (value as Record<string, unknown>)[tag] : undefined;
    const kind = kinds.find((one) => one === found);
    return kind
      ? (schemaOf(kind).required() as Schema<unknown>)
      : (mixed()
          .nullable()
          .test(tag, sentence, () => false) as Schema<unknown>);
  };
}
