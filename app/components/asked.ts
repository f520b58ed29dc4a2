import { type Schema } from "yup";
import { problemIn } from "./problemIn";

/**
 * Asks the server for something, as JSON, and gives what it answers once that answers to a schema. Throws, in words, what
 * the answer says is wrong.
 *
 * @param lost what is said where no answer comes, or one that says nothing
 */
export async function asked<Answer>(
  address: string,
  wanted: object,
  { answer, lost }: { readonly answer: Schema<Answer>; readonly lost: string },
): Promise<Answer> {
  const response = await fetch(address, {
    method: "POST",
    headers: { "content-type": "application/json" },
    body: JSON.stringify(wanted),
  }).catch(() => {
    throw new Error(lost);
  });
  const body: unknown = await response.json().catch(() => null);
  if (answer.isValidSync(body)) return body;
  throw new Error(problemIn(body) ?? lost);
}
