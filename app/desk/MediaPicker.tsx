import { clsx } from "clsx";
import { useState } from "react";
import { type MediaFacts } from "../../core/document/facts";
import { type RightsState } from "../../core/document/rights";
import { DialogFrame } from "../components/DialogFrame";
import { RightsMark } from "../components/RightsMark";
import { factLine, thumbAddress } from "../components/mediaLook";

/** A media item that is offered for choosing, with the state of its rights. */
export interface OfferedMedia {
  readonly facts: MediaFacts;
  readonly rights: RightsState;
}

/** Chooses a picture or clip of the team for a slot; fitting ones only. */
export function MediaPicker({
  open,
  title,
  items,
  chosen,
  onChoose,
  onClose,
}: {
  open: boolean;
  title: string;
  items: readonly OfferedMedia[];
  chosen: string | null;
  onChoose: (id: string) => void;
  onClose: () => void;
}) {
  const [search, setSearch] = useState("");
  const shown = items.filter(({ facts }) => facts.name.toLowerCase().includes(search.trim().toLowerCase()));
  return (
    <DialogFrame
      open={open}
      title={title}
      size="max-w-4xl"
      onClose={onClose}
      tools={
        <input
          type="search"
          value={search}
          onChange={(event) => setSearch(event.target.value)}
          placeholder="Search by name"
          aria-label="Search media by name"
          className="w-60 border border-rule bg-white px-3 py-1.5"
        />
      }
    >
      <ul className="grid grid-cols-4 gap-4 overflow-y-auto p-5">
        {shown.length === 0 && (
          <li className="col-span-4 py-12 text-center text-soft">Nothing fits. Bring pictures in under Media.</li>
        )}
        {shown.map(({ facts, rights }) => (
          <li key={facts.id}>
            <button
              type="button"
              onClick={() => onChoose(facts.id)}
              aria-pressed={facts.id === chosen}
              className={clsx(
                "block w-full border-2 text-left",
                facts.id === chosen ? "border-accent" : "border-transparent hover:border-firm",
              )}
            >
              <img
                src={thumbAddress(facts, 300) ?? ""}
                alt=""
                loading="lazy"
                className="h-32 w-full bg-proof object-contain"
              />
              <span className="block truncate px-1 pt-1 text-sm font-semibold">{facts.name}</span>
              <span className="block truncate px-1 pb-1 figures text-soft">
                {facts.kind === "clip" ? "clip · " : ""}
                {factLine(facts)}
              </span>
              <RightsMark state={rights} className="mx-1 mb-1" />
            </button>
          </li>
        ))}
      </ul>
    </DialogFrame>
  );
}
