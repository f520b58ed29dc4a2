import { Form, data, useNavigation } from "react-router";
import { useState } from "react";
import { contrastRatio, contrastVerdict } from "../../core/color/contrast";
import { COLOR_ROLES, type ColorRole, type Palette, inkFor } from "../../core/color/palette";
import { isHex } from "../../core/color/srgb";
import { BRAND_FAMILIES, headlineWeight, textWeight } from "../../core/type/shippedFaces";
import { loadBrand, saveBrand } from "../../server/brand/brandBook";
import { requireEditor, requirePerson } from "../../server/auth/sessions";
import { mediaList } from "../../server/media/mediaList";
import type { Route } from "./+types/brandBook";
import { Button } from "../components/Button";
import { Choice, Field } from "../components/Field";
import { Notice } from "../components/Notice";
import { PageHead } from "../components/PageHead";
import { thumbAddress } from "../components/mediaLook";

export async function loader({ request }: Route.LoaderArgs) {
  const { scope } = await requirePerson(request);
  const [brand, media] = await Promise.all([loadBrand(scope), mediaList(scope)]);
  return { brand, pictures: media.flatMap(({ facts }) => (facts?.kind === "picture" ? [facts] : [])) };
}

export async function action({ request }: Route.ActionArgs) {
  const { scope } = await requireEditor(request);
  const result = await saveBrand(scope, await request.formData());
  return result.ok ? { saved: true, problems: {} as Readonly<Record<string, string>> } : data({ saved: false, problems: result.problems }, { status: 422 });
}

const ROLE_TEXT: Readonly<Record<ColorRole, string>> = {
  ground: "behind everything", card: "panels and plates", ink: "words", primary: "the brand’s own", accent: "badges and rules",
};
const FIRST: Palette = { ground: "#f3eee3", card: "#ffffff", ink: "#20282a", primary: "#2f4f6b", accent: "#c9603a" };

export default function BrandBook({ loaderData: { brand, pictures }, actionData }: Route.ComponentProps) {
  const [palette, setPalette] = useState<Palette>(brand?.palette ?? FIRST);
  const [faces, setFaces] = useState({ headline: brand?.headlineFamily ?? "Bricolage Grotesque", text: brand?.textFamily ?? "Instrument Sans" });
  const [logo, setLogo] = useState(brand?.logo?.id ?? "");
  const problems = actionData?.problems ?? {};
  const busy = useNavigation().state !== "idle";
  const shownLogo = pictures.find(({ id }) => id === logo);
  return (
    <main className="flex-1 px-8 py-7">
      <Form method="post">
        <PageHead title="Brand book" about="What every promotion draws from. A change here shows in all of them.">
          <Button look="main" type="submit" disabled={busy}>Save the book</Button>
        </PageHead>
        {actionData?.saved && <Notice kind="ready" className="mb-5">Saved. Promotions show it from now on; files rendered before stay as they are.</Notice>}
        {actionData && !actionData.saved && <Notice kind="wrong" className="mb-5">Not saved yet: see the marked fields.</Notice>}
        <div className="grid grid-cols-[minmax(0,1fr)_400px] gap-10 max-lg:grid-cols-1">
          <div className="flex flex-col gap-8">
            <section className="grid grid-cols-2 gap-4">
              <Field label="Brand name" name="name" defaultValue={brand?.name ?? ""} problem={problems["name"]} />
              <Field label="Call to action" name="call" defaultValue={brand?.call ?? ""} problem={problems["call"]} />
              <Field label="Website" name="website" defaultValue={brand?.website ?? ""} problem={problems["website"]} />
              <Field label="Handle" name="handle" defaultValue={brand?.handle ?? ""} problem={problems["handle"]} />
            </section>
            <section>
              <h2 className="mb-3">Colours</h2>
              <ul className="divide-y divide-rule border-y border-rule">
                {COLOR_ROLES.map((role) => <ColorRow key={role} role={role} palette={palette} problem={problems[role]} onChange={(hex) => setPalette({ ...palette, [role]: hex })} />)}
              </ul>
            </section>
            <section className="grid grid-cols-3 gap-4">
              {(["headline", "text"] as const).map((role) => (
                <Choice key={role} label={role === "headline" ? "Headline typeface" : "Text typeface"} name={role} value={faces[role]} problem={problems[role]}
                  onChange={(event) => setFaces({ ...faces, [role]: event.target.value })} options={BRAND_FAMILIES.map(({ family }) => [family, family])}
                />
              ))}
              <Choice label="Logo" name="logo" value={logo} problem={problems["logo"]} onChange={(event) => setLogo(event.target.value)} options={[["", "none"], ...pictures.map(({ id, name }) => [id, name] as const)]} />
            </section>
          </div>
          <BrandSample palette={palette} faces={faces} logo={shownLogo ? thumbAddress(shownLogo, 500) : null} call={brand?.call ?? "Come and see"} website={brand?.website ?? ""} />
        </div>
      </Form>
    </main>
  );
}

