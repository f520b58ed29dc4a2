import { clsx } from "clsx";
import { useState } from "react";
import { Problem } from "../components/Problem";
import { LOGO_VARIANTS, type BrandBook, type LogoVariant } from "../../core/brand/book";
import { logoContrast, logoFor } from "../../core/brand/logoChoice";
import { contrastVerdict } from "../../core/color/contrast";
import { COLOR_ROLES, type Palette } from "../../core/color/palette";
import { type PictureFacts } from "../../core/document/facts";
import { Field } from "../components/Field";
import { thumbAddress } from "../components/mediaLook";
import { anyOf } from "../../core/document/mediaNeed";
import type { OfferedMedia } from "../../server/media/offeredMedia";
import { MediaPicker } from "../mediaChoice/MediaPicker";
import { type ChosenMedia } from "../mediaChoice/useChosenMedia";

const VARIANT_TEXT: Readonly<Record<LogoVariant, string>> = {
  full: "the whole logo",
  mark: "the sign alone",
  light: "for dark grounds",
  dark: "for light grounds",
};

const A_PICTURE = anyOf("picture");

type Logos = Pick<BrandBook, "logos" | "logoRules">;

/** A brand's logo in its variants, its rules, and how each stands on each ground. */
export function LogoSection({
  logos,
  logoRules,
  pictures,
  palette,
  problems,
  onChosen,
  onChange,
}: Logos & {
  pictures: ChosenMedia;
  palette: Palette;
  problems: Readonly<Record<string, string>>;
  /** A picture was chosen that nothing was known of yet. */
  onChosen: (item: OfferedMedia) => void;
  onChange: (change: Partial<Logos>) => void;
}) {
  const [picking, setPicking] = useState<LogoVariant | null>(null);
  const picture = (id: string | undefined): PictureFacts | null => {
    const found = pictures[id ?? ""]?.facts;
    return found?.kind === "picture" ? found : null;
  };
  const known = logos.flatMap(({ variant, media }) => {
    const facts = picture(media);
    return facts ? [{ variant, facts, colors: facts.colors ?? [] }] : [];
  });
  const set = (variant: LogoVariant, media: string | null): void =>
    onChange({
      logos: [...logos.filter((one) => one.variant !== variant), ...(media ? [{ variant, media }] : [])].sort(
        (a, b) => LOGO_VARIANTS.indexOf(a.variant) - LOGO_VARIANTS.indexOf(b.variant),
      ),
    });
  return (
    <section aria-label="Logos">
      <h2 className="mb-2">Logos</h2>
      <ul className="grid grid-cols-4 gap-4 max-sm:grid-cols-2">
        {LOGO_VARIANTS.map((variant) => {
          const facts = picture(logos.find((one) => one.variant === variant)?.media);
          return (
            <li key={variant}>
              <button
                type="button"
                onClick={() => setPicking(variant)}
                aria-label={`Choose the logo, ${variant}`}
                className={clsx(
                  "flex h-24 w-full items-center justify-center p-3",
                  facts ? "" : "border border-dashed border-firm text-sm text-soft hover:text-ink",
                )}
                style={facts ? { background: variant === "light" ? palette.ink : palette.card } : undefined}
              >
                {facts ? (
                  <img
                    src={thumbAddress(facts, 300) ?? ""}
                    alt={`Logo, ${variant}`}
                    className="max-h-full max-w-full"
                  />
                ) : (
                  "Choose"
                )}
              </button>
              <p className="mt-1 flex justify-between text-sm">
                <span>
                  <span className="font-semibold">{variant}</span>{" "}
                  <span className="text-soft">{VARIANT_TEXT[variant]}</span>
                </span>
                {facts && (
                  <button
                    type="button"
                    onClick={() => set(variant, null)}
                    aria-label={`Take off the logo, ${variant}`}
                    className="text-soft underline hover:text-ink"
                  >
                    Off
                  </button>
                )}
              </p>
              <Problem text={problems[`logos.${variant}`]} />
            </li>
          );
        })}
      </ul>
      <div className="mt-3 grid grid-cols-2 gap-4">
        <Field
          label="Clear space around it"
          hint="share of its height, %"
          type="number"
          min={0}
          max={100}
          value={Math.round(logoRules.clearSpace * 100)}
          onChange={(event) => onChange({ logoRules: { ...logoRules, clearSpace: Number(event.target.value) / 100 } })}
          problem={problems["logoRules.clearSpace"]}
        />
        <Field
          label="Least width"
          hint="units of a frame 1080 wide"
          type="number"
          min={40}
          max={600}
          value={logoRules.leastWidth}
          onChange={(event) => onChange({ logoRules: { ...logoRules, leastWidth: Number(event.target.value) } })}
          problem={problems["logoRules.leastWidth"]}
        />
      </div>
      {known.length > 0 && (
        <div className="mt-4">
          <h3 className="mb-2 text-sm">
            On each ground{" "}
            <span className="font-sans font-normal text-soft">· the variant that is taken by itself</span>
          </h3>
          <ul className="grid grid-cols-6 gap-2 max-sm:grid-cols-3">
            {COLOR_ROLES.map((role) => {
              const chosen = logoFor(known, palette[role]);
              const ratio = chosen ? logoContrast(chosen, palette[role]) : 1;
              return (
                chosen && (
                  <li key={role} className="text-xs">
                    <span
                      className="flex h-16 items-center justify-center border border-ink/10 p-2"
                      style={{ background: palette[role] }}
                    >
                      <img
                        src={thumbAddress(chosen.facts, 160) ?? ""}
                        alt={`Logo on ${role}`}
                        className="max-h-full max-w-full"
                      />
                    </span>
                    <span className="mt-1 block truncate">
                      {role}: {chosen.variant}
                    </span>
                    <span className={`block figures text-[11px] ${ratio < 3 ? "text-warn" : "text-soft"}`}>
                      {ratio.toFixed(1)}{" "}
                      {ratio >= 3 ? contrastVerdict(ratio).replace("large only", "enough") : "too low"}
                    </span>
                  </li>
                )
              );
            })}
          </ul>
        </div>
      )}
      <MediaPicker
        open={picking !== null}
        title={`Logo, ${picking ?? ""}`}
        need={A_PICTURE}
        chosen={logos.find((one) => one.variant === picking)?.media ?? null}
        onClose={() => setPicking(null)}
        onChoose={(item) => {
          onChosen(item);
          if (picking) set(picking, item.facts.id);
          setPicking(null);
        }}
      />
    </section>
  );
}
