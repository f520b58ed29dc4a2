/** What is made when it is first asked for, and stays. */
export function onceAsked<Value>(make: () => Value): () => Value {
  let made: { readonly value: Value } | null = null;
  return () => (made ??= { value: make() }).value;
}
