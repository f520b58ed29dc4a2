import { LRUCache } from "lru-cache";
import { type BrandBook, FACE_ROLES } from "../../core/brand/book";
import { COLOR_ROLES } from "../../core/color/palette";
import { type PaletteFile } from "../../core/color/paletteFiles";
import { inRanges } from "../../core/type/faces";
import { faceCatalogue } from "../faces/faceFiles";
import { ownFamilies } from "../faces/ownFonts";
import { type TeamScope } from "../db/teamScope";
import { type PictureFacts } from "../../core/document/facts";
import { factsOf } from "../media/factsOf";
import { moreFacts } from "../media/storedFacts";
import { resolvePromotion } from "../../core/document/resolve";
import { loadRenderInput } from "../promotions/loadFacts";
import { promotionsIn } from "./brandBook";
import { brandFacts, type StoredBrand } from "./brandFacts";
import { readStored } from "../promotions/readStored";

/** A brand's colours as a file would hold them. */
export const paletteFile = ({ name, book }: StoredBrand): PaletteFile => ({
  name,
  colors: [
    ...COLOR_ROLES.map((role) => ({ name: book.colors[role].name, hex: book.colors[role].hex })),
    ...book.extras,
  ],
});

const MOST_PROPOSALS = 6;
const MOST_LETTERS = 12;
/** Letters are looked for in so many promotions, those that were changed last. */
const MOST_READ = 30;

/** Colours to propose: those of the brand's logos, then of its newest pictures. */
export async function colorProposals(scope: TeamScope, book: BrandBook): Promise<{ from: string; colors: string[] }[]> {
  const logos = book.logos.map(({ media }) => media);
  const [own, newest] = await Promise.all([
    logos.length > 0 ? scope.media().selectAll().where("id", "in", logos).execute() : [],
    scope
      .media()
      .selectAll()
      .where("kind", "=", "picture")
      .where("state", "=", "ready")
      .orderBy("created_at", "desc")
      .limit(MOST_PROPOSALS)
      .execute(),
  ]);
  return [...own, ...newest.filter(({ id }) => !logos.includes(id))].slice(0, MOST_PROPOSALS).flatMap((row) => {
    const colors = (moreFacts(row).colors ?? []).map(({ hex }) => hex);
    return colors.length > 0 ? [{ from: row.name, colors }] : [];
  });
}

interface Lacking {
  readonly family: string;
  readonly letters: string;
  readonly promotions: string;
}
const known = new LRUCache<string, readonly Lacking[]>({ max: 200 });

/**
 * Letters that promotions of a brand use and its typefaces lack, by typeface. Found out anew when a promotion or anything
 * that promotions draw from has changed.
 *
 * @param stamp the team's, see `Person`
 */
export async function lackingLetters(scope: TeamScope, brand: StoredBrand, stamp: string): Promise<readonly Lacking[]> {
  const { changed } = await promotionsIn(scope, brand.id)
    .select((eb) => eb.fn.max("updated_at").as("changed"))
    .executeTakeFirstOrThrow();
  const key = `${brand.id} ${stamp} ${changed instanceof Date ? changed.getTime() : ""}`;
  const before = known.get(key);
  if (before) return before;
  const lacking = await findLacking(scope, brand);
  known.set(key, lacking);
  return lacking;
}

async function findLacking(scope: TeamScope, brand: StoredBrand): Promise<Lacking[]> {
  const [promotions, catalogue, own] = await Promise.all([
    promotionsIn(scope, brand.id).select(["name", "document"]).orderBy("updated_at", "desc").limit(MOST_READ).execute(),
    faceCatalogue(),
    ownFamilies(scope),
  ]);
  const { faces } = brandFacts(brand, {}, own);
  const texts: { name: string; text: string }[] = [];
  for (const { name, document } of promotions) {
    const input = await loadRenderInput(scope, readStored(document), { withoutTones: true });
    texts.push({
      name,
      text: resolvePromotion(input.document, input.facts)
        .scenes.flatMap(({ words, offer }) => [
          ...Object.values(words),
          ...(offer ? [offer.now, offer.was, offer.badge, offer.until] : []),
        ])
        .join(""),
    });
  }
  const families = [...new Map(FACE_ROLES.map((role) => [faces[role].family, faces[role]])).values()];
  return families.flatMap(({ family, weight }) => {
    const brought = own.find((one) => one.family === family);
    const files = brought ? [brought.file(weight)] : (catalogue.faces[`${family}/${weight}`] ?? []);
    const covers = (code: number): boolean => files.some(({ ranges }) => inRanges(ranges, code));
    const lacking = texts
      .map(({ name, text }) => ({
        name,
        letters: Array.from(text).filter(
          (letter) => /[\p{L}\p{Sc}\p{N}]/u.test(letter) && !covers(letter.codePointAt(0) ?? 0),
        ),
      }))
      .filter(({ letters }) => letters.length > 0);
    if (lacking.length === 0) return [];
    const letters = [...new Set(lacking.flatMap((one) => one.letters))];
    return [
      {
        family,
        letters: letters.slice(0, MOST_LETTERS).join(" ") + (letters.length > MOST_LETTERS ? " …" : ""),
        promotions: lacking.map(({ name }) => `“${name}”`).join(", "),
      },
    ];
  });
}

/** The pictures of a brand's logos. */
export async function logoPictures(scope: TeamScope, book: BrandBook): Promise<PictureFacts[]> {
  const facts = await factsOf(
    scope,
    book.logos.map(({ media }) => media),
  );
  return [...facts.values()].filter((item) => item.kind === "picture");
}
