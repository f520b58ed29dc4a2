import { type useFetcher } from "react-router";
import { useState } from "react";
import { type Collection } from "../../server/media/collections";
import { Button } from "../components/Button";
import { Field } from "../components/Field";
import { type MediaAnswer } from "./answer";

/** Changes all marked items at once: tags, collections, rights, removal. */
export function MarkedBar({
  fetcher,
  ids,
  collections,
  onClear,
}: {
  fetcher: ReturnType<typeof useFetcher<MediaAnswer>>;
  ids: readonly string[];
  collections: readonly Collection[];
  onClear: () => void;
}) {
  const [rights, setRights] = useState(false);
  const problems = fetcher.data?.problems ?? {};
  return (
    <fetcher.Form
      method="post"
      aria-label="Change marked items"
      className="sticky top-0 z-10 mb-4 flex flex-wrap items-center gap-x-4 gap-y-2 bg-card px-4 py-2.5 text-sm shadow-sm"
    >
      <input type="hidden" name="ids" value={ids.join(",")} />
      <span className="font-semibold">{ids.length} marked</span>
      <input
        name="tag"
        placeholder="tag"
        aria-label="Tag to give or take"
        className="w-28 border border-rule bg-white px-2 py-1"
      />
      <button name="intent" value="tag" className="underline">
        Give tag
      </button>
      <button name="intent" value="untag" className="underline">
        Take tag
      </button>
      <input
        name="collection-name"
        placeholder="collection"
        aria-label="Collection to put them in"
        list="collections"
        className="w-36 border border-rule bg-white px-2 py-1"
      />
      <datalist id="collections">
        {collections.map(({ id, name }) => (
          <option key={id} value={name} />
        ))}
      </datalist>
      <button name="intent" value="collect-by-name" className="underline">
        Put in collection
      </button>
      <button type="button" aria-expanded={rights} onClick={() => setRights(!rights)} className="underline">
        Rights …
      </button>
      <button name="intent" value="remove" className="text-wrong underline">
        Remove
      </button>
      <Button look="quiet" className="ml-auto" onClick={onClear}>
        Unmark all
      </Button>
      {rights && (
        <div className="grid w-full grid-cols-[1fr_1fr_1fr_150px_150px_auto] items-end gap-3 border-t border-rule pt-2">
          <Field label="Licence" name="licence" problem={problems["licence"]} />
          <Field label="Source" name="source" problem={problems["source"]} />
          <Field label="Holder" name="holder" problem={problems["holder"]} />
          <Field label="From" type="date" name="rights_from" problem={problems["rights_from"]} />
          <Field label="To" type="date" name="rights_to" problem={problems["rights_to"]} />
          <Button type="submit" name="intent" value="rights">
            Note for all
          </Button>
        </div>
      )}
    </fetcher.Form>
  );
}
