import { useMemo, useState } from "react";
import { sceneOrigin } from "../../core/document/design";
import { type Edit } from "../../core/document/edit";
import { editTo } from "../../core/document/edits";
import { scenesInOrder } from "../../core/document/sceneList";
import { type Facts, type MediaFacts, type TemplatesByRef } from "../../core/document/facts";
import { needsInWords, needsOf } from "../../core/document/needs";
import { type Promotion } from "../../core/document/promotion";
import { moveToTemplate, withScenes } from "../../core/document/restructure";
import { EMPTY_SCENES } from "../../core/templates/emptyScenes";
import { shippedRef } from "../../core/templates/shipped";
import { Button } from "../components/Button";
import { DialogFrame } from "../components/DialogFrame";
import { type ChoosableTemplate } from "./choosableTemplate";
import { MovePreview } from "./MovePreview";
import { SceneChoice } from "./SceneChoice";
import { TemplateList } from "./TemplateList";

const EMPTY: ChoosableTemplate = { ref: shippedRef(EMPTY_SCENES), template: EMPTY_SCENES, note: "in any arrangement" };

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
  purpose: "empty" | "insert" | "swap";
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
  const choices = purpose === "swap" ? offered : [EMPTY, ...offered];
  const [slug, setSlug] = useState(() => firstSlug(purpose, document, offered));
  const [scenes, setScenes] = useState<readonly string[]>([]);
  const [at, setAt] = useState(() => beforeSignOff(document, facts.templates));
  const chosen = choices.find(({ ref }) => ref.slug === slug);
  const moved = useMemo(
    () =>
      purpose === "swap" && chosen ? moveToTemplate(document, facts.templates, chosen.ref, chosen.template) : null,
    [purpose, chosen, document, facts.templates],
  );
  const isNow = chosen?.ref.slug === document.template.slug && chosen.ref.edition === document.template.edition;

  const choose = (chosenSlug: string): void => {
    setSlug(chosenSlug);
    setScenes([]);
  };
  function finish(): void {
    if (!chosen) return;
    try {
      const inOrder = chosen.template.scenes.map(({ id }) => id).filter((id) => scenes.includes(id));
      const after =
        moved?.document ??
        withScenes(document, chosen, inOrder, { at, media: chosen === EMPTY ? [] : media, hasProductPicture });
      onEdit(editTo(document, after, moved ? "Change the template" : "Insert scenes"));
      onClose();
    } catch (error) {
      onProblem(error instanceof Error ? error.message : String(error));
    }
  }

  const foot = chosen && (
    <>
      <Button onClick={onClose}>Leave it</Button>
      <Button look="main" onClick={finish} disabled={moved ? isNow : scenes.length === 0}>
        {moved ? "Change the template" : insertInWords(scenes.length)}
      </Button>
    </>
  );
  return (
    <DialogFrame
      title={purpose === "swap" ? "Change the template" : "Insert scenes"}
      size="h-[660px] max-w-4xl"
      onClose={onClose}
      foot={foot}
    >
      <div className="grid min-h-0 flex-1 grid-cols-[300px_minmax(0,1fr)]">
        <TemplateList offered={choices} chosen={slug} onChoose={choose} />
        {chosen && (
          <div className="min-h-0 overflow-y-auto px-6 py-4">
            <p className="text-soft">{chosen.template.about}</p>
            {chosen !== EMPTY && (
              <p className="mt-1 text-[13px] text-soft">Needs: {needsInWords(needsOf(chosen.template))}</p>
            )}
            {!moved && (
              <SceneChoice
                template={chosen.template}
                chosen={scenes}
                at={at}
                places={Object.keys(document.scenes).length}
                onChoose={setScenes}
                onPlace={setAt}
              />
            )}
            {moved && <MovePreview after={moved.document} facts={facts} unplaced={moved.unplaced.length > 0} />}
          </div>
        )}
      </div>
    </DialogFrame>
  );
}

/** Where one begins: at the promotion's own template when it is changed. */
function firstSlug(
  purpose: "empty" | "insert" | "swap",
  document: Promotion,
  offered: readonly ChoosableTemplate[],
): string {
  if (purpose === "swap") return document.template.slug;
  return (purpose === "insert" ? offered[0] : undefined)?.ref.slug ?? EMPTY.ref.slug;
}

const insertInWords = (count: number): string => (count === 1 ? "Insert the scene" : `Insert ${count} scenes`);

/** New scenes go in front of the sign-off where there is one. */
function beforeSignOff(document: Promotion, templates: TemplatesByRef): number {
  const scenes = scenesInOrder(document);
  const last = scenes.at(-1);
  return last && sceneOrigin(templates, last).arrangement.name === "sign-off" ? scenes.length - 1 : scenes.length;
}
