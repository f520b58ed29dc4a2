import { type BrandBook, FACE_ROLES, type FaceRole } from "../../core/brand/book";
import { BRAND_FAMILIES, headlineWeight, textWeight } from "../../core/type/shippedFaces";

/** A typeface the team brought, as the page shows it. */
export interface OwnFace {
  readonly id: string;
  readonly family: string;
  readonly subfamily: string;
  readonly sha256: string;
  readonly weights: readonly [number, number];
  readonly letters: number;
  readonly embedding: string;
}

const stem = (family: string): string => family.toLowerCase().replaceAll(" ", "-");
export const ROLE_TEXT: Readonly<Record<FaceRole, string>> = { headline: "Headline", text: "Text", figures: "Figures" };
const SPECIMEN: Readonly<Record<FaceRole, string>> = {
  headline: "Fresh from the bench",
  text: "Six pots of herbs, grown without peat: Äpfel, crème, Øl, ł, ß. Until Sunday.",
  figures: "£24.00 → £20.40 · 0123456789",
};
const SCRIPT_SAMPLE: Readonly<Record<string, string>> = {
  Arabic: "طازج من الحديقة",
  Devanagari: "बगीचे से ताज़ा",
  Japanese: "庭から、とれたて",
};
const SCRIPT_SUBSET: Readonly<Record<string, string>> = { Arabic: "arabic", Devanagari: "devanagari" };

/** The weight a role's face is shown and set in. */
export function weightOf(role: FaceRole, family: string, chosen: number | null, own: OwnFace | undefined): number {
  if (own) return chosen ?? (role === "text" ? own.weights[0] : own.weights[1]);
  return (role === "text" ? textWeight(family) : headlineWeight(family)) ?? 400;
}

/** CSS that lets the page show a face under the name `sample role`. The file is the one that is rendered with. */
export function faceRule(name: string, family: string, weight: number, own: OwnFace | undefined): string {
  if (own) {
    const [least, most] = own.weights;
    const range = least < most ? `;font-weight:${least} ${most}` : "";
    return `@font-face{font-family:"${name}";src:url(/faces/own/${own.sha256}/${weight})${range}}`;
  }
  const look = BRAND_FAMILIES.find((one) => one.family === family)?.look ?? "sans";
  const subset = SCRIPT_SUBSET[look];
  return ["latin", ...(subset ? [subset] : [])]
    .map((part) => {
      const range = part === "latin" ? "" : ";unicode-range:U+0600-06FF,U+0900-097F";
      return `@font-face{font-family:"${name}";src:url(/faces/${stem(family)}/${part}/${weight})${range}}`;
    })
    .join("");
}

/** The words a role's face is shown with, set in it. Its rule must be on the page as `sample role`. */
export function Specimen({ role, family, weight }: { role: FaceRole; family: string; weight: number | undefined }) {
  const look = BRAND_FAMILIES.find((one) => one.family === family)?.look ?? "";
  return (
    <p
      className={`min-w-0 wrap-anywhere ${role === "text" ? "text-[19px] leading-snug" : "text-[34px] leading-tight"}`}
      style={{ fontFamily: `"sample ${role}"`, fontWeight: weight }}
    >
      {SPECIMEN[role]}{" "}
      {SCRIPT_SAMPLE[look] && (
        <span dir="auto" lang={look === "Arabic" ? "ar" : look === "Japanese" ? "ja" : "hi"}>
          {SCRIPT_SAMPLE[look]}
        </span>
      )}
    </p>
  );
}

/** All three faces of a book with their names. */
export function FaceSpecimens({ faces, own }: { faces: BrandBook["faces"]; own: readonly OwnFace[] }) {
  return (
    <dl className="divide-y divide-rule border-y border-rule">
      {FACE_ROLES.map((role) => {
        const { family, weight: chosen } = faces[role];
        const brought = own.find((one) => one.family === family);
        const weight = weightOf(role, family, chosen, brought);
        return (
          <div key={role} className="grid grid-cols-[200px_1fr] gap-6 py-3 max-sm:grid-cols-1 max-sm:gap-1">
            <style>{faceRule(`sample ${role}`, family, weight, brought)}</style>
            <dt>
              <span className="font-semibold">{ROLE_TEXT[role]}</span>
              <br />
              <span className="text-sm text-soft">
                {family}, {weight}
              </span>
            </dt>
            <dd>
              <Specimen role={role} family={family} weight={brought ? weight : undefined} />
            </dd>
          </div>
        );
      })}
    </dl>
  );
}
