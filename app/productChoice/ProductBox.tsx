import { useEffect, useState } from "react";
import { Combobox, ComboboxInput, ComboboxOption, ComboboxOptions } from "@headlessui/react";
import { useFetcher } from "react-router";
import { type ProductFacts } from "../../core/document/facts";
import { counted } from "../../core/text/counted";
import type { loader } from "../routes/productsOffered";

interface ProductBoxProps {
  readonly label: string;
  readonly chosen: ProductFacts | null;
  /** What stands in it where nothing is chosen. */
  readonly empty: string;
  /** Products that are not offered again. */
  readonly without?: readonly string[];
  readonly className?: string;
  readonly onFocus?: () => void;
  readonly onChoose: (product: ProductFacts) => void;
}

const NAME_OF = (product: ProductFacts | null): string => product?.name ?? "";
const NONE: readonly string[] = [];

/** Chooses a product of the catalogue, however many there are: the first by name, or those that have the words typed. */
export function ProductBox({
  label,
  chosen,
  empty,
  without = NONE,
  className = "",
  onFocus,
  onChoose,
}: ProductBoxProps) {
  /** What was typed to find one; null while the list is closed. */
  const [words, setWords] = useState<string | null>(null);
  const { load, data, state } = useFetcher<typeof loader>();
  useEffect(() => {
    if (words !== null) void load(`/catalogue/products/offered?words=${encodeURIComponent(words)}`);
  }, [words, load]);
  const offered = data?.products.filter(({ id }) => !without.includes(id)) ?? [];
  const more = data ? data.count - data.products.length : 0;
  const begin = (): void => {
    setWords("");
    onFocus?.();
  };
  const end = (): void => setWords(null);
  const choose = (product: ProductFacts | null): void => {
    if (product) onChoose(product);
  };
  return (
    <Combobox immediate value={chosen} by="id" onChange={choose} onClose={end}>
      <ComboboxInput
        aria-label={label}
        placeholder={empty}
        autoComplete="off"
        displayValue={NAME_OF}
        onFocus={begin}
        onChange={(event) => setWords(event.target.value)}
        className={className}
      />
      <ComboboxOptions
        anchor={{ to: "bottom start", gap: 4 }}
        aria-busy={state !== "idle"}
        className="z-20 max-h-[320px] w-[320px] border border-rule bg-card py-1.5 text-[14px] shadow-xl empty:invisible"
      >
        {offered.map((product) => (
          <ComboboxOption
            key={product.id}
            value={product}
            className="flex cursor-pointer items-baseline justify-between gap-4 px-3 py-1 data-focus:bg-[#f3ecdd] data-selected:font-semibold"
          >
            <span className="min-w-0 truncate">{product.name}</span>
            <span className="shrink-0 figures text-soft">{product.price}</span>
          </ComboboxOption>
        ))}
        {data && offered.length === 0 && <p className="px-3 py-1 text-soft">No product is called that.</p>}
        {more > 0 && (
          <p className="mt-1 border-t border-rule px-3 pt-1.5 text-[13px] text-soft">
            {counted(more, "more product")}: type a word of the one you want.
          </p>
        )}
      </ComboboxOptions>
    </Combobox>
  );
}
