import { array, object, string } from "yup";
import { type Facts } from "../../core/document/facts";
import { readPromotion, type Promotion } from "../../core/document/promotion";
import { NO_STANDING } from "../../core/document/standing";
import { recordSchema } from "../../core/recordSchema";
import { SHIPPED_BY_REF } from "../../core/templates/shipped";
import { type FormatName } from "../../core/placement/formats";
import { type Output, isMarkedDraft } from "../../core/output/output";
import { type Quality } from "../../core/placement/quality";

/** Everything a render depends on, fixed at the moment it was asked for. Plain JSON. */
export interface RenderInput {
  readonly document: Promotion;
  readonly facts: Facts;
  /** The SHA-256 of each media item in the facts, by id: the name of its bytes. */
  readonly hashes: Readonly<Record<string, string>>;
}

/** Reads the fixed input of a render back from the database. */
export function readRenderInput(value: object): RenderInput {
  if (!isStoredInput(value)) throw new TypeError("A stored render lacks its input, or some of it.");
  const { document, facts, hashes } = value;
  return { document: readPromotion(document), facts: upgradedFacts(facts), hashes };
}

/** As `loadRenderInput` of some version wrote it: what has come since is added below. */
interface StoredInput extends Pick<RenderInput, "hashes"> {
  readonly document: object;
  readonly facts: OlderFacts;
}

/** Its outline. What facts are in full their types say, since only we write them, with the render. */
const outline = object({
  document: object().required(),
  facts: object({
    brand: object({
      ...{ id: string().required(), palette: object().required(), faces: object().required() },
      ...{ logos: array().required(), logoRules: object().required(), signOff: object().required() },
    }).required(),
    media: recordSchema(object({ kind: string().oneOf(["picture", "clip", "sound"]) })),
  }).required(),
  hashes: recordSchema(string().required()),
});

const isStoredInput = (value: unknown): value is StoredInput => outline.isValidSync(value, { strict: true });

/** Facts as they were stored before templates had editions. */
type Since = "products" | "listed" | "templates" | "standing";
type OlderFacts = Omit<Facts, "brand" | Since> &
  Partial<Pick<Facts, Since>> & {
    readonly brand: Omit<Facts["brand"], "website"> & Partial<Pick<Facts["brand"], "website">>;
  };

/** Renders stored before templates had editions lack what only newer arrangements show; all were of shipped templates. */
const upgradedFacts = (facts: OlderFacts): Facts => ({
  ...facts,
  brand: { ...facts.brand, website: facts.brand.website ?? "" },
  products: facts.products ?? {},
  listed: facts.listed ?? [],
  templates: facts.templates ?? SHIPPED_BY_REF,
  standing: { ...NO_STANDING, ...facts.standing },
});

/** How a promotion is painted. */
export interface OutputChoice {
  readonly format: FormatName;
  readonly quality: Quality;
  /** Whether its frames say that they are a draft. */
  readonly isMarked?: boolean;
}

/** How a promotion is painted for a file. */
export const paintedFor = (format: FormatName, output: Output): OutputChoice => ({
  format,
  quality: output.quality,
  isMarked: isMarkedDraft(output),
});
