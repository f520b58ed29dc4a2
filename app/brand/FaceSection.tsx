import { useRef } from "react";
import { useFetcher } from "react-router";
import { X } from "lucide-react";
import { Problem } from "../components/Problem";
import { type BrandBook, FACE_ROLES } from "../../core/brand/book";
import { BRAND_FAMILIES, FACE_CLASSES } from "../../core/type/shippedFaces";
import { Button } from "../components/Button";
import { FilePicker } from "../components/FilePicker";
import { Notice } from "../components/Notice";
import { type OwnFace, ROLE_TEXT, Specimen, faceRule, weightOf } from "./FaceSpecimens";

/** A brand's typefaces by role, each shown as a specimen, and the team's own font files. */
export function FaceSection({
  faces,
  own,
  lacking,
  problems,
  onChange,
}: {
  faces: BrandBook["faces"];
  own: readonly OwnFace[];
  lacking: readonly { readonly family: string; readonly letters: string; readonly promotions: string }[];
  problems: Readonly<Record<string, string>>;
  onChange: (faces: BrandBook["faces"]) => void;
}) {
  return (
    <section aria-label="Typefaces">
      <h2 className="mb-2">Typefaces</h2>
      <div className="divide-y divide-rule border-y border-rule">
        {FACE_ROLES.map((role) => {
          const { family, weight: chosen } = faces[role];
          const brought = own.find((one) => one.family === family);
          const weight = weightOf(role, family, chosen, brought);
          const look = BRAND_FAMILIES.find((one) => one.family === family)?.look ?? "";
          const set = (next: string): void => onChange({ ...faces, [role]: { family: next, weight: null } });
          return (
            <div key={role} className="grid grid-cols-[230px_minmax(0,1fr)] gap-6 py-3 max-sm:grid-cols-1 max-sm:gap-2">
              <style>{faceRule(`sample ${role}`, family, weight, brought)}</style>
              <div>
                <label className="mb-1 block text-sm" htmlFor={`face-${role}`}>
                  {ROLE_TEXT[role]} typeface
                </label>
                <select
                  id={`face-${role}`}
                  value={family}
                  onChange={(event) => set(event.target.value)}
                  className="w-full border border-rule bg-white px-3 py-2"
                >
                  {!brought && look === "" && <option value={family}>{family} (gone)</option>}
                  {own.length > 0 && (
                    <optgroup label="your own">
                      {own.map((one) => (
                        <option key={one.id} value={one.family}>
                          {one.family}
                        </option>
                      ))}
                    </optgroup>
                  )}
                  {FACE_CLASSES.map((group) => (
                    <optgroup key={group} label={group}>
                      {BRAND_FAMILIES.filter((one) => one.look === group).map((one) => (
                        <option key={one.family} value={one.family}>
                          {one.family}
                        </option>
                      ))}
                    </optgroup>
                  ))}
                </select>
                {brought && brought.weights[0] < brought.weights[1] && (
                  <label className="mt-2 flex items-center gap-2 text-sm">
                    weight{" "}
                    <input
                      type="number"
                      min={brought.weights[0]}
                      max={brought.weights[1]}
                      step={1}
                      value={weight}
                      onChange={(event) =>
                        onChange({
                          ...faces,
                          [role]: { family, weight: Math.round(Number(event.target.value)) || null },
                        })
                      }
                      className="w-20 border border-rule bg-white px-2 py-1.5 figures"
                    />
                  </label>
                )}
                <Problem text={problems[`faces.${role}.family`]} className="mt-1" />
              </div>
              <Specimen role={role} family={family} weight={brought ? weight : undefined} />
            </div>
          );
        })}
      </div>
      {lacking.map(({ family, letters, promotions }) => (
        <Notice key={family} kind="warn" className="mt-3">
          {family} lacks <span className="figures">{letters}</span>, used in {promotions}. Those letters are set in
          another typeface.
        </Notice>
      ))}
      <OwnFonts own={own} />
    </section>
  );
}

function OwnFonts({ own }: { own: readonly OwnFace[] }) {
  const fetcher = useFetcher<{ readonly problem: string | null; readonly done: string }>();
  const picker = useRef<HTMLInputElement>(null);
  const send = (file: File): void => {
    const form = new FormData();
    form.set("intent", "font");
    form.set("file", file);
    void fetcher.submit(form, { method: "post", encType: "multipart/form-data" });
  };
  return (
    <div className="mt-3 text-sm">
      <FilePicker ref={picker} accept=".ttf,.otf,.woff,.woff2" label="Font file" testId="font-picker" onPick={send} />
      <Button look="quiet" disabled={fetcher.state !== "idle"} onClick={() => picker.current?.click()}>
        {fetcher.state !== "idle" ? "Reading the font …" : "Bring your own font"}
      </Button>
      <span className="ml-4 text-soft">TTF, OTF, WOFF or WOFF2, variable fonts too</span>
      {fetcher.data?.problem && (
        <Notice kind="wrong" className="mt-2">
          {fetcher.data.problem}
        </Notice>
      )}
      {fetcher.data?.done && (
        <Notice kind="ready" className="mt-2">
          {fetcher.data.done}
        </Notice>
      )}
      {own.length > 0 && (
        <ul className="mt-2 divide-y divide-rule border-y border-rule">
          {own.map((font) => (
            <li key={font.id} className="flex items-center gap-4 py-1.5">
              <style>{faceRule(`own ${font.id}`, font.family, font.weights[0], font)}</style>
              <span className="text-xl" style={{ fontFamily: `"own ${font.id}"` }}>
                {font.family}
              </span>
              <span className="text-soft">
                {font.subfamily} · {font.letters} letters and signs · weight{" "}
                {font.weights[0] === font.weights[1] ? font.weights[0] : `${font.weights[0]} to ${font.weights[1]}`} ·
                embedding: {font.embedding}
              </span>
              <button
                type="button"
                onClick={() => void fetcher.submit({ intent: "remove-font", id: font.id }, { method: "post" })}
                aria-label={`Remove ${font.family}`}
                className="ml-auto p-1 text-soft hover:text-wrong"
              >
                <X aria-hidden size={15} />
              </button>
            </li>
          ))}
        </ul>
      )}
    </div>
  );
}
