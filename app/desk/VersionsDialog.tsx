import { clsx } from "clsx";
import { useCallback, useEffect, useState } from "react";
import { object, string } from "yup";
import { type Edit } from "../../core/document/edit";
import { editTo } from "../../core/document/edits";
import { type Facts } from "../../core/document/facts";
import { isShowable } from "../../core/document/refs";
import { same } from "../../core/document/patch";
import { type Promotion } from "../../core/document/promotion";
import { Button } from "../components/Button";
import { DialogFrame } from "../components/DialogFrame";
import { Notice } from "../components/Notice";
import { TrioPreview } from "../gallery/TrioPreview";
import { usePreviews } from "../gallery/usePreviews";
import { fieldLook } from "../components/fieldLook";
import { useFactsFor } from "./useFactsFor";
import { type ShownVersion, fetchVersions, titleOf } from "./versions";

const refusal = object({ problem: string() });

/** Versions of a promotion that are kept: one beside the promotion as it is now, and the way to bring it back. */
export function VersionsDialog({
  slug,
  document,
  facts,
  isSaved,
  onEdit,
  onClose,
}: {
  slug: string;
  document: Promotion;
  facts: Facts;
  /** Whether all that is on screen is on the server: that is what is kept. */
  isSaved: boolean;
  onEdit: (edit: Edit) => void;
  onClose: () => void;
}) {
  const previews = usePreviews();
  const [versions, setVersions] = useState<readonly ShownVersion[]>([]);
  const [chosen, setChosen] = useState<number | null>(null);
  const [name, setName] = useState("");
  const [problem, setProblem] = useState<string | null>(null);
  const load = useCallback(async (): Promise<void> => {
    try {
      const found = await fetchVersions(slug);
      setVersions(found);
      setChosen((before) => before ?? found[0]?.revision ?? null);
    } catch (error) {
      setProblem(error instanceof Error ? error.message : String(error));
    }
  }, [slug]);
  useEffect(() => {
    // Told of when it comes, not while this is shown.
    void Promise.resolve().then(load);
  }, [load]);

  async function keep(): Promise<void> {
    setProblem(null);
    const response = await fetch(`/promotions/${slug}/versions`, {
      method: "POST",
      headers: { "content-type": "application/json" },
      body: JSON.stringify({ name }),
    });
    if (response.ok) {
      setName("");
      await load();
      return;
    }
    const body: unknown = await response.json().catch(() => ({}));
    setProblem(refusal.validateSync(body).problem ?? "The version was not kept.");
  }

  const version = versions.find(({ revision }) => revision === chosen);
  const own = useFactsFor(version?.document ?? null, facts);
  const canBeShown = version && isShowable(version.document, facts.templates);
  const isAsNow = version !== undefined && same(version.document, document);
  function bringBack(): void {
    if (!version) return;
    onEdit(editTo(document, version.document, `Bring back ${titleOf(version)}`));
    onClose();
  }

  return (
    <DialogFrame
      title="Versions"
      size="h-[520px] max-w-6xl"
      onClose={onClose}
      foot={
        <>
          <Button onClick={onClose}>Leave it</Button>
          <Button look="main" onClick={bringBack} disabled={!canBeShown || isAsNow}>
            Bring it back
          </Button>
        </>
      }
    >
      <div className="grid min-h-0 flex-1 grid-cols-[280px_minmax(0,1fr)]">
        <div className="flex min-h-0 flex-col border-r border-rule">
          <form
            className="flex gap-2 border-b border-rule p-3"
            onSubmit={(event) => {
              event.preventDefault();
              void keep();
            }}
          >
            <input
              value={name}
              maxLength={60}
              aria-label="Name of the version"
              placeholder="as it is now, called …"
              onChange={(event) => setName(event.target.value)}
              className={fieldLook}
            />
            <Button type="submit" disabled={!isSaved || name.trim() === ""}>
              Keep
            </Button>
          </form>
          <ul className="min-h-0 flex-1 overflow-y-auto">
            {versions.map((one) => (
              <li key={one.revision}>
                <button
                  type="button"
                  aria-pressed={one.revision === chosen}
                  onClick={() => setChosen(one.revision)}
                  className={clsx(
                    "block w-full border-b border-l-4 border-b-rule px-3 py-2.5 text-left",
                    one.revision === chosen ? "border-l-accent bg-white" : "border-l-transparent hover:bg-white",
                  )}
                >
                  <span className={one.name === null ? "text-soft" : "font-semibold"}>{titleOf(one)}</span>
                  <span className="block text-[12.5px] text-soft">
                    {one.when}
                    {one.by !== null && `, ${one.by}`}
                  </span>
                </button>
              </li>
            ))}
          </ul>
        </div>
        <div className="min-h-0 overflow-y-auto px-6 py-4">
          {problem && (
            <Notice kind="wrong" className="mb-4">
              {problem}
            </Notice>
          )}
          <div className="grid grid-cols-2 gap-5">
            <div>
              <h3 className="mb-1.5 text-[15px] font-semibold">As it is now</h3>
              <TrioPreview previews={previews} document={document} facts={facts} name="As it is now" />
            </div>
            {version && (
              <div>
                <h3 className="mb-1.5 text-[15px] font-semibold">{titleOf(version)}</h3>
                {canBeShown ? (
                  <TrioPreview
                    key={version.revision}
                    previews={previews}
                    document={version.document}
                    facts={own}
                    name={titleOf(version)}
                  />
                ) : (
                  <p className="text-soft">
                    It was made with a template that is not at hand here. Load the page again.
                  </p>
                )}
                <p className="mt-3 text-[13px] text-soft">
                  {isAsNow ? "The promotion is as it was then." : "Bringing it back is one step that Undo takes back."}
                </p>
              </div>
            )}
          </div>
        </div>
      </div>
    </DialogFrame>
  );
}
