import { counted } from "../../core/text/counted";
import { Link, data, useFetcher } from "react-router";
import { useRef, useState } from "react";
import { type ColumnMatch, PRODUCT_FIELDS, PRODUCT_FIELD_NAMES } from "../../core/catalogue/productRow";
import { CSV_LIMITS } from "../../core/catalogue/csvText";
import { requireEditor, requirePerson } from "../../server/auth/sessions";
import { type ImportPreview, previewImport, readMatch, runImport } from "../../server/catalogue/productImport";
import { noteDeed } from "../../server/people/deeds";
import { formOf, readJson } from "../../server/doors/readBody";
import type { Route } from "./+types/productImport";
import { Button, ButtonLink } from "../components/Button";
import { FilePicker } from "../components/FilePicker";
import { inputClasses } from "../components/Field";
import { Notice } from "../components/Notice";
import { PageHead } from "../components/PageHead";
import { useDropZone } from "../components/useDropZone";
import { ScrollBox } from "../components/ScrollBox";
import { isRefusal } from "../../server/edits/applyEach";

export async function loader({ request }: Route.LoaderArgs) {
  await requirePerson(request);
  return null;
}

interface Answer {
  readonly preview: ImportPreview | null;
  readonly problem: string | null;
  readonly imported: { readonly added: number; readonly changed: number; readonly left: number } | null;
}

export async function action({ request }: Route.ActionArgs) {
  const { scope, team, name } = await requireEditor(request);
  const failed = (problem: string) => data<Answer>({ preview: null, problem, imported: null }, { status: 422 });
  // Read only when it may be a list: nobody gets to fill our memory.
  if (Number(request.headers.get("content-length") ?? 0) > CSV_LIMITS.bytes + 100_000)
    return failed(`The file is larger than the limit for lists: ${CSV_LIMITS.bytes / 1e6} MB.`);
  const form = await formOf(request);
  const file = form.get("file");
  if (!(file instanceof File)) return failed("Choose a CSV file first.");
  try {
    const bytes = new Uint8Array(await file.arrayBuffer());
    const chosen = form.get("match");
    const parsed = typeof chosen === "string" && chosen !== "" ? readJson(chosen, "a choice of columns") : null;
    const match = parsed === null ? null : readMatch(parsed);
    if (form.get("intent") === "import" && match) {
      const imported = await runImport(scope, bytes, team.currency, match);
      await noteDeed(
        scope,
        name,
        `brought in a list of products: ${imported.added} added, ${imported.changed} changed`,
      );
      return { preview: null, problem: null, imported } satisfies Answer;
    }
    const preview = await previewImport(scope, bytes, team.currency, match);
    return { preview, problem: null, imported: null } satisfies Answer;
  } catch (error) {
    if (isRefusal(error)) return failed(`“${file.name}”: ${error.message}`);
    throw error;
  }
}

const DELIMITERS: Readonly<Record<string, string>> = { ",": "commas", ";": "semicolons", "\t": "tabs", "|": "bars" };

/** Brings a list of products in: choose, look at what it would do, confirm. Nothing is written before that. */
export default function ProductImport() {
  const fetcher = useFetcher<Answer>();
  const [file, setFile] = useState<File | null>(null);
  const picker = useRef<HTMLInputElement>(null);
  const send = (of: File, intent: string, match: ColumnMatch | null): void => {
    const form = new FormData();
    form.set("file", of);
    form.set("intent", intent);
    form.set("match", match ? JSON.stringify(match) : "");
    void fetcher.submit(form, { method: "post", encType: "multipart/form-data" });
  };
  const choose = (chosen: File | undefined): void => {
    if (!chosen) return;
    setFile(chosen);
    send(chosen, "preview", null);
  };
  const { over, zone } = useDropZone({ onFiles: (files) => choose(files[0]) });
  const busy = fetcher.state !== "idle";
  const { preview = null, problem = null, imported = null } = fetcher.data ?? {};
  return (
    <main className={`flex-1 px-8 py-7 max-sm:px-4 ${over ? "bg-ready-pale" : ""}`} {...zone}>
      <PageHead
        title="Import a list"
        about="Products from a CSV file. A product whose code you have already is changed; the others are added."
      >
        <ButtonLink look="quiet" to="/catalogue">
          Back to the catalogue
        </ButtonLink>
        {preview && file && (
          <Button
            look="main"
            disabled={busy || preview.added + preview.changed === 0}
            onClick={() => send(file, "import", preview.match)}
          >
            Import {counted(preview.added + preview.changed, "product")}
          </Button>
        )}
      </PageHead>
      <FilePicker ref={picker} accept=".csv,.txt,.tsv,text/csv" label="CSV file" testId="csv-picker" onPick={choose} />
      {problem && (
        <Notice kind="wrong" className="mb-5">
          {problem}
        </Notice>
      )}
      {imported && (
        <Notice kind="ready" className="mb-5">
          {imported.added} added, {imported.changed} changed
          {imported.left > 0 ? `, ${imported.left} rows left out` : ""}.{" "}
          <Link to="/catalogue" className="underline">
            See the catalogue
          </Link>
        </Notice>
      )}
      {!preview && (
        <button
          type="button"
          onClick={() => picker.current?.click()}
          disabled={busy}
          className="block w-full border border-dashed border-firm p-16 text-center text-soft hover:text-ink"
        >
          {busy
            ? "Reading the list …"
            : "Choose a CSV file, or drop it on this page. Its first row names the columns; commas, semicolons and tabs are understood."}
        </button>
      )}
      {preview && file && (
        <Preview
          preview={preview}
          name={file.name}
          busy={busy}
          onMatch={(match) => send(file, "preview", match)}
          onOther={() => picker.current?.click()}
        />
      )}
    </main>
  );
}

