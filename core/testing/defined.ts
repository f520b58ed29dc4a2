/** A value that a test knows to be there. Throws where it is not. */
export function defined<Value>(value: Value | null | undefined): Value {
  if (value === null || value === undefined) throw new Error("The test expected a value here.");
  return value;
}
