/** What an answer says is wrong, in words; null where it says nothing of the kind. */
export const problemIn = (body: unknown): string | null =>
  typeof body === "object" && body !== null && "problem" in body && typeof body.problem === "string"
    ? body.problem
    : null;
