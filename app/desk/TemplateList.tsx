import { clsx } from "clsx";
import { type ChangeEvent, useState } from "react";
import { templateLength } from "../../core/document/needs";
import { type ChoosableTemplate } from "./choosableTemplate";

/** The templates to choose from, found by their words. */
export function TemplateList({
  offered,
  chosen,
  onChoose,
}: {
  offered: readonly ChoosableTemplate[];
  /** The slug of the chosen one. */
  chosen: string;
  onChoose: (slug: string) => void;
}) {
  const [search, setSearch] = useState("");
  const look = (event: ChangeEvent<HTMLInputElement>): void => setSearch(event.target.value);
  const wanted = search.trim().toLowerCase();
  const found = offered.filter(({ template: { name, purpose, about } }) =>
    `${name} ${purpose} ${about}`.toLowerCase().includes(wanted),
  );
  return (
    <div className="flex min-h-0 flex-col border-r border-rule">
      <input
        type="search"
        value={search}
        onChange={look}
        placeholder="Search templates"
        aria-label="Search templates"
        className="m-3 border border-rule bg-white px-2.5 py-1.5"
      />
      <ul className="min-h-0 flex-1 overflow-y-auto" aria-label="Templates">
        {found.map((choosable) => (
          <TemplateRow
            key={choosable.ref.slug}
            choosable={choosable}
            isChosen={choosable.ref.slug === chosen}
            onChoose={onChoose}
          />
        ))}
      </ul>
    </div>
  );
}

function TemplateRow({
  choosable: { ref, template, note },
  isChosen,
  onChoose,
}: {
  choosable: ChoosableTemplate;
  isChosen: boolean;
  onChoose: (slug: string) => void;
}) {
  const choose = (): void => onChoose(ref.slug);
  return (
    <li>
      <button
        type="button"
        aria-pressed={isChosen}
        onClick={choose}
        className={clsx(
          "block w-full border-l-4 px-4 py-2 text-left",
          isChosen ? "border-accent bg-[#f3ecdd]" : "border-transparent hover:bg-[#f7f2e6]",
        )}
      >
        <span className="block leading-tight font-semibold">{template.name}</span>
        <span className="text-[13px] text-soft">
          {note ?? (
            <>
              {template.purpose} · <span className="figures">{templateLength(template) / 1000} s</span>
            </>
          )}
        </span>
      </button>
    </li>
  );
}
