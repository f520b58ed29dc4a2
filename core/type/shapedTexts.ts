import { type FaceFiles } from "./faces";
import { type FontBook } from "./fontBook";
import { type Paragraph, paragraph } from "./paragraph";

/** How many texts a book remembers; then it begins anew. */
const MOST = 2000;

const stackKeys = new WeakMap<FaceFiles, string>();

function stackKey(stack: FaceFiles): string {
  let key = stackKeys.get(stack);
  if (key === undefined) stackKeys.set(stack, (key = stack.map(({ id }) => id).join(",")));
  return key;
}

const known = new WeakMap<FontBook, Map<string, Paragraph>>();

/** As `paragraph`, remembered: the same words are set in three formats, and again after every change of others. */
export function shapedText(text: string, stack: FaceFiles, book: FontBook, tabular = false): Paragraph {
  let texts = known.get(book);
  if (!texts || texts.size > MOST) known.set(book, (texts = new Map<string, Paragraph>()));
  // A file opened later can supply letters that were missing.
  const key = `${book.open.size}/${tabular ? "tabular" : ""}/${stackKey(stack)}/${text}`;
  let shaped = texts.get(key);
  if (!shaped) texts.set(key, (shaped = paragraph(text, stack, book, tabular)));
  return shaped;
}
