import { type NamedThing, thingsNamed } from "../../core/document/named";
import { type Promotion } from "../../core/document/promotion";
import { type ResolvedPromotion } from "../../core/document/resolve";
import { findSlot } from "../../core/document/sceneTemplate";
import { type ChoosableTemplate } from "./choosableTemplate";

/** What a filler is told at the head of the sheet: what the promotion names that is gone, and a new edition. */
export function DeskNotices({
  document,
  promotion,
  gone,
  newer,
  onSeeChange,
}: {
  document: Promotion;
  promotion: ResolvedPromotion;
  /** What was gone when the desk was opened. */
  gone: readonly NamedThing[];
  /** The template in a newer edition than the promotion's, where there is one. */
  newer: ChoosableTemplate | undefined;
  onSeeChange: () => void;
}) {
  const missing = stillNamed(document, gone);
  if (missing.length === 0 && !newer) return null;
  return (
    <div role="status" className="border-b border-rule bg-card px-4 py-2.5 pl-[92px] text-[13.5px] text-soft">
      {missing.map((thing) => (
        <p key={`${thing.kind}/${thing.id}/${thing.slot ?? ""}`} className="text-warn">
          {goneInWords(thing, promotion)}
        </p>
      ))}
      {newer && (
        <p>
          Edition {newer.ref.edition} of “{newer.template.name}” is out; this promotion is on edition{" "}
          {document.template.edition}.{" "}
          <button type="button" className="underline hover:text-ink" onClick={onSeeChange}>
            See what would change
          </button>
        </p>
      )}
    </div>
  );
}

function stillNamed(document: Promotion, gone: readonly NamedThing[]): NamedThing[] {
  const ids = new Set(gone.map(({ kind, id }) => `${kind}/${id}`));
  return thingsNamed(document).filter(({ kind, id }) => ids.has(`${kind}/${id}`));
}

function goneInWords({ kind, slot }: NamedThing, { scenes }: ResolvedPromotion): string {
  const found =
    slot &&
    findSlot(
      scenes.map(({ template }) => template),
      slot,
    );
  const where = found ? ` in scene “${found.scene.name}” (${found.slot.label.toLowerCase()})` : "";
  switch (kind) {
    case "media":
      return slot
        ? `What was chosen${where} is not in your media any more. Choose another there.`
        : "The music is not in your media any more. Choose another below.";
    case "product":
      return slot
        ? `A product listed${where} is not in your catalogue any more; its row is left out.`
        : "The product of this promotion is not in your catalogue any more. Choose another.";
    case "offer":
      return "The offer of this promotion is not in your catalogue any more. Choose another, or none.";
    case "brand":
      return "The brand of this promotion is gone.";
  }
}
