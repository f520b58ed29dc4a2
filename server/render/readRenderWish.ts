import { array, number, object, string } from "yup";
import { FILE_KINDS, FILE_KIND_NAMES } from "../../core/output/fileKinds";
import { LEAST_LIMIT_BYTES, LOUDNESS_RANGE, MOST_LIMIT_BYTES } from "../../core/output/output";
import { type RenderWish, type WantedFile, wantedFiles } from "../../core/output/renderWish";
import { RATE_NAMES, USUAL_RATE } from "../../core/output/rates";
import { type FormatName } from "../../core/placement/formats";
import { type Placement } from "../../core/placement/placements";
import { QUALITIES } from "../../core/placement/quality";
import { type ReadForm, readForm } from "../formProblems";
import { leastBytes } from "./withinBytes";

/** What there is to choose from. */
export interface Choosable {
  readonly formats: readonly FormatName[];
  readonly placements: readonly Placement[];
  /** The languages that there are captions in. */
  readonly languages: readonly string[];
  /** How long the promotion is. */
  readonly seconds: number;
}

const list = () =>
  array(string().required())
    .transform((_, text: unknown) => (typeof text === "string" ? text.split(",").filter((one) => one !== "") : []))
    .default([]);
/** A field that is left empty says nothing. */
const orNull = (value: unknown, typed: unknown): unknown => (typed === "" || typed === undefined ? null : value);

const MB = 1_000_000;
const form = object({
  by: string()
    .oneOf(["formats", "placements"] as const, "Choose formats or placements.")
    .default("formats"),
  formats: list(),
  placements: list(),
  quality: string()
    .oneOf(QUALITIES, `Choose a quality: ${QUALITIES.join(", ")}.`)
    .required(),
  kind: string().oneOf(FILE_KIND_NAMES, "Choose a kind of file from the list.").default("mp4"),
  rate: string().oneOf(RATE_NAMES, "Choose a frame rate from the list.").default(USUAL_RATE),
  most: number()
    .transform(orNull)
    .typeError("Write the limit in MB, such as 8 or 7.5.")
    .min(LEAST_LIMIT_BYTES / MB, `At least ${LEAST_LIMIT_BYTES / MB} MB.`)
    .max(MOST_LIMIT_BYTES / MB, `At most ${MOST_LIMIT_BYTES / MB} MB.`)
    .nullable()
    .default(null),
  loudness: number()
    .transform(orNull)
    .min(LOUDNESS_RANGE.least, `At least ${LOUDNESS_RANGE.least} LUFS.`)
    .max(LOUDNESS_RANGE.most, `At most ${LOUDNESS_RANGE.most} LUFS.`)
    .nullable()
    .default(null),
  captions: string().transform(orNull).max(35).nullable().default(null),
});

/** Reads what somebody wants rendered. Every problem is under its field. */
export async function readRenderWish(
  sent: FormData | URLSearchParams,
  { formats, placements, languages, seconds }: Choosable,
): Promise<ReadForm<{ readonly files: readonly WantedFile[] }>> {
  const given = new FormData();
  for (const [name, value] of sent) given.append(name, value);
  const read = await readForm(form, given);
  if (!read.ok) return read;
  const { by, quality, kind, rate, most, loudness, captions } = read.values;
  // Who names none wants all there are; who unticked all of them wants none.
  const chosen = given.has("formats") ? formats.filter((one) => read.values.formats.includes(one)) : formats;
  const fitting = placements.filter(({ format }) => formats.includes(format));
  const mostBytes = most === null || !FILE_KINDS[kind].takesLimit ? null : Math.round(most * MB);
  if (captions !== null && !languages.includes(captions))
    return { ok: false, problems: { captions: "There are no captions in this language." } };
  if (mostBytes !== null && mostBytes < leastBytes(seconds))
    return {
      ok: false,
      problems: { most: `${seconds.toFixed(1)} s need ${(leastBytes(seconds) / MB).toFixed(2)} MB at least.` },
    };
  const wish: RenderWish = {
    ...{ by, formats: chosen, placements: read.values.placements, quality, kind, rate, mostBytes, loudness, captions },
  };
  const files = wantedFiles(wish, fitting);
  if (files.length === 0)
    return {
      ok: false,
      problems: { [by]: `Choose at least one of the ${by === "formats" ? "formats" : "placements"}.` },
    };
  return { ok: true, values: { files } };
}
