import { counted } from "../../core/text/counted";
import { useState } from "react";
import { useFetcher, useSubmit } from "react-router";
import { toast } from "sonner";
import { CampaignForm } from "./CampaignForm";
import { MARKED_DONE, type MarkedChange } from "./markedChange";
import { useOnceSaved } from "../components/useOnceSaved";

/** What was done to how many, or why nothing was. */
interface MarkedAnswer {
  readonly change: MarkedChange;
  readonly count: number;
  readonly problem?: string;
}
/**
 * Changes all marked promotions at once: files them under a campaign, archives them, which can be taken back, or puts them
 * back or removes them.
 */
export function MarkedPromotions({
  ids,
  campaigns,
  isArchive,
  onClear,
}: {
  ids: readonly string[];
  campaigns: readonly string[];
  isArchive: boolean;
  onClear: () => void;
}) {
  const fetcher = useFetcher<MarkedAnswer>();
  const [isSure, setSure] = useState(false);
  const send = (change: MarkedChange): void =>
    void fetcher.submit({ intent: change, ids: ids.join(",") }, { method: "post" });
  const file = (campaign: string): void =>
    void fetcher.submit({ intent: "file", ids: ids.join(","), campaign }, { method: "post" });
  const submit = useSubmit();
  // The bar is gone by then: what is taken back goes a way of its own.
  const takeBack = (archived: readonly string[]): void =>
    void submit({ intent: "restore", ids: archived.join(",") }, { method: "post", navigate: false });
  const done = fetcher.data;
  useOnceSaved(fetcher.state === "idle" && done !== undefined && !done.problem, () => {
    if (!done) return;
    const words = `${counted(done.count, "promotion")} ${MARKED_DONE[done.change]}.`;
    const back = done.change === "archive" ? { label: "Take it back", onClick: () => takeBack(ids) } : undefined;
    toast(words, back && { action: back });
    onClear();
  });
  return (
    <div
      role="toolbar"
      aria-label="Change marked promotions"
      className="sticky top-0 z-10 mb-4 flex flex-wrap items-center gap-x-5 gap-y-2 bg-card px-4 py-2.5 text-sm shadow-sm"
    >
      <span className="font-semibold">{ids.length} marked</span>
      {isArchive ? (
        <>
          <button type="button" className="underline" onClick={() => send("restore")}>
            Put back
          </button>
          {isSure ? (
            <span className="flex items-center gap-3 text-wrong">
              Their versions and renditions go too.
              <button type="button" className="font-semibold underline" onClick={() => send("remove")}>
                Remove for good
              </button>
            </span>
          ) : (
            <button type="button" className="text-wrong underline" onClick={() => setSure(true)}>
              Remove …
            </button>
          )}
        </>
      ) : (
        <>
          <CampaignForm campaigns={campaigns} onChosen={file} />
          <button type="button" className="underline" onClick={() => send("archive")}>
            Archive
          </button>
        </>
      )}
      {done?.problem && (
        <span role="alert" className="text-wrong">
          {done.problem}
        </span>
      )}
      <button type="button" className="ml-auto text-soft underline" onClick={onClear}>
        Unmark all
      </button>
    </div>
  );
}
