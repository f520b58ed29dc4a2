import { Popover, PopoverButton, PopoverPanel } from "@headlessui/react";
import { Link2 } from "lucide-react";
import { CHIPS, type Chip, chipText } from "../../core/document/chips";
import { type Facts } from "../../core/document/facts";

/** Puts something that follows its source among words, or turns all of it into plain words. */
export function ChipPicker({
  facts,
  onPick,
  onPlain,
}: {
  facts: Facts;
  onPick: (text: string) => void;
  /** Null where nothing follows. */
  onPlain: (() => void) | null;
}) {
  return (
    <Popover className="relative">
      <PopoverButton
        aria-label="Put in what follows its source"
        title="Put in a price, a date, a name that follows its source"
        className="p-1.5 text-soft hover:text-ink"
      >
        <Link2 aria-hidden size={16} />
      </PopoverButton>
      <PopoverPanel
        anchor={{ to: "bottom end", gap: 4 }}
        className="z-20 w-[320px] border border-rule bg-card py-2 text-[14px] shadow-xl"
      >
        {({ close }) => {
          const pick = (text: string): void => {
            close();
            onPick(text);
          };
          const makePlain = (): void => {
            close();
            onPlain?.();
          };
          return (
            <>
              {CHIPS.map((chip) => (
                <ChipChoice key={chip.name} chip={chip} facts={facts} onPick={pick} />
              ))}
              {onPlain && (
                <button
                  type="button"
                  onClick={makePlain}
                  className="mt-2 w-full border-t border-rule px-4 pt-2.5 pb-1 text-left underline-offset-4 hover:underline"
                >
                  Turn into plain words
                </button>
              )}
            </>
          );
        }}
      </PopoverPanel>
    </Popover>
  );
}

function ChipChoice({ chip, facts, onPick }: { chip: Chip; facts: Facts; onPick: (text: string) => void }) {
  const now = chip.of(facts) ?? "";
  const pick = (): void => onPick(chipText(chip));
  return (
    <button
      type="button"
      onClick={pick}
      disabled={now === ""}
      title={now === "" ? `Needs ${chip.needs}` : undefined}
      className="flex w-full justify-between gap-4 px-4 py-1 text-left hover:bg-[#f3ecdd] disabled:text-firm disabled:hover:bg-transparent"
    >
      <span>{chip.name}</span>
      <span className="truncate text-soft">{now === "" ? "nothing now" : now}</span>
    </button>
  );
}
