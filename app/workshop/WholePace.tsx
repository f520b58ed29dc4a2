import { type Edit } from "../../core/document/edit";
import { type Promotion } from "../../core/document/promotion";
import { type ResolvedPromotion } from "../../core/document/resolve";
import { CaptionLookFields } from "../pace/CaptionLookFields";
import { EndingFields } from "../pace/EndingFields";
import { MovementStyleField } from "../pace/MotionFields";

/** How all of a draft moves, how it ends, and how captions look in it. */
export function WholePace({
  document,
  promotion,
  onEdit,
}: {
  /** The draft as a promotion in which what it sets is set. */
  document: Promotion;
  promotion: ResolvedPromotion;
  onEdit: (edit: Edit) => void;
}) {
  const { palette } = promotion.facts.brand;
  return (
    <div className="flex flex-col gap-3 text-[14px]">
      <MovementStyleField document={document} onEdit={onEdit} />
      <EndingFields document={document} palette={palette} ending={promotion.ending} onEdit={onEdit} />
      <h3 className="border-t border-rule pt-3 text-[15px] font-semibold">Captions over the pictures</h3>
      <CaptionLookFields shown={promotion.captions} palette={palette} onEdit={onEdit} />
    </div>
  );
}
