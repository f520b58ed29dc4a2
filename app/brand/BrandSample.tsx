import { type BrandBook, newBrandBook, paletteOf, signOffWords } from "../../core/brand/book";
import { COLOR_ROLES, inkFor } from "../../core/color/palette";
import { isHex } from "../../core/color/srgb";
import { thumbAddress } from "../components/mediaLook";

/** The book at work: a small card in the brand's colours and faces. */
export function BrandSample({
  name,
  book,
  logo,
}: {
  name: string;
  book: BrandBook;
  logo: Parameters<typeof thumbAddress>[0] | null;
}) {
  const palette = paletteOf(book);
  if (!COLOR_ROLES.every((role) => isHex(palette[role]))) return null;
  return (
    <aside
      aria-label="The book at work"
      className="shadow-md"
      style={{ background: palette.ground, color: inkFor(palette.ground, palette) }}
    >
      <div className="flex h-28 items-center justify-center p-5" style={{ background: palette.card }}>
        {logo ? (
          <img src={thumbAddress(logo, 500) ?? ""} alt="Logo" className="max-h-20 max-w-[250px]" />
        ) : (
          <span style={{ color: inkFor(palette.card, palette) }}>{name}</span>
        )}
      </div>
      <div className="h-2" style={{ background: palette.accent }} />
      <div className="p-6">
        <p
          className="inline-block px-3 py-1 cut"
          style={{
            background: palette.sale,
            color: inkFor(palette.sale, palette, ["card", "ink"]),
            fontFamily: '"sample headline"',
          }}
        >
          15 % off
        </p>
        <p
          className="mt-3 text-[36px] leading-[1.05]"
          style={{ fontFamily: '"sample headline"', color: inkFor(palette.ground, palette, ["primary", "ink"]) }}
        >
          {book.calls[0] || newBrandBook().calls[0]}
        </p>
        <p className="mt-3 text-base" style={{ fontFamily: '"sample text"' }}>
          Set in {book.faces.text.family}, <span style={{ fontFamily: '"sample figures"' }}>£24.00 → £20.40</span>,
          until Sunday.
        </p>
      </div>
      <div
        className="px-6 py-3.5"
        style={{
          background: palette.primary,
          color: inkFor(palette.primary, palette, ["card", "ink"]),
          fontFamily: '"sample text"',
        }}
      >
        {signOffWords(book, "first") || "your website"}
      </div>
    </aside>
  );
}
