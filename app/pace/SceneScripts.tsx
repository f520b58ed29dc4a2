import { type ChangeEvent } from "react";
import { clsx } from "clsx";
import { type Edit } from "../../core/document/edit";
import { adjust } from "../../core/document/edits";
import { MOST_SAID } from "../../core/document/script";
import { scriptOf } from "../../core/document/scripts";
import { type Promotion } from "../../core/document/promotion";
import { type ResolvedPromotion } from "../../core/document/resolve";
import { readingNeed } from "../../core/time/reading";
import { fieldLook } from "../components/fieldLook";

/** What is said in each scene, with how long saying it takes beside how long the scene is. */
export function SceneScripts({
  document,
  promotion: { scenes, spans },
  onEdit,
}: {
  document: Promotion;
  promotion: ResolvedPromotion;
  onEdit: (edit: Edit) => void;
}) {
  return (
    <details className="text-[13px]">
      <summary className="cursor-pointer font-semibold">Script, scene by scene</summary>
      <ol className="mt-2 flex flex-col gap-2">
        {scenes.map(({ id, template }, index) => {
          const span = spans[index];
          const script = scriptOf(document, id);
          const [takes, has] = [readingNeed(script), span ? span.end - span.start : 0];
          const type = ({ target: { value } }: ChangeEvent<HTMLTextAreaElement>): void =>
            onEdit(adjust("script", value === "" ? null : value, { target: { scene: id } }));
          return (
            <li key={id}>
              <label className="flex flex-col gap-0.5 text-soft">
                <span className="flex justify-between gap-2">
                  <span className="truncate">
                    {index + 1} · {template.name}
                  </span>
                  {script !== "" && (
                    <span className={clsx("figures whitespace-nowrap", takes > has && "text-warn")}>
                      {(takes / 1000).toFixed(1)} of {(has / 1000).toFixed(1)} s
                    </span>
                  )}
                </span>
                <textarea
                  rows={2}
                  value={script}
                  maxLength={MOST_SAID}
                  onChange={type}
                  aria-label={`Script of scene ${index + 1}`}
                  className={`${fieldLook} resize-y text-[14px] text-ink`}
                />
              </label>
            </li>
          );
        })}
      </ol>
    </details>
  );
}
