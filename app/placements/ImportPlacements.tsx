import { type ChangeEvent, useRef } from "react";
import { type FetcherWithComponents } from "react-router";
import { type PlacementsAnswer } from "./placementsAnswer";

/** Brings in a file that placements were exported to. */
export function ImportPlacements({ fetcher }: { fetcher: FetcherWithComponents<PlacementsAnswer> }) {
  const form = useRef<HTMLFormElement>(null);
  const send = ({ target }: ChangeEvent<HTMLInputElement>): void => {
    if (!form.current || !target.files?.length) return;
    void fetcher.submit(form.current);
    // The same file may be chosen again, once it was mended.
    target.value = "";
  };
  return (
    <section aria-label="Import placements">
      <h2 className="mb-2">Bring in placements</h2>
      <fetcher.Form ref={form} method="post" encType="multipart/form-data">
        <input type="hidden" name="intent" value="import" />
        <label className="text-sm">
          A JSON file, as it is exported; its schema is at{" "}
          <a href="/formats/placements.schema.json" className="underline">
            placements.schema.json
          </a>
          <input
            type="file"
            name="file"
            accept="application/json,.json"
            onChange={send}
            className="mt-2 block text-sm"
          />
        </label>
      </fetcher.Form>
    </section>
  );
}