function ColorRow({ role, palette, problem, onChange }: { role: ColorRole; palette: Palette; problem: string | undefined; onChange: (hex: string) => void }) {
  const hex = palette[role];
  const valid = isHex(hex);
  const against: readonly ColorRole[] = role === "ink" ? ["ground", "card"] : role === "ground" || role === "card" ? ["ink", "primary"] : ["card", "ink"];
  return (
    <li className="flex items-center gap-4 py-2.5">
      <input type="color" value={valid ? hex : "#000000"} onChange={(event) => onChange(event.target.value)} aria-label={`${role} colour, picker`} className="h-10 w-14 border border-rule bg-white p-0.5" />
      <div className="w-40"><p className="font-semibold">{role}</p><p className="text-sm text-soft">{ROLE_TEXT[role]}</p></div>
      <div className="w-32">
        <input name={role} value={hex} onChange={(event) => onChange(event.target.value)} aria-label={`${role} colour, hex`} aria-invalid={problem ? true : undefined} className="figures w-full border border-rule bg-white px-2 py-2 uppercase" />
        {problem && <p role="alert" className="mt-1 text-sm text-wrong">{problem}</p>}
      </div>
      <div className="flex flex-1 gap-3">
        {against.map((other) => {
          if (!valid || !isHex(palette[other])) return null;
          const ratio = contrastRatio(hex, palette[other]);
          return (
            <div key={other} className="flex items-center gap-2 text-sm">
              <span aria-hidden data-sample className="flex h-9 w-12 items-center justify-center border border-ink/10 font-semibold" style={{ background: palette[other], color: hex }}>Aa</span>
              <span><span className="text-soft">on {other}</span><br /><span className="figures">{ratio.toFixed(1)}</span> {contrastVerdict(ratio)}</span>
            </div>
          );
        })}
      </div>
    </li>
  );
}

/** The book at work: a small card in the brand's colours and faces. */
function BrandSample({ palette, faces, logo, call, website }: { palette: Palette; faces: { headline: string; text: string }; logo: string | null; call: string; website: string }) {
  if (!COLOR_ROLES.every((role) => isHex(palette[role]))) return null;
  const stem = (family: string): string => family.toLowerCase().replaceAll(" ", "-");
  const face = (family: string, weight: number): string => `@font-face{font-family:"sample ${family}";font-weight:${weight};src:url(/faces/${stem(family)}/latin/${weight})}`;
  return (
    <aside aria-label="The book at work" className="self-start shadow-md" style={{ background: palette.ground, color: inkFor(palette.ground, palette) }}>
      <style>{face(faces.headline, headlineWeight(faces.headline)) + face(faces.text, textWeight(faces.text))}</style>
      <div className="flex h-36 items-center justify-center p-6" style={{ background: palette.card }}>{logo ? <img src={logo} alt="Logo" className="max-h-24 max-w-[300px]" /> : <span className="text-soft">No logo yet</span>}</div>
      <div className="h-2" style={{ background: palette.accent }} />
      <div className="p-7">
        <p className="cut inline-block px-3 py-1" style={{ background: palette.accent, color: inkFor(palette.accent, palette, ["card", "ink"]), fontFamily: `"sample ${faces.headline}"`, fontWeight: headlineWeight(faces.headline) }}>15 % off</p>
        <p className="mt-3 text-[42px] leading-[1.05]" style={{ fontFamily: `"sample ${faces.headline}"`, fontWeight: headlineWeight(faces.headline), color: inkFor(palette.ground, palette, ["primary", "ink"]) }}>{call}</p>
        <p className="mt-3 text-lg" style={{ fontFamily: `"sample ${faces.text}"` }}>Set in {faces.text}, £24.00 → £20.40, until Sunday.</p>
      </div>
      <div className="px-7 py-4" style={{ background: palette.primary, color: inkFor(palette.primary, palette, ["card", "ink"]), fontFamily: `"sample ${faces.text}"` }}>{website || "your website"}</div>
    </aside>
  );
}

export { ProblemPage as ErrorBoundary } from "../components/ProblemPage";