function Preview({
  preview,
  name,
  busy,
  onMatch,
  onOther,
}: {
  preview: ImportPreview;
  name: string;
  busy: boolean;
  onMatch: (match: ColumnMatch) => void;
  onOther: () => void;
}) {
  const { header, match, sample, findings, left, added, changed, same, encoding, delimiter } = preview;
  return (
    <div className={`grid grid-cols-[minmax(0,1fr)_320px] gap-10 max-lg:grid-cols-1 ${busy ? "opacity-70" : ""}`}>
      <section aria-label="Columns">
        <h2 className="mb-1">Columns of {name}</h2>
        <p className="mb-3 text-sm text-soft">
          Read as {encoding}, divided by {DELIMITERS[delimiter] ?? `“${delimiter}”`}. Say which column holds what, if it
          was not understood.{" "}
          <button type="button" onClick={onOther} className="underline">
            Choose another file
          </button>
        </p>
        <ScrollBox label="Rows of the file">
          <table className="w-full min-w-[700px] table-fixed text-left text-sm">
            <thead>
              <tr className="border-b border-ink">
                <th scope="col" className="w-36 py-1.5 font-normal text-soft">
                  Stencilcraft
                </th>
                <th scope="col" className="w-52 font-normal text-soft">
                  Column in the file
                </th>
                <th scope="col" className="font-normal text-soft">
                  The first rows say
                </th>
              </tr>
            </thead>
            <tbody className="divide-y divide-rule border-b border-rule">
              {PRODUCT_FIELDS.map((field) => {
                const at = match[field];
                return (
                  <tr key={field}>
                    <th scope="row" className="py-1.5 text-left font-semibold">
                      {PRODUCT_FIELD_NAMES[field]}
                    </th>
                    <td className="pr-4">
                      <select
                        aria-label={`Column for ${PRODUCT_FIELD_NAMES[field]}`}
                        value={at ?? ""}
                        onChange={(event) =>
                          onMatch({ ...match, [field]: event.target.value === "" ? null : Number(event.target.value) })
                        }
                        className={`${inputClasses} py-1!`}
                      >
                        <option value="">none</option>
                        {header.map((text, index) => (
                          <option key={index} value={index}>
                            {text || `column ${index + 1}`}
                          </option>
                        ))}
                      </select>
                    </td>
                    <td className="truncate text-soft">
                      {at === null
                        ? ""
                        : sample
                            .map((row) => row[at] ?? "")
                            .filter(Boolean)
                            .join(" · ")}
                    </td>
                  </tr>
                );
              })}
            </tbody>
          </table>
        </ScrollBox>
      </section>
      <section aria-label="What would happen">
        <h2 className="mb-3">What would happen</h2>
        <dl className="divide-y divide-rule border-y border-rule">
          {(
            [
              ["added", added],
              ["changed", changed],
              ["the same already", same],
              ["left out", left],
            ] as const
          ).map(([text, count]) => (
            <div key={text} className="flex justify-between py-2">
              <dt>{text}</dt>
              <dd className="figures">{count}</dd>
            </div>
          ))}
        </dl>
        {findings.length > 0 && (
          <>
            <h3 className="mt-6 mb-2 font-semibold">Rows that need a look</h3>
            <ul className="max-h-96 space-y-2 overflow-y-auto text-sm">
              {findings.map(({ row, problems }) => (
                <li key={row} className="bg-warn-pale px-3 py-2 text-warn">
                  <span className="figures font-semibold">row {row}</span> {problems.join(" ")}
                </li>
              ))}
            </ul>
          </>
        )}
      </section>
    </div>
  );
}

export { ProblemPage as ErrorBoundary } from "../components/ProblemPage";
