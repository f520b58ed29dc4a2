import { inCapitals } from "./capitals";
import { numbered } from "./numbered";

/** Words as they are set, however they were written: in capitals, with numbers before their lines. */
export function writtenAs(
  words: string,
  as: { readonly capitals: boolean | undefined; readonly numbered: boolean | undefined },
): string {
  const cased = as.capitals ? inCapitals(words) : words;
  return as.numbered ? numbered(cased) : cased;
}
