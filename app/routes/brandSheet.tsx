import { redirect } from "react-router";
import { paletteOf } from "../../core/brand/book";
import { logoFor } from "../../core/brand/logoChoice";
import { contrastRatio, contrastVerdict } from "../../core/color/contrast";
import { COLOR_ROLES, inkFor } from "../../core/color/palette";
import { COLOR_NOTATIONS, writeColor } from "../../core/color/typedColor";
import { requirePerson } from "../../server/auth/sessions";
import { workingBrand } from "../../server/brand/brandBook";
import { logoPictures } from "../../server/brand/brandPage";
import { ownFamilies } from "../../server/faces/ownFonts";
import type { Route } from "./+types/brandSheet";
import { FaceSpecimens } from "../brand/FaceSpecimens";
import { Button, ButtonLink } from "../components/Button";
import { thumbAddress } from "../components/mediaLook";

export async function loader({ request }: Route.LoaderArgs) {
  const { scope, id } = await requirePerson(request);
  const brand = await workingBrand(scope, id);
  if (!brand) throw redirect("/brand-book");
  const own = await ownFamilies(scope);
  return {
    brand,
    pictures: await logoPictures(scope, brand.book),
    own: own.map(({ id, family, subfamily, sha256, weights, letters, embedding }) => ({
      id,
      family,
      subfamily,
      sha256,
      weights,
      letters,
      embedding,
    })),
  };
}

/** The whole book on one page, made for printing. */
export default function BrandSheet({
  loaderData: {
    brand: { name, book },
    pictures,
    own,
  },
}: Route.ComponentProps) {
  const palette = paletteOf(book);
  const logos = book.logos.flatMap(({ variant, media }) => {
    const facts = pictures.find(({ id }) => id === media);
    return facts ? [{ variant, facts, colors: facts.colors ?? [] }] : [];
  });
  const lines = [book.contact.website, book.contact.phone, book.contact.address, ...book.contact.handles].filter(
    Boolean,
  );
  return (
    <main className="flex-1 px-8 py-7 print:p-0">
      <title>{`${name}, brand sheet · Stencilcraft`}</title>
      <div className="mb-6 flex items-center justify-between print:hidden">
        <ButtonLink look="quiet" to="/brand-book">
          Back to the book
        </ButtonLink>
        <Button look="main" onClick={() => window.print()}>
          Print or save as PDF
        </Button>
      </div>
      <article className="mx-auto max-w-[1000px] bg-card p-10 shadow-md print:max-w-none print:p-0 print:shadow-none">
        <header className="mb-8 flex items-end justify-between border-b-2 border-ink pb-4">
          <h1 className="text-4xl">{name}</h1>
          <p className="text-soft">Brand sheet</p>
        </header>
        <section className="mb-8">
          <h2 className="mb-3">Logos</h2>
          <ul className="grid grid-cols-3 gap-4">
            {COLOR_ROLES.slice(0, 6).map((role) => {
              const logo = logoFor(logos, palette[role]);
              return (
                <li key={role}>
                  <span
                    className="flex h-24 items-center justify-center border border-ink/10 p-5 [print-color-adjust:exact]"
                    style={{ background: palette[role] }}
                  >
                    {logo && (
                      <img
                        src={thumbAddress(logo.facts, 400) ?? ""}
                        alt={`Logo on ${role}`}
                        className="max-h-full max-w-full"
                      />
                    )}
                  </span>
                  <span className="text-sm text-soft">
                    on {role}
                    {logo ? `: ${logo.variant}` : ""}
                  </span>
                </li>
              );
            })}
          </ul>
          <p className="mt-2 text-sm text-soft">
            Clear space {Math.round(book.logoRules.clearSpace * 100)} % of its height · never narrower than{" "}
            {book.logoRules.leastWidth} of 1080 units
          </p>
        </section>
        <section className="mb-8">
          <h2 className="mb-3">Colours</h2>
          <ul className="grid grid-cols-4 gap-4">
            {[
              ...COLOR_ROLES.map((role) => ({ role, ...book.colors[role] })),
              ...book.extras.map((color) => ({ role: "extra", ...color })),
            ].map(({ role, name: color, hex }, index) => {
              const ink = inkFor(hex, palette);
              const ratio = contrastRatio(ink, hex);
              return (
                <li key={index} className="break-inside-avoid">
                  <span
                    className="flex h-20 items-end p-2 text-sm [print-color-adjust:exact]"
                    style={{ background: hex, color: ink }}
                  >
                    Aa {ratio.toFixed(1)} {contrastVerdict(ratio)}
                  </span>
                  <span className="block font-semibold">
                    {color} <span className="font-normal text-soft">{role}</span>
                  </span>
                  {COLOR_NOTATIONS.map((notation) => (
                    <span key={notation} className="block figures text-[11px] text-soft">
                      {writeColor(hex, notation)}
                    </span>
                  ))}
                </li>
              );
            })}
          </ul>
        </section>
        <section className="mb-8 break-inside-avoid">
          <h2 className="mb-3">Typefaces</h2>
          <FaceSpecimens faces={book.faces} own={own} />
        </section>
        <section className="grid break-inside-avoid grid-cols-3 gap-8">
          {(
            [
              ["Contact", lines],
              ["Calls to action", book.calls],
              ["Legal lines", book.legal],
            ] as const
          ).map(([head, texts]) => (
            <div key={head}>
              <h2 className="mb-2">{head}</h2>
              <ul className="text-sm">
                {texts.length === 0 ? (
                  <li className="text-soft">none</li>
                ) : (
                  texts.map((text) => (
                    <li key={text} className="border-b border-rule py-1">
                      {text}
                    </li>
                  ))
                )}
              </ul>
            </div>
          ))}
        </section>
      </article>
    </main>
  );
}

export { ProblemPage as ErrorBoundary } from "../components/ProblemPage";
