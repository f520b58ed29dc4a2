import { COLOR_ROLES, type Palette } from "../../core/color/palette";
import { isHex } from "../../core/color/srgb";
import { type BrandFacts, type Facts, type MediaFacts, type PictureFacts } from "../../core/document/facts";
import { type Promotion } from "../../core/document/promotion";
import { money } from "../../core/offer/money";
import { type OfferLines, offerLines } from "../../core/offer/offerLines";
import { type Reduction } from "../../core/offer/reduction";
import { type TeamScope } from "../db/teamScope";
import { mediaFacts } from "../media/storedFacts";
import { type RenderInput } from "../render/renderInput";

/** Reads a palette from the database. Throws, naming the role, when a colour is missing or wrong. */
export function readPalette(value: object): Palette {
  const entries = COLOR_ROLES.map((role) => {
    const color: unknown = role in value ? value[role as keyof typeof value] : undefined;
    if (typeof color !== "string" || !isHex(color)) throw new TypeError(`The brand's colour “${role}” must look like #1a2b3c.`);
    return [role, color] as const;
  });
  return Object.fromEntries(entries) as unknown as Palette;
}

/** An offer as it applies to a price, or why it can't. */
export interface OfferRow {
  readonly kind: "percent-off" | "new-price";
  readonly percent: number | null;
  readonly price_minor: number | null;
  readonly currency: string;
  readonly starts_at: Date;
  readonly ends_at: Date;
  readonly zone: string;
}

export function reductionOf(offer: OfferRow): Reduction {
  return offer.kind === "percent-off"
    ? { kind: "percent-off", percent: offer.percent ?? 0 }
    : { kind: "new-price", price: money(offer.price_minor ?? 0, offer.currency) };
}

/** The lines of an offer on a product; null where the offer can't apply (another currency, no lower price). */
export function linesFor(product: { price_minor: number; currency: string }, offer: OfferRow, locale: string): OfferLines | null {
  try {
    return offerLines(money(product.price_minor, product.currency), reductionOf(offer), { startsAt: offer.starts_at, endsAt: offer.ends_at, zone: offer.zone }, locale);
  } catch {
    return null;
  }
}

/** Everything of the team that a document's frames can depend on, with the hash of each media item. */
export async function loadRenderInput(scope: TeamScope, document: Promotion): Promise<RenderInput> {
  const [team, brandRow, product, offer, rows] = await Promise.all([
    scope.team().select("locale").executeTakeFirstOrThrow(),
    scope.brands().selectAll().where("id", "=", document.brand).executeTakeFirstOrThrow(),
    document.product ? scope.products().selectAll().where("id", "=", document.product).executeTakeFirst() : undefined,
    document.offer ? scope.offers().selectAll().where("id", "=", document.offer).executeTakeFirst() : undefined,
    scope.media().selectAll().where("state", "=", "ready").execute(),
  ]);
  const media: Record<string, MediaFacts> = {};
  const hashes: Record<string, string> = {};
  const used = new Set([
    ...Object.values(document.fills).flatMap((fill) => (fill.kind === "media" ? [fill.media] : [])),
    ...[document.tune, product?.picture_media_id, brandRow.logo_media_id].filter((id) => id !== null && id !== undefined),
  ]);
  for (const row of rows) {
    const facts = used.has(row.id) ? mediaFacts(row) : null;
    if (!facts) continue;
    media[row.id] = facts;
    hashes[row.id] = row.sha256;
  }
  const logo = media[brandRow.logo_media_id ?? ""];
  const facts: Facts = {
    brand: brandFacts(brandRow, logo?.kind === "picture" ? logo : null),
    product: product ? { id: product.id, name: product.name, line: product.line, picture: product.picture_media_id } : null,
    offer: product && offer ? linesFor(product, offer, team.locale) : null,
    media,
  };
  return { document, facts, hashes };
}

interface BrandRow {
  readonly id: string;
  readonly name: string;
  readonly palette: object;
  readonly headline_family: string;
  readonly text_family: string;
  readonly website: string;
  readonly handle: string;
  readonly call: string;
}

export function brandFacts(row: BrandRow, logo: PictureFacts | null): BrandFacts {
  const { id, name, website, handle, call } = row;
  return { id, name, palette: readPalette(row.palette), headlineFamily: row.headline_family, textFamily: row.text_family, website, handle, call, logo };
}
