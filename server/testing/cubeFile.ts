import { createHash } from "node:crypto";
import { existsSync, mkdirSync, renameSync, writeFileSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { type LookupTable, PARTS, TABLE_SIDE } from "../../core/grading/lookupTable";

/** A colour table as a cube file, the open form of such tables: its side, then a colour a line, red changing fastest. */
function cubeText({ values }: LookupTable): string {
  const lines = [`LUT_3D_SIZE ${TABLE_SIDE}`];
  for (let at = 0; at < values.length; at += 3) lines.push([...values.subarray(at, at + 3)].map(written).join(" "));
  return `${lines.join("\n")}\n`;
}

const written = (value: number): string => (value / (255 * PARTS)).toFixed(7);

/** Where ffmpeg finds a colour table: written once, under a name that its contents decide. */
export function cubeFile(table: LookupTable): string {
  const folder = join(tmpdir(), "stencilcraft-tables");
  const name = createHash("sha256").update(new Uint8Array(table.values.buffer)).digest("hex");
  const file = join(folder, `${name}.cube`);
  if (existsSync(file)) return file;
  mkdirSync(folder, { recursive: true });
  // Written beside it first: another thread may be reading.
  const part = `${file}.${process.pid}.${Math.random().toString(36).slice(2)}`;
  writeFileSync(part, cubeText(table));
  renameSync(part, file);
  return file;
}
