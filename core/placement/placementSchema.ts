import { array, boolean, number, object, string, ValidationError } from "yup";
import { Refusal } from "../refusal";
import { rect } from "../geometry/rect";
import { FILE_KIND_NAMES } from "../output/fileKinds";
import { LEAST_LIMIT_BYTES, LOUDNESS_RANGE, MOST_LIMIT_BYTES } from "../output/output";
import { RATE_NAMES } from "../output/rates";
import { holds } from "../text/cleanText";
import { type FormatName, isFormatName } from "./formats";
import { type Placement } from "./placements";
import { QUALITIES } from "./quality";

export const PLACEMENT_ID = /^[a-z0-9][a-z0-9-]{0,59}$/;
export const MOST_PLACEMENT_TITLE = 60;
export const MOST_FURNITURE = 12;
export const MOST_FURNITURE_NAME = 40;
export const MOST_SECONDS = 3600;
export const MOST_LETTERS = 100_000;
export const MOST_TAGS = 200;

const words = (most: number) =>
  string().trim().test("letters", `At most ${most} characters.`, holds(most)).required("Write what it is called.");
const share = () => number().min(0, "At least 0 %.").max(1, "At most 100 %.").required();
const seconds = () =>
  number().positive("More than 0 s.").max(MOST_SECONDS, `At most ${MOST_SECONDS} s.`).defined().nullable();
const letters = () => number().integer().min(1).max(MOST_LETTERS).defined().nullable();

const furniture = object({
  what: words(MOST_FURNITURE_NAME),
  place: object({ x: share(), y: share(), width: share(), height: share() }).required(),
}).test(
  "inside",
  "What is drawn lies in the frame: its left and width, and its top and height, make 100 % at most.",
  ({ place }) => place.x + place.width <= 1 + 1e-6 && place.y + place.height <= 1 + 1e-6,
);

const schema = object({
  id: string().matches(PLACEMENT_ID, "An id is small letters, figures and dashes.").required(),
  title: words(MOST_PLACEMENT_TITLE),
  format: string<FormatName>().required().test("format", "There is no such format.", isFormatName),
  furniture: array(furniture).max(MOST_FURNITURE).required(),
  longest: seconds(),
  shortest: seconds(),
  loudness: number().min(LOUDNESS_RANGE.least).max(LOUDNESS_RANGE.most).required(),
  quality: string().oneOf(QUALITIES).required(),
  kinds: array(string().oneOf(FILE_KIND_NAMES).required()).min(1, "Choose at least one kind of file.").required(),
  rates: array(string().oneOf(RATE_NAMES).required()).min(1, "Choose at least one frame rate.").required(),
  mostBytes: number().integer().min(LEAST_LIMIT_BYTES).max(MOST_LIMIT_BYTES).defined().nullable(),
  post: object({
    title: letters(),
    body: letters(),
    tags: number().integer().min(1).max(MOST_TAGS).defined().nullable(),
    link: boolean().required(),
  }).required(),
})
  .noUnknown()
  .test(
    "lengths",
    "The shortest is no longer than the longest.",
    ({ shortest, longest }) => shortest === null || longest === null || shortest <= longest,
  );

/** Reads a placement. Throws a Refusal that names it, the field and what is wrong with it. */
export function readPlacement(value: unknown): Placement {
  try {
    const { furniture: drawn, ...placement } = schema.validateSync(value, { strict: true, abortEarly: true });
    return {
      ...placement,
      furniture: drawn.map(({ what, place: { x, y, width, height } }) => ({ what, place: rect(x, y, width, height) })),
    };
  } catch (error) {
    if (!(error instanceof ValidationError)) throw error;
    const { path, message } = error;
    throw new Refusal(`${nameOf(value)}${path ? `, ${path}` : ""}: ${message}`);
  }
}

function nameOf(value: unknown): string {
  const title: unknown = typeof value === "object" && value !== null && "title" in value ? value.title : null;
  return typeof title === "string" && title.trim() !== "" ? `“${title.slice(0, MOST_PLACEMENT_TITLE)}”` : "A placement";
}

export const MOST_PLACEMENTS = 100;
const file = object({ placements: array().max(MOST_PLACEMENTS, `At most ${MOST_PLACEMENTS} placements.`).required() });

/** Reads a file of placements, as they are exported. Throws a Refusal with what is wrong with it. */
export function readPlacements(value: unknown): Placement[] {
  if (!file.isValidSync(value, { strict: true }))
    throw new Refusal(`This is no list of placements: it holds “placements”, at most ${MOST_PLACEMENTS} of them.`);
  const placements = value.placements.map(readPlacement);
  const twice = placements.find(({ id }, at) => placements.findIndex((one) => one.id === id) !== at);
  if (twice) throw new Refusal(`“${twice.id}” is there twice. Give each placement an id of its own.`);
  return placements;
}
