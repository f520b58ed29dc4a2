import { clsx } from "clsx";
import { CopyButton } from "./CopyButton";
import { MarkBox } from "./MarkBox";
import { PromotionName } from "./PromotionName";
import { type PromotionsShown } from "./listedPromotion";

const HEADS = ["Name", "State", "Campaign", "Made by", "Changed"] as const;
const cell = "px-3 py-2 align-middle max-sm:px-2";
/** What a narrow window has no room for. */
const SPARE: Readonly<Record<string, string>> = {
  Campaign: "max-md:hidden",
  "Made by": "max-lg:hidden",
  Changed: "max-sm:hidden",
};

/** Promotions as rows, which say more and take less room. */
export function PromotionRows({ promotions, stamp, edits, marked, onToggle }: PromotionsShown) {
  return (
    <table className="w-full table-fixed border-collapse bg-card text-sm">
      <thead>
        <tr className="border-b border-rule text-left text-soft">
          {edits && (
            <th className="w-11">
              <span className="sr-only">Marked</span>
            </th>
          )}
          <th className="w-16 max-sm:hidden">
            <span className="sr-only">Proof</span>
          </th>
          {HEADS.map((head) => (
            <th
              key={head}
              scope="col"
              className={clsx(
                cell,
                "font-normal",
                head === "Changed" ? "w-44" : head !== "Name" && "w-36",
                SPARE[head],
              )}
            >
              {head}
            </th>
          ))}
          {edits && (
            <th className="w-24 max-sm:hidden">
              <span className="sr-only">Copy</span>
            </th>
          )}
        </tr>
      </thead>
      <tbody>
        {promotions.map(({ id, slug, revision, name, formats, campaign, by, state, changed }) => (
          <tr key={slug} className={clsx("border-b border-rule", marked.has(id) && "bg-accent/10")}>
            {edits && (
              <td>
                <MarkBox id={id} name={name} isMarked={marked.has(id)} onToggle={onToggle} />
              </td>
            )}
            <td className="py-1.5 max-sm:hidden">
              {formats[0] && (
                <img
                  src={`/promotions/${slug}/still/${formats[0]}?revision=${revision}&as=${stamp}`}
                  alt=""
                  loading="lazy"
                  className="h-11 w-14 bg-proof object-contain"
                />
              )}
            </td>
            <th scope="row" className={clsx(cell, "text-left font-normal")}>
              <PromotionName slug={slug} name={name} mayChange={edits} />
            </th>
            <td className={cell}>{state}</td>
            <td className={clsx(cell, "truncate", SPARE["Campaign"])}>{campaign || "–"}</td>
            <td className={clsx(cell, "truncate", SPARE["Made by"])}>{by ?? "–"}</td>
            <td className={clsx(cell, "truncate figures", SPARE["Changed"])}>{changed}</td>
            {edits && (
              <td className="max-sm:hidden">
                <CopyButton slug={slug} name={name} />
              </td>
            )}
          </tr>
        ))}
      </tbody>
    </table>
  );
}
