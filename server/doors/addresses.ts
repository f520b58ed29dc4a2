import { textProblem } from "../../core/text/cleanText";

/** Why an address can't be answered, or null: what is asked for in it must be text that can be looked for. */
export function addressProblem(url: URL): string | null {
  let path: string;
  try {
    path = decodeURIComponent(url.pathname);
  } catch {
    return "The address is not written as addresses are.";
  }
  const parts = [path, ...[...url.searchParams].flat()];
  return parts.some((part) => textProblem(part) !== null)
    ? "The address holds characters that can't be looked for."
    : null;
}
