import { TriangleAlert, Wand } from "lucide-react";
import { type ContrastVerdict, WANTED_CONTRAST, contrastRatio, contrastVerdict } from "../../core/color/contrast";
import { type ColorRole, type Palette } from "../../core/color/palette";
import { reachContrast } from "../../core/color/reachContrast";
import { capital } from "../../core/text/capital";

const AIMS = [
  { what: "large type", ratio: WANTED_CONTRAST.large },
  { what: "normal type", ratio: WANTED_CONTRAST.text },
  { what: "AAA", ratio: WANTED_CONTRAST.enhanced },
] as const;

/** What is good for normal type at all is good for large type where more is asked (WCAG 2.2, 1.4.6). */
const GRADES: Readonly<Record<ContrastVerdict, { readonly normal: string; readonly large: string }>> = {
  AAA: { normal: "AAA", large: "AAA" },
  AA: { normal: "AA", large: "AAA" },
  "large only": { normal: "fails", large: "AA" },
  "too low": { normal: "fails", large: "fails" },
};

/** What a pair of colours is enough for, and the nearest colours that would be enough for more. */
export function PairAdvice({
  over,
  under,
  palette,
  onTake,
}: {
  over: ColorRole;
  under: ColorRole;
  palette: Palette;
  onTake: (hex: string) => void;
}) {
  const ratio = contrastRatio(palette[over], palette[under]);
  const verdict = contrastVerdict(ratio);
  const proposals = AIMS.flatMap((aim) => {
    const hex = ratio < aim.ratio ? reachContrast(palette[over], palette[under], aim.ratio) : null;
    return hex ? [{ what: aim.what, hex }] : [];
  });
  return (
    <div className="min-w-56 flex-1 text-sm">
      <p className="mb-2">
        <strong>
          {capital(over)} on {under}
        </strong>
        : <span className="figures">{ratio.toFixed(2)}</span>. Normal type {GRADES[verdict].normal}, large type{" "}
        {GRADES[verdict].large}.
      </p>
      {proposals.map(({ what, hex }) => (
        <button
          key={what}
          type="button"
          onClick={() => onTake(hex)}
          className="mb-2 flex items-center gap-3 text-left underline-offset-2 hover:underline"
        >
          <span
            aria-hidden
            data-sample
            className="flex h-9 w-12 items-center justify-center font-semibold"
            style={{ background: palette[under], color: hex }}
          >
            Aa
          </span>
          <span>
            <Wand aria-hidden size={13} className="mr-1 inline" />
            {over} as <span className="figures">{hex}</span> is enough for {what}
          </span>
        </button>
      ))}
      {verdict === "too low" && (
        <p className="flex gap-1.5 text-warn">
          <TriangleAlert aria-hidden size={15} className="mt-0.5 shrink-0" /> Scenes never set words in this pair; they
          take the next colour that can be read.
        </p>
      )}
    </div>
  );
}
