import { type Facts } from "../../core/document/facts";
import { type Promotion, type SpareFill } from "../../core/document/promotion";
import { TrioPreview } from "../gallery/TrioPreview";
import { usePreviews } from "../gallery/usePreviews";

/** What a promotion looks like under another template, and what finds no place in it. */
export function MovePreview({
  after,
  facts,
  unplaced,
}: {
  after: Promotion;
  facts: Facts;
  /** Whether anything that was filled finds no place. */
  unplaced: boolean;
}) {
  const previews = usePreviews();
  return (
    <div className="mt-4" role="status">
      <div className="mb-4 max-w-[440px]">
        <TrioPreview previews={previews} document={after} facts={facts} name="After the change" />
      </div>
      <p className="font-semibold">
        {unplaced ? "These find no place, and are kept aside:" : "Everything you filled finds a place."}
      </p>
      <ul className="mt-1 list-disc pl-5">
        {Object.entries(after.spare).map(([key, spare]) => (
          <li key={key}>
            {spare.label}
            {inWords(spare)}
          </li>
        ))}
      </ul>
      <p className="mt-3 text-[13px] text-soft">Undo brings the promotion back as it is now.</p>
    </div>
  );
}

function inWords({ fill }: SpareFill): string {
  switch (fill.kind) {
    case "words":
      return `: “${fill.text}”`;
    case "media":
      return " (a picture or clip)";
    case "products":
      return " (products)";
  }
}
