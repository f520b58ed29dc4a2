import { useState } from "react";
import { Combobox, ComboboxInput, ComboboxOption, ComboboxOptions } from "@headlessui/react";
import { type ProductFacts } from "../../core/document/facts";
import { MoreProducts } from "./MoreProducts";
import { useOfferedProducts } from "./useOfferedProducts";

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
  const { products, more, isAsking } = useOfferedProducts(words);
  const offered = (products ?? []).filter(({ id }) => !without.includes(id));
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
        aria-busy={isAsking}
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
        {products && offered.length === 0 && <p className="px-3 py-1 text-soft">No product is called that.</p>}
        <MoreProducts more={more} />
      </ComboboxOptions>
    </Combobox>
  );
}
