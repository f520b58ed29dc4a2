import { cleanText, textProblem } from "../../core/text/cleanText";
import { Refusal } from "../../core/refusal";

/** Deeper than anything that we send ourselves. */
const DEEPEST = 40;

const unreadable = (message: string): Response => new Response(message, { status: 400 });

/** A form that was sent, each text in it as it is kept. Throws a 400, in words, where it can't be read or kept. */
export async function formOf(request: Request): Promise<FormData> {
  const sent = await request.formData().catch(() => {
    throw unreadable("What was sent can't be read as a form. Load the page again, and repeat the change.");
  });
  const form = new FormData();
  for (const [name, value] of sent) {
    const problem = textProblem(typeof value === "string" ? value : value.name);
    if (problem) throw unreadable(`“${cleanName(name)}” ${problem}`);
    if (typeof value === "string") form.append(name, cleanText(value));
    else form.append(name, value);
  }
  return form;
}

const cleanName = (name: string): string => name.slice(0, 40).replaceAll(/[^\w .-]/g, "?");

/** JSON that was sent, each text in it as it is kept. Throws a Refusal, in words, where it can't be read or kept. */
export async function jsonOf(request: Request): Promise<unknown> {
  return parseJson(await request.text(), "What was sent");
}

/** JSON out of a form field. Throws a 400, naming what it should have been. */
export function readJson(text: string, what: string): unknown {
  try {
    return parseJson(text, `The page sent ${what} that`);
  } catch (error) {
    if (error instanceof Refusal) throw unreadable(error.message);
    throw error;
  }
}

/** JSON out of a text. Throws a Refusal, in words, where it can't be read or kept. @param what how a sentence about it begins */
export function parseJson(text: string, what: string): unknown {
  let value: unknown;
  try {
    value = JSON.parse(text);
  } catch (error) {
    throw new Refusal(`${what} is not JSON: ${error instanceof Error ? error.message : "it is damaged"}.`);
  }
  return cleanJson(value, what, 0);
}

function cleanJson(value: unknown, what: string, depth: number): unknown {
  if (depth > DEEPEST) throw new Refusal(`${what} is nested too deeply.`);
  if (typeof value === "string") {
    const problem = textProblem(value);
    if (problem) throw new Refusal(`${what} ${problem}`);
    return cleanText(value);
  }
  if (Array.isArray(value)) return value.map((one) => cleanJson(one, what, depth + 1));
  if (typeof value !== "object" || value === null) return value;
  return Object.fromEntries(
    Object.entries(value).map(([key, one]) => {
      const problem = textProblem(key);
      if (problem) throw new Refusal(`${what} ${problem}`);
      return [key, cleanJson(one, what, depth + 1)];
    }),
  );
}
