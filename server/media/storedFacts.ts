import { array, boolean, number, object, string, type InferType } from "yup";
import { PATH_POINTS } from "../../core/geometry/subjectPath";
import { type MediaFacts } from "../../core/document/facts";
import { readOnce } from "../db/readOnce";
import { fileVersion } from "./fileVersion";

const side = number().integer().min(1).required();
const focal = object({ x: number().min(0).max(1).required(), y: number().min(0).max(1).required() }).required();
const rate = object({
  numerator: number().integer().min(1).required(),
  denominator: number().integer().min(1).required(),
}).required();
const colors = array(
  object({
    hex: string()
      .matches(/^#[0-9a-f]{6}$/)
      .required(),
    share: number().min(0).max(1).required(),
  }).required(),
).optional();
// What was read in before these were measured lacks them.
const sharpness = number().optional();
const quality = object({ blur: number().required(), noise: number().required(), bands: number().required() })
  .optional()
  .default(undefined);

const picture = object({
  width: side,
  height: side,
  levels: side,
  focal,
  colors,
  quality,
  cutOut: boolean().optional(),
});
const subject = object({
  step: side,
  pieces: array(
    object({ from: number().integer().min(0).required(), points: string().matches(PATH_POINTS).required() }),
  )
    .min(1)
    .required(),
});

// What was read in before its sound was measured lacks them.
const levels = array(number().min(0).max(100).required()).optional().default(undefined);

const clip = object({
  width: side,
  height: side,
  levels: side,
  focal,
  frames: side,
  rate,
  quality,
  // Clips that were read in before this was looked for lack it.
  subject: subject.optional().default(undefined),
  hasSound: boolean().required(),
  soundLevels: levels,
});
const sound = object({
  length: number().min(0).required(),
  loudness: number().nullable().defined(),
  peak: number().nullable().defined(),
  levels,
});

/** What people are told of an item besides; no frame depends on it. */
const more = object({
  colors,
  sharpness,
  cuts: array(number().required()).optional(),
  movement: number().optional(),
  peaks: array(number().required()).optional(),
  /** Beats a minute of a sound; null where none were found. */
  tempo: number().nullable().optional(),
});

const STRIP = { stripUnknown: true };
const readPicture = readOnce((facts) => picture.validateSync(facts, STRIP));
const readClip = readOnce((facts) => clip.validateSync(facts, STRIP));
const readSound = readOnce((facts) => sound.validateSync(facts, STRIP));
const readMore = readOnce((facts) => more.validateSync(facts, STRIP));

export type StoredFacts = (InferType<typeof picture> | InferType<typeof clip> | InferType<typeof sound>) &
  InferType<typeof more>;
export type MoreFacts = InferType<typeof more>;

/** A media row with its measured facts, read through a schema; null while it has none. */
export function mediaFacts(row: {
  id: string;
  name: string;
  kind: "picture" | "clip" | "sound";
  sha256: string;
  facts: object | null;
}): MediaFacts | null {
  if (!row.facts) return null;
  const item = { id: row.id, name: row.name, version: fileVersion(row.sha256) };
  switch (row.kind) {
    case "picture":
      return { kind: "picture", ...item, ...readPicture(row.facts) };
    case "clip":
      return { kind: "clip", ...item, ...readClip(row.facts) };
    case "sound":
      return { kind: "sound", ...item, ...readSound(row.facts) };
  }
}

export const moreFacts = (row: { facts: object | null }): MoreFacts => (row.facts ? readMore(row.facts) : {});
