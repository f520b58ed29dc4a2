import Papa from "papaparse";
import { Refusal } from "../refusal";

export const CSV_LIMITS = { bytes: 20_000_000, rows: 50_000, columns: 100 } as const;

export interface DecodedText {
  readonly text: string;
  readonly encoding: "UTF-8" | "UTF-16LE" | "UTF-16BE" | "windows-1252";
}

/**
 * The text of a CSV file. A byte order mark decides; without one UTF-16 is told by its zero bytes, and what is not valid
 * UTF-8 is read as windows-1252, which older office programs write. Throws, in words, when it is no text at all.
 */
export function decodeText(bytes: Uint8Array): DecodedText {
  if (bytes.length === 0) throw new Refusal("The file is empty (0 bytes).");
  if (bytes.length > CSV_LIMITS.bytes)
    throw new Refusal(`The file is larger than the limit for lists: ${CSV_LIMITS.bytes / 1e6} MB.`);
  const encoding = encodingOf(bytes);
  const text = new TextDecoder(encoding.toLowerCase()).decode(bytes);
  if (/[\u0000-\u0008\u000e-\u001f]/.test(text))
    throw new Refusal(
      "The file is not a list of text: it holds control characters. Save it as CSV and bring it again.",
    );
  return { text, encoding };
}

function encodingOf(bytes: Uint8Array): DecodedText["encoding"] {
  const [first, second] = bytes;
  if ((first === 0x50 && second === 0x4b) || (first === 0x1f && second === 0x8b))
    throw new Refusal("The file is a packed archive, not a list. Save the sheet as CSV and bring it again.");
  if (first === 0xff && second === 0xfe) return "UTF-16LE";
  if (first === 0xfe && second === 0xff) return "UTF-16BE";
  const head = bytes.subarray(0, 2000);
  const zeros = (offset: number): number => head.filter((byte, index) => index % 2 === offset && byte === 0).length;
  if (zeros(1) > head.length / 4) return "UTF-16LE";
  if (zeros(0) > head.length / 4) return "UTF-16BE";
  try {
    new TextDecoder("utf-8", { fatal: true }).decode(bytes);
    return "UTF-8";
  } catch {
    return "windows-1252";
  }
}

export interface CsvTable {
  readonly delimiter: string;
  readonly header: readonly string[];
  readonly rows: readonly (readonly string[])[];
}

/** Reads CSV (RFC 4180, with the delimiter found out). Throws, in words, when there is no table or a limit is passed. */
export function parseCsv(text: string): CsvTable {
  const { data, meta, errors } = Papa.parse<string[]>(text.replace(/^\ufeff/, ""), {
    skipEmptyLines: "greedy",
    delimitersToGuess: [",", ";", "\t", "|"],
    preview: CSV_LIMITS.rows + 2,
  });
  const broken = errors.find(({ type }) => type === "Quotes");
  if (broken)
    throw new Refusal(
      `A quote is opened near row ${(broken.row ?? 0) + 1} and never closed. Close it, or double the quotes inside of a cell.`,
    );
  const [header, ...rows] = data;
  if (!header || header.every((cell) => cell.trim() === "")) throw new Refusal("The first row must name the columns.");
  if (rows.length === 0) throw new Refusal("The list has column names but no rows.");
  if (rows.length > CSV_LIMITS.rows)
    throw new Refusal(
      `The list has more than ${CSV_LIMITS.rows} rows. Split it and bring the parts one after another.`,
    );
  if (header.length > CSV_LIMITS.columns)
    throw new Refusal(`The list has ${header.length} columns; the limit is ${CSV_LIMITS.columns}.`);
  return { delimiter: meta.delimiter, header: header.map((cell) => cell.trim()), rows };
}

/** What a spreadsheet would take for a formula. */
const FORMULA = /^[=+\-@\t\r]/;

/** A cell that no spreadsheet carries out: an apostrophe goes before what could be a formula (OWASP, CSV injection). */
export const harmlessCell = (text: string): string => (FORMULA.test(text) ? `'${text}` : text);

/** Takes the apostrophe off again, so that what was exported comes back as it was. */
export const plainCell = (text: string): string =>
  text.startsWith("'") && FORMULA.test(text.slice(1)) ? text.slice(1) : text;

/** Writes CSV (RFC 4180: commas, CRLF, quotes where needed), with a mark so that spreadsheets read it as UTF-8. */
export function writeCsv(header: readonly string[], rows: readonly (readonly string[])[]): string {
  return `\ufeff${Papa.unparse([[...header], ...rows.map((row) => row.map(harmlessCell))], { newline: "\r\n" })}\r\n`;
}
