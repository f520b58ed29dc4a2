import { useEffect, useMemo, useState } from "react";
import { type Facts } from "../../core/document/facts";
import { type Template } from "../../core/document/template";
import { TRIALS, type TriedOn, triedIn } from "../../core/document/tryOut";
import { TrioPreview } from "../gallery/TrioPreview";
import { usePreviews } from "../gallery/usePreviews";

const SETTLES_MS = 350;

/** One scene of a draft under every trial, in the team's brands, all formats at once. */
export function Extremes({
  draft,
  scene,
  on,
  factsByBrand,
  brands,
}: {
  draft: Template;
  scene: number;
  on: Omit<TriedOn, "brand">;
  factsByBrand: Readonly<Record<string, Facts>>;
  brands: readonly { readonly id: string; readonly name: string }[];
}) {
  const previews = usePreviews();
  const settled = useSettled(draft);
  const shown = useMemo(
    () =>
      TRIALS.map((trial) => ({
        trial,
        inBrands: brands.flatMap(({ id, name }) => {
          const facts = factsByBrand[id];
          return facts ? [{ id, name, ...triedIn(facts, settled, trial, on) }] : [];
        }),
      })),
    [settled, on, factsByBrand, brands],
  );
  return (
    <div className="h-full overflow-auto bg-proof px-4 pb-4">
      <table
        aria-label="Extremes"
        className="border-separate border-spacing-x-2 border-spacing-y-0 text-[13px] text-[#12181a]"
      >
        <thead>
          <tr>
            <th className="sr-only">Tried with</th>
            {brands.map(({ id, name }) => (
              <th key={id} className="py-2 pl-1.5 text-left font-semibold">
                {name}
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {shown.map(({ trial, inBrands }) => (
            <tr key={trial}>
              <th scope="row" className="w-[78px] min-w-[78px] pr-1 text-left align-middle leading-tight font-normal">
                {trial}
              </th>
              {inBrands.map(({ id, name, document, facts }) => (
                <td key={id}>
                  <div className="w-[226px]">
                    <TrioPreview
                      previews={previews}
                      document={document}
                      facts={facts}
                      scene={scene}
                      name={`${trial}, ${name}`}
                    />
                  </div>
                </td>
              ))}
            </tr>
          ))}
        </tbody>
      </table>
    </div>
  );
}

/** A value once it has not changed for a moment: twelve previews follow typing when it pauses. */
function useSettled<Value>(value: Value): Value {
  const [settled, setSettled] = useState(value);
  useEffect(() => {
    const timer = window.setTimeout(() => setSettled(value), SETTLES_MS);
    return () => window.clearTimeout(timer);
  }, [value]);
  return settled;
}
