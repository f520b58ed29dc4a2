import { boolean, number, object, type InferType } from "yup";
import { type MediaFacts } from "../../core/document/facts";

const side = number().integer().min(1).required();
const focal = object({ x: number().min(0).max(1).required(), y: number().min(0).max(1).required() }).required();
const rate = object({ numerator: number().integer().min(1).required(), denominator: number().integer().min(1).required() }).required();

const picture = object({ width: side, height: side, levels: side, focal });
const clip = object({ width: side, height: side, levels: side, focal, frames: side, rate, hasSound: boolean().required() });
const sound = object({ length: number().min(0).required(), loudness: number().nullable().defined(), peak: number().nullable().defined() });

export type StoredFacts = InferType<typeof picture> | InferType<typeof clip> | InferType<typeof sound>;

/** A media row with its measured facts, read through a schema; null while it has none. */
export function mediaFacts(row: { id: string; name: string; kind: "picture" | "clip" | "sound"; facts: object | null }): MediaFacts | null {
  if (!row.facts) return null;
  const { id, name } = row;
  switch (row.kind) {
    case "picture":
      return { kind: "picture", id, name, ...picture.validateSync(row.facts) };
    case "clip":
      return { kind: "clip", id, name, ...clip.validateSync(row.facts) };
    case "sound":
      return { kind: "sound", id, name, ...sound.validateSync(row.facts) };
  }
}
