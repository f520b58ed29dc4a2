import { type Facts } from "../../core/document/facts";
import { readPromotion, type Promotion } from "../../core/document/promotion";
import { NO_STANDING } from "../../core/document/standing";
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
  if (!("document" in value && "facts" in value && "hashes" in value))
    throw new TypeError("A stored render lacks its input.");
  // Written by `loadRenderInput` of some version: what has come since is added below.
  const { facts, hashes } = value as Pick<RenderInput, "hashes"> & { readonly facts: OlderFacts };
  return { document: readPromotion(value.document), facts: upgradedFacts(facts), hashes };
}

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
