import { CSV_LIMITS } from "../../core/catalogue/csvText";
import { config } from "../config";
import { MOST_PACKAGE_BYTES } from "../templates/packageLimits";

const FORM_BYTES = 1_000_000;
/** Documents with all their edits, brand books, lists of products. */
const DOCUMENT_BYTES = 8_000_000;

interface Limit {
  readonly at: RegExp;
  readonly most: number;
  readonly what: string;
}

/** What may be sent where, in bytes. All else is a form of words. */
const limits = (): readonly Limit[] => [
  { at: /^\/media\/uploads(\/[^/]+)?$/, most: config().LIMIT_CLIP_BYTES, what: "files" },
  { at: /^\/templates\/import$/, most: MOST_PACKAGE_BYTES, what: "packages" },
  { at: /^\/brand-book(\.data)?$/, most: 13_000_000, what: "brand books and fonts" },
  { at: /^\/catalogue\/import(\.data)?$/, most: CSV_LIMITS.bytes + FORM_BYTES, what: "lists" },
  {
    at: /^\/(promotions|templates)\/[^/]+\/(edits|versions|shorter|template)$/,
    most: DOCUMENT_BYTES,
    what: "documents",
  },
];

/** Why a body is not read at all, or null. Nothing of it was read by then. */
export interface BodyProblem {
  readonly status: 411 | 413;
  readonly problem: string;
}

/**
 * @param path where it is sent, without what is searched for
 * @param headers those that say how long it is
 */
export function bodyProblem(
  method: string,
  path: string,
  headers: { readonly "content-length"?: string | undefined; readonly "transfer-encoding"?: string | undefined },
): BodyProblem | null {
  if (method === "GET" || method === "HEAD") return null;
  const { most, what } = limits().find(({ at }) => at.test(path)) ?? { most: FORM_BYTES, what: "forms" };
  const length = headers["content-length"];
  // Without a length it could be endless. Browsers always say it; whoever streams a file in is counted as it comes.
  if (length === undefined)
    return headers["transfer-encoding"] === undefined || what === "files" || what === "packages"
      ? null
      : { status: 411, problem: "Say with “Content-Length” how long the body is." };
  return Number(length) <= most
    ? null
    : { status: 413, problem: `This is larger than the limit for ${what}: ${Math.round(most / 1e6)} MB.` };
}
