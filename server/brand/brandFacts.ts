import { recordBy } from "../../core/records";
import { type BrandBook, FACE_ROLES, paletteOf, signOffWords } from "../../core/brand/book";
import { type BrandFacts, type MediaFacts } from "../../core/document/facts";
import { type FaceChoice } from "../../core/type/faces";
import { headlineWeight, textWeight } from "../../core/type/shippedFaces";
import { type OwnFamily } from "../faces/ownFonts";

export interface StoredBrand {
  readonly id: string;
  readonly name: string;
  readonly book: BrandBook;
}

/** The face a book's choice stands for; null when there is no such family. */
export function resolveFace(
  family: string,
  weight: number | null,
  role: keyof BrandBook["faces"],
  own: readonly OwnFamily[],
): FaceChoice | null {
  const brought = own.find((one) => one.family === family);
  if (brought) return { family, weight: weight ?? (role === "text" ? brought.weights[0] : brought.weights[1]) };
  const usual = role === "text" ? textWeight(family) : headlineWeight(family);
  return usual === null ? null : { family, weight: usual };
}

/** A brand as scenes use it. */
export function brandFacts(
  { id, name, book }: StoredBrand,
  media: Readonly<Record<string, MediaFacts>>,
  own: readonly OwnFamily[],
): BrandFacts {
  const faces = recordBy(FACE_ROLES, (role) => {
    const { family, weight } = book.faces[role];
    // A typeface that was removed gives way to a shipped one; the brand book says so.
    return resolveFace(family, weight, role, own) ?? { family: "Instrument Sans", weight: role === "text" ? 400 : 700 };
  });
  const logos = book.logos.flatMap(({ variant, media: logo }) => {
    const picture = media[logo];
    return picture?.kind === "picture" ? [{ variant, picture }] : [];
  });
  const chosen = new Set(Object.values(faces).map(({ family }) => family));
  const { on, corner, size, opacity } = book.watermark;
  return {
    id,
    name,
    faces,
    logos,
    palette: paletteOf(book),
    ownFaces: own
      .filter(({ family }) => chosen.has(family))
      .flatMap(({ family, file }) =>
        Object.values(faces)
          .filter((face) => face.family === family)
          .map((face) => ({ ...face, file: file(face.weight) })),
      ),
    signOff: { first: signOffWords(book, "first"), second: signOffWords(book, "second") },
    form: book.form,
    call: book.calls[0] ?? "",
    website: book.contact.website,
    handle: book.contact.handles[0] ?? "",
    logoRules: book.logoRules,
    watermark: on ? { corner, size, opacity } : null,
  };
}
