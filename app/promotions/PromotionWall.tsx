import { clsx } from "clsx";
import { Link } from "react-router";
import { TrioThumbs } from "../components/TrioThumbs";
import { CopyButton } from "./CopyButton";
import { MarkBox } from "./MarkBox";
import { PromotionName } from "./PromotionName";
import { type PromotionsShown } from "./listedPromotion";

/** Promotions as pictures side by side. */
export function PromotionWall({ promotions, stamp, edits, marked, onToggle }: PromotionsShown) {
  return (
    <ul className="grid grid-cols-[repeat(auto-fill,minmax(min(380px,100%),1fr))] gap-6">
      {promotions.map(({ id, slug, revision, name, formats, campaign, state }) => (
        <li key={slug} className={clsx("flex flex-col bg-card", marked.has(id) && "outline-3 outline-accent")}>
          <Link to={`/promotions/${slug}`} aria-label={`Fill ${name}`} tabIndex={-1} className="flex flex-1 flex-col">
            <TrioThumbs slug={slug} revision={revision} formats={formats} stamp={stamp} />
          </Link>
          <div className={clsx("flex items-center gap-1 py-2 pr-2.5", edits ? "pl-1.5" : "pl-4")}>
            {edits && <MarkBox id={id} name={name} isMarked={marked.has(id)} onToggle={onToggle} />}
            <span className="min-w-0 flex-1">
              <PromotionName slug={slug} name={name} mayChange={edits} />
              <span className="block truncate text-[13px] text-soft">
                {state}
                {campaign && ` · ${campaign}`}
              </span>
            </span>
            {edits && <CopyButton slug={slug} name={name} />}
          </div>
        </li>
      ))}
    </ul>
  );
}
