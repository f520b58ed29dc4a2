import { Popover, PopoverButton, PopoverPanel } from "@headlessui/react";
import { MapPin } from "lucide-react";
import { type ChangeEvent } from "react";
import { type FormatName, formatTitle } from "../../core/placement/formats";
import { type Placement } from "../../core/placement/placements";
import { FormatMark } from "../components/FormatMark";

/** Where a promotion is to be posted: what channels draw there is looked at. */
export function PlacementChoice({
  known,
  formats,
  chosen,
  onChoose,
}: {
  /** The team's. */
  known: readonly Placement[];
  /** Those that the promotion is made in. */
  formats: readonly FormatName[];
  /** The ids of those chosen. */
  chosen: ReadonlySet<string>;
  onChoose: (placement: Placement, isOn: boolean) => void;
}) {
  const offered = formats
    .map((format) => ({ format, own: known.filter((placement) => placement.format === format) }))
    .filter(({ own }) => own.length > 0);
  const count = offered.flatMap(({ own }) => own).filter(({ id }) => chosen.has(id)).length;
  return (
    <Popover>
      <PopoverButton className="flex items-center gap-1.5 border border-[#5f625f] px-2 py-0.5 text-[13px] hover:bg-[#a3a5a2]">
        <MapPin aria-hidden size={13} /> Placements {count > 0 && <span className="figures">{count}</span>}
      </PopoverButton>
      <PopoverPanel
        anchor={{ to: "bottom start", gap: 6 }}
        className="z-20 w-[308px] border border-rule bg-card p-4 text-[14px] text-ink shadow-xl"
      >
        <p className="text-[13px] leading-snug text-soft">
          What is drawn over the picture there is hatched on the proofs; what it covers, and what is too long for it, is
          found.
        </p>
        {offered.map(({ format, own }) => (
          <fieldset key={format} className="mt-3">
            <legend className="flex items-center gap-2 text-[13px] text-soft">
              <FormatMark format={format} size={12} /> {formatTitle(format)}
            </legend>
            {own.map((placement) => (
              <PlacementRow
                key={placement.id}
                placement={placement}
                isOn={chosen.has(placement.id)}
                onChoose={onChoose}
              />
            ))}
          </fieldset>
        ))}
      </PopoverPanel>
    </Popover>
  );
}

function PlacementRow({
  placement,
  isOn,
  onChoose,
}: {
  placement: Placement;
  isOn: boolean;
  onChoose: (placement: Placement, isOn: boolean) => void;
}) {
  const { title, longest } = placement;
  const choose = (event: ChangeEvent<HTMLInputElement>): void => onChoose(placement, event.target.checked);
  return (
    <label className="flex items-center gap-2.5 py-1">
      <input type="checkbox" className="accent-accent" checked={isOn} onChange={choose} />
      {title}
      <span className="ml-auto figures text-[13px] text-soft">
        {longest === null ? "any length" : `≤ ${longest} s`}
      </span>
    </label>
  );
}
