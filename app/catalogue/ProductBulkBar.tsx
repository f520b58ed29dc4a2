import { type useFetcher } from "react-router";
import { Button } from "../components/Button";
import { type CatalogueAnswer } from "./answer";

/** What can be done to all marked products at once. */
export function ProductBulkBar({
  fetcher,
  ids,
  onClear,
}: {
  fetcher: ReturnType<typeof useFetcher<CatalogueAnswer>>;
  ids: readonly string[];
  onClear: () => void;
}) {
  return (
    <fetcher.Form
      method="post"
      className="mb-3 flex flex-wrap items-center gap-3 bg-card px-4 py-2.5"
      aria-label="Change marked products"
    >
      <input type="hidden" name="intent" value="bulk" />
      <input type="hidden" name="ids" value={ids.join(",")} />
      <span className="font-semibold">{ids.length} marked</span>
      <button name="do" value="in-stock" className="underline">
        In stock
      </button>
      <button name="do" value="out-of-stock" className="underline">
        Out of stock
      </button>
      <input
        name="tag"
        placeholder="tag"
        aria-label="Tag to give or take"
        className="w-32 border border-rule bg-white px-2 py-1"
      />
      <button name="do" value="tag" className="underline">
        Give tag
      </button>
      <button name="do" value="untag" className="underline">
        Take tag
      </button>
      <button name="do" value="remove" className="text-wrong underline">
        Remove
      </button>
      <Button look="quiet" className="ml-auto" onClick={onClear}>
        Unmark all
      </Button>
    </fetcher.Form>
  );
}
