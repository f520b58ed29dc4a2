import { type ReactNode, useRef } from "react";
import { type Promotion } from "../../core/document/promotion";
import { type DeckProps } from "./deckProps";
import { SceneRows } from "./SceneRows";
import { SoundBand } from "./SoundBand";

/** The copy deck: a ruled sheet with one band per scene, in reading order. Every slot is a plain field that stays in its place. */
export function CopyDeck({ notice, actions, ...deck }: DeckProps & { notice?: ReactNode; actions: ReactNode }) {
  const { document, choices, onEdit } = deck;
  const scroller = useRef<HTMLDivElement>(null);
  return (
    <div ref={scroller} className="h-full overflow-y-auto" data-testid="copy-deck">
      {notice}
      <SceneRows deck={deck} scroller={scroller} />
      <div className="flex flex-wrap gap-x-4 gap-y-2 border-b border-rule px-4 py-3 pl-[98px]">{actions}</div>
      <SoundBand document={document} promotion={deck.promotion} sounds={choices.sounds} onEdit={onEdit} />
      {Object.keys(document.spare).length > 0 && <SpareBand document={document} />}
    </div>
  );
}

/** What found no place when the template was changed. */
function SpareBand({ document }: { document: Promotion }) {
  return (
    <section
      aria-label="Kept aside"
      className="border-t border-l-4 border-t-rule border-l-transparent px-4 py-3.5 pl-[98px] text-[14px]"
    >
      <h2 className="text-[15px] font-semibold">Kept aside</h2>
      <p className="text-[13px] text-soft">
        These found no place in this template. They come back when you change to one that has a place for them.
      </p>
      <ul className="mt-1">
        {Object.entries(document.spare).map(([key, { label, fill }]) => (
          <li key={key}>
            <span className="text-soft">{label}:</span>{" "}
            {fill.kind === "words"
              ? fill.text
              : fill.kind === "media"
                ? "a picture or clip"
                : `${fill.products.length} products`}
          </li>
        ))}
      </ul>
    </section>
  );
}
