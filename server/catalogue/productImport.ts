import { number, object } from "yup";
import { type CsvTable, decodeText, parseCsv, writeCsv } from "../../core/catalogue/csvText";
import {
  type ColumnMatch,
  type ListedProduct,
  PRODUCT_FIELDS,
  PRODUCT_FIELD_NAMES,
  matchColumns,
  readProductRow,
  writeContent,
} from "../../core/catalogue/productRow";
import { money, plainAmount } from "../../core/offer/money";
import { type TeamScope } from "../db/teamScope";
import { markNaming } from "../promotions/outdated";
import { contentOf } from "./productContent";
import { writeProduct } from "./products";

/** A row that can't be taken, by its number in the file (the heading is row 1). */
export interface RowFinding {
  readonly row: number;
  readonly problems: readonly string[];
}

/** What an import would do; nothing is written for it. */
export interface ImportPreview {
  readonly encoding: string;
  readonly delimiter: string;
  readonly header: readonly string[];
  readonly match: ColumnMatch;
  /** The first rows as they stand in the file. */
  readonly sample: readonly (readonly string[])[];
  readonly added: number;
  readonly changed: number;
  readonly same: number;
  /** The first of them. */
  readonly findings: readonly RowFinding[];
  /** How many rows have findings. */
  readonly left: number;
}

const SAMPLE_ROWS = 5;
const MOST_FINDINGS = 200;

/** Reads a CSV file and says what importing it would do. `chosen` overrides which column says what. Throws in words. */
export async function previewImport(
  scope: TeamScope,
  bytes: Uint8Array,
  currency: string,
  chosen: ColumnMatch | null,
): Promise<ImportPreview> {
  const { text, encoding } = decodeText(bytes);
  const table = parseCsv(text);
  const match = chosen ?? matchColumns(table.header);
  const { rows, findings } = readRows(table, match, currency);
  const known = await productsByCode(
    scope,
    rows.map(({ code }) => code),
  );
  const counts = { added: 0, changed: 0, same: 0 };
  for (const row of rows) {
    const before = known.get(row.code);
    counts[!before ? "added" : sameProduct(before.product, row) ? "same" : "changed"] += 1;
  }
  return {
    encoding,
    delimiter: table.delimiter,
    header: table.header,
    match,
    sample: table.rows.slice(0, SAMPLE_ROWS),
    ...counts,
    findings: findings.slice(0, MOST_FINDINGS),
    left: findings.length,
  };
}

/** Imports the good rows, all or none; those with findings are left out. Products with a known code are changed. */
export async function runImport(
  scope: TeamScope,
  bytes: Uint8Array,
  currency: string,
  match: ColumnMatch,
): Promise<{ added: number; changed: number; left: number }> {
  const { rows, findings } = readRows(parseCsv(decodeText(bytes).text), match, currency);
  const changedIds: string[] = [];
  const done = await scope.together(async (within) => {
    const known = await productsByCode(
      within,
      rows.map(({ code }) => code),
    );
    const fresh = rows.filter(({ code }) => !known.has(code));
    for (const row of rows) {
      const before = known.get(row.code);
      if (!before || sameProduct(before.product, row)) continue;
      await writeProduct(within, before.id, row);
      changedIds.push(before.id);
    }
    for (let at = 0; at < fresh.length; at += ROWS_AT_ONCE) await addMany(within, fresh.slice(at, at + ROWS_AT_ONCE));
    return { added: fresh.length, changed: changedIds.length, left: findings.length };
  });
  if (changedIds.length > 0) await markNaming(scope, changedIds, "a list of products was imported");
  return done;
}

const ROWS_AT_ONCE = 1000;

async function addMany(scope: TeamScope, rows: readonly ListedProduct[]): Promise<void> {
  const made = await scope
    .insert(
      "product",
      rows.map(({ name, line, text, code, price, content, link, tags, inStock }) => ({
        name,
        line,
        text,
        code,
        price_minor: price.amount,
        currency: price.currency,
        content_quantity: content?.quantity ?? null,
        content_unit: content?.unit ?? null,
        link,
        tags: [...tags],
        in_stock: inStock,
      })),
    )
    .returning(["id", "price_minor", "currency"])
    .execute();
  await scope
    .insert(
      "price_step",
      made.map(({ id, price_minor, currency }) => ({ product_id: id, from_at: new Date(), price_minor, currency })),
    )
    .execute();
}

function readRows(
  table: CsvTable,
  match: ColumnMatch,
  currency: string,
): { rows: ListedProduct[]; findings: RowFinding[] } {
  const rows: ListedProduct[] = [];
  const findings: RowFinding[] = [];
  const seen = new Map<string, number>();
  table.rows.forEach((cells, index) => {
    const result = readProductRow(cells, match, currency);
    const row = index + 2;
    if (!result.ok) return findings.push({ row, problems: result.problems });
    const { code } = result.product;
    const first = code === "" ? undefined : seen.get(code);
    if (first !== undefined)
      return findings.push({ row, problems: [`The code “${code}” stands in row ${first} already.`] });
    if (code !== "") seen.set(code, row);
    return rows.push(result.product);
  });
  return { rows, findings };
}

interface KnownProduct {
  readonly id: string;
  readonly product: ListedProduct;
}

async function productsByCode(scope: TeamScope, codes: readonly string[]): Promise<Map<string, KnownProduct>> {
  const wanted = [...new Set(codes.filter((code) => code !== ""))];
  const known = new Map<string, KnownProduct>();
  for (let at = 0; at < wanted.length; at += ROWS_AT_ONCE) {
    const rows = await scope
      .select("product")
      .selectAll()
      .where("code", "in", wanted.slice(at, at + ROWS_AT_ONCE))
      .execute();
    for (const row of rows) known.set(row.code, { id: row.id, product: productOf(row) });
  }
  return known;
}

interface ProductRow {
  readonly name: string;
  readonly line: string;
  readonly text: string;
  readonly code: string;
  readonly price_minor: number;
  readonly currency: string;
  readonly content_quantity: number | null;
  readonly content_unit: string | null;
  readonly link: string;
  readonly tags: readonly string[];
  readonly in_stock: boolean;
}

function productOf(row: ProductRow): ListedProduct {
  const { name, line, text, code, link, tags } = row;
  const content = contentOf(row);
  return {
    name,
    line,
    text,
    code,
    link,
    tags,
    content,
    price: money(row.price_minor, row.currency),
    inStock: row.in_stock,
  };
}

const sameProduct = (one: ListedProduct, other: ListedProduct): boolean =>
  JSON.stringify(cellsOf(one)) === JSON.stringify(cellsOf(other));

const cellsOf = ({ code, name, line, text, price, content, link, tags, inStock }: ListedProduct): string[] => [
  code,
  name,
  line,
  text,
  plainAmount(price),
  writeContent(content),
  link,
  tags.join(", "),
  inStock ? "yes" : "no",
];

/** All products as CSV, with headings that an import understands. */
export async function exportProducts(scope: TeamScope): Promise<string> {
  const rows = await scope.select("product").selectAll().orderBy("name").execute();
  return writeCsv(
    PRODUCT_FIELDS.map((field) => PRODUCT_FIELD_NAMES[field]),
    rows.map((row) => cellsOf(productOf(row))),
  );
}

const column = number().integer().min(0).max(100).nullable().defined();
const matchSchema = object({
  code: column,
  name: column,
  line: column,
  text: column,
  price: column,
  content: column,
  link: column,
  tags: column,
  stock: column,
});

/** Reads a chosen match of columns, as the page sends it. */
export const readMatch = (value: unknown): ColumnMatch => matchSchema.validateSync(value, { strict: true });
