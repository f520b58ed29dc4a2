import { clsx } from "clsx";
import { useMemo, useState } from "react";
import { ABOUT_ARRANGEMENTS } from "../../core/document/arrangements";
import { sceneOrigin } from "../../core/document/design";
import { type Edit } from "../../core/document/edits";
import { type Facts, type MediaFacts, type TemplatesByRef } from "../../core/document/facts";
import { needsInWords, needsOf, templateLength } from "../../core/document/needs";
import { type Promotion, type TemplateRef } from "../../core/document/promotion";
import { moveToTemplate, withScenes } from "../../core/document/restructure";
import { type Template } from "../../core/document/template";
import { Button } from "../components/Button";
import { DialogFrame } from "../components/DialogFrame";
import { TrioPreview } from "../gallery/TrioPreview";
import { usePreviews } from "../gallery/usePreviews";

export interface ChoosableTemplate {
  readonly ref: TemplateRef;
  readonly template: Template;
}

/** Puts scenes of any template into a promotion, or moves the promotion to another template; says beforehand what would find no place. */
export function TemplatesDialog({
  purpose,
  document,
  facts,
  offered,
  media,
  hasProductPicture,
  onEdit,
  onProblem,
  onClose,
}: {
  purpose: "insert" | "swap";
  document: Promotion;
  facts: Facts;
  offered: readonly ChoosableTemplate[];
  /** What may fill pictures that would be empty, the most fitting first. */
  media: readonly MediaFacts[];
  hasProductPicture: boolean;
  onEdit: (edit: Edit) => void;
  onProblem: (problem: string) => void;
  onClose: () => void;
}) {
  const [search, setSearch] = useState("");
  const [slug, setSlug] = useState(purpose === "swap" ? document.template.slug : (offered[0]?.ref.slug ?? ""));
  const [scenes, setScenes] = useState<readonly string[]>([]);
  const [at, setAt] = useState(() => beforeSignOff(document, facts.templates));
  const wanted = search.trim().toLowerCase();
  const shown = offered.filter(({ template: { name, purpose: use, about } }) =>
    `${name} ${use} ${about}`.toLowerCase().includes(wanted),
  );
  const chosen = offered.find(({ ref }) => ref.slug === slug);
  const previews = usePreviews();
  const moved = useMemo(
    () =>
      purpose === "swap" && chosen ? moveToTemplate(document, facts.templates, chosen.ref, chosen.template) : null,
    [purpose, chosen, document, facts.templates],
  );
  const isNow = chosen?.ref.slug === document.template.slug && chosen.ref.edition === document.template.edition;
  const after = useMemo(() => (moved ? { ...document, ...moved.structure } : null), [document, moved]);

  function finish(): void {
    if (!chosen) return;
    try {
      if (moved) onEdit({ kind: "restructure", structure: moved.structure });
      else
        onEdit({
          kind: "restructure",
          structure: withScenes(
            document,
            chosen,
            chosen.template.scenes.map(({ id }) => id).filter((id) => scenes.includes(id)),
            at,
            media,
            hasProductPicture,
          ),
        });
      onClose();
    } catch (error) {
      onProblem(error instanceof Error ? error.message : String(error));
    }
  }

  return (
    <DialogFrame
      title={purpose === "insert" ? "Insert scenes" : "Change the template"}
      size="h-[660px] max-w-4xl"
      onClose={onClose}
      foot={
        chosen && (
          <>
            <Button onClick={onClose}>Leave it</Button>
            <Button look="main" onClick={finish} disabled={purpose === "insert" ? scenes.length === 0 : isNow}>
              {purpose === "insert"
                ? scenes.length === 1
                  ? "Insert the scene"
                  : `Insert ${scenes.length} scenes`
                : "Change the template"}
            </Button>
          </>
        )
      }
    >
      <div className="grid min-h-0 flex-1 grid-cols-[300px_minmax(0,1fr)]">
        <div className="flex min-h-0 flex-col border-r border-rule">
          <input
            type="search"
            value={search}
            onChange={(event) => setSearch(event.target.value)}
            placeholder="Search templates"
            aria-label="Search templates"
            className="m-3 border border-rule bg-white px-2.5 py-1.5"
          />
          <ul className="min-h-0 flex-1 overflow-y-auto" aria-label="Templates">
            {shown.map(({ ref, template }) => (
              <li key={ref.slug}>
                <button
                  type="button"
                  aria-pressed={ref.slug === slug}
                  onClick={() => {
                    setSlug(ref.slug);
                    setScenes([]);
                  }}
                  className={clsx(
                    "block w-full border-l-4 px-4 py-2 text-left",
                    ref.slug === slug ? "border-accent bg-[#f3ecdd]" : "border-transparent hover:bg-[#f7f2e6]",
                  )}
                >
                  <span className="block leading-tight font-semibold">{template.name}</span>
                  <span className="text-[13px] text-soft">
                    {template.purpose} · <span className="figures">{templateLength(template) / 1000} s</span>
                  </span>
                </button>
              </li>
            ))}
          </ul>
        </div>
        {chosen && (
          <div className="min-h-0 overflow-y-auto px-6 py-4">
            <p className="text-soft">{chosen.template.about}</p>
            <p className="mt-1 text-[13px] text-soft">Needs: {needsInWords(needsOf(chosen.template))}</p>
            {purpose === "insert" ? (
              <fieldset className="mt-4">
                <legend className="mb-2 flex w-full items-baseline justify-between font-semibold">
                  Scenes{" "}
                  <button
                    type="button"
                    onClick={() => setScenes(chosen.template.scenes.map(({ id }) => id))}
                    className="text-[13px] font-normal text-soft underline hover:text-ink"
                  >
                    All of them
                  </button>
                </legend>
                {chosen.template.scenes.map((scene, index) => (
                  <label key={scene.id} className="flex items-baseline gap-3 border-b border-rule py-1.5">
                    <input
                      type="checkbox"
                      className="accent-accent"
                      checked={scenes.includes(scene.id)}
                      onChange={(event) =>
                        setScenes(event.target.checked ? [...scenes, scene.id] : scenes.filter((id) => id !== scene.id))
                      }
                    />
                    <span className="figures text-soft">{index + 1}</span>
                    <span className="flex-1">
                      {scene.name}{" "}
                      <span className="text-[13px] text-soft">
                        · {ABOUT_ARRANGEMENTS[scene.arrangement.name].title.toLowerCase()}
                      </span>
                    </span>
                    <span className="figures text-[13px] text-soft">{scene.length / 1000} s</span>
                  </label>
                ))}
                <label className="mt-4 flex items-center gap-3">
                  Put them in
                  <select
                    value={at}
                    onChange={(event) => setAt(Number(event.target.value))}
                    className="border border-rule bg-white px-2 py-1.5"
                  >
                    {[...document.scenes.keys(), document.scenes.length].map((place) => (
                      <option key={place} value={place}>
                        {place === 0 ? "at the start" : `after scene ${place}`}
                      </option>
                    ))}
                  </select>
                </label>
              </fieldset>
            ) : (
              moved && (
                <div className="mt-4" role="status">
                  {after && (
                    <div className="mb-4 max-w-[440px]">
                      <TrioPreview previews={previews} document={after} facts={facts} name="After the change" />
                    </div>
                  )}
                  <p className="font-semibold">
                    {moved.unplaced.length === 0
                      ? "Everything you filled finds a place."
                      : "These find no place, and are kept aside:"}
                  </p>
                  <ul className="mt-1 list-disc pl-5">
                    {moved.structure.spare.map(({ label, fill }, index) => (
                      <li key={index}>
                        {label}
                        {fill.kind === "words"
                          ? `: “${fill.text}”`
                          : fill.kind === "media"
                            ? " (a picture or clip)"
                            : " (products)"}
                      </li>
                    ))}
                  </ul>
                  <p className="mt-3 text-[13px] text-soft">Undo brings the promotion back as it is now.</p>
                </div>
              )
            )}
          </div>
        )}
      </div>
    </DialogFrame>
  );
}

/** New scenes go in front of the sign-off where there is one. */
function beforeSignOff({ scenes }: Promotion, templates: TemplatesByRef): number {
  const last = scenes.at(-1);
  return last && sceneOrigin(templates, last).arrangement.name === "sign-off" ? scenes.length - 1 : scenes.length;
}
