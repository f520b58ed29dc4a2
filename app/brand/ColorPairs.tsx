import { clsx } from "clsx";
import { useState } from "react";
import { type ContrastVerdict, contrastRatio, contrastVerdict } from "../../core/color/contrast";
import { COLOR_ROLES, type ColorRole, type Palette } from "../../core/color/palette";
import { isHex } from "../../core/color/srgb";
import { ScrollBox } from "../components/ScrollBox";
import { PairAdvice } from "./PairAdvice";

/** A verdict where there is little room. */
const SHORT_VERDICT: Readonly<Partial<Record<ContrastVerdict, string>>> = { "large only": "large", "too low": "low" };

/** Every pair of roles: how the row's colour reads on the column's, what that is enough for, and what would be. */
export function ColorPairs({ palette, onTake }: { palette: Palette; onTake: (role: ColorRole, hex: string) => void }) {
  const [[over, under], setChosen] = useState<readonly [ColorRole, ColorRole]>(["ink", "ground"]);
  if (!COLOR_ROLES.every((role) => isHex(palette[role]))) return null;
  return (
    <div className="mt-6">
      <h3 className="mb-2 text-sm">
        Contrast of every pair{" "}
        <span className="font-sans font-normal text-soft">· AA needs 4.5 for normal and 3 for large type</span>
      </h3>
      <div className="flex flex-wrap gap-6 *:max-w-full">
        <ScrollBox label="Contrast of every pair">
          <table className="text-center text-xs">
            <thead>
              <tr>
                <td />
                {COLOR_ROLES.map((role) => (
                  <th key={role} scope="col" className="pb-1 font-normal text-soft">
                    on {role}
                  </th>
                ))}
              </tr>
            </thead>
            <tbody>
              {COLOR_ROLES.map((row) => (
                <tr key={row}>
                  <th scope="row" className="pr-3 text-left font-normal text-soft">
                    {row}
                  </th>
                  {COLOR_ROLES.map((column) => (
                    <td key={column} className="p-0.5">
                      {row !== column && (
                        <PairButton
                          over={row}
                          under={column}
                          palette={palette}
                          chosen={over === row && under === column}
                          onChoose={() => setChosen([row, column])}
                        />
                      )}
                    </td>
                  ))}
                </tr>
              ))}
            </tbody>
          </table>
        </ScrollBox>
        <PairAdvice over={over} under={under} palette={palette} onTake={(hex) => onTake(over, hex)} />
      </div>
    </div>
  );
}

function PairButton({
  over,
  under,
  palette,
  chosen,
  onChoose,
}: {
  over: ColorRole;
  under: ColorRole;
  palette: Palette;
  chosen: boolean;
  onChoose: () => void;
}) {
  const ratio = contrastRatio(palette[over], palette[under]);
  const verdict = contrastVerdict(ratio);
  return (
    <button
      type="button"
      onClick={onChoose}
      aria-pressed={chosen}
      aria-label={`${over} on ${under}: ${ratio.toFixed(1)}, ${verdict}`}
      className={clsx("block h-12 w-[78px] border-2", chosen ? "border-ink" : "border-transparent")}
    >
      <span
        data-sample
        className="flex h-6 items-center justify-center text-sm font-semibold"
        style={{ background: palette[under], color: palette[over] }}
      >
        Aa
      </span>
      <span className="block figures text-[11px] leading-5 whitespace-nowrap">
        {ratio.toFixed(1)} {SHORT_VERDICT[verdict] ?? verdict}
      </span>
    </button>
  );
}
