import { ArrowDown, ArrowUp, AudioLines, Plus, Trash2 } from "lucide-react";
import { type Template } from "../../core/document/template";
import { Button } from "../components/Button";
import { addScene, canAddScene, moveScene, removeScene } from "./draftChanges";

/** The scenes of a draft in their order, and the way to what belongs to all of them. `chosen` is null for the latter. */
export function SceneList({
  draft,
  chosen,
  onChoose,
  onChange,
}: {
  draft: Template;
  chosen: string | null;
  onChoose: (scene: string | null) => void;
  onChange: (change: (before: Template) => Template) => void;
}) {
  const item = (current: boolean): string =>
    `border-b border-l-4 border-b-rule ${current ? "border-l-accent bg-card" : "border-l-transparent"}`;
  const tool = "p-1.5 text-soft hover:text-ink disabled:opacity-30";
  return (
    <div className="flex w-[176px] shrink-0 flex-col border-r border-rule">
      <div className={item(chosen === null)}>
        <button
          type="button"
          aria-pressed={chosen === null}
          onClick={() => onChoose(null)}
          className="flex w-full items-center gap-2 px-3 py-2.5 text-left font-semibold"
        >
          <AudioLines aria-hidden size={16} /> Look and sound
        </button>
      </div>
      <ol className="min-h-0 flex-1 overflow-y-auto" aria-label="Scenes">
        {draft.scenes.map(({ id, name, length }, index) => (
          <li key={id} className={item(id === chosen)}>
            <button
              type="button"
              aria-pressed={id === chosen}
              onClick={() => onChoose(id)}
              className="block w-full px-3 py-2.5 text-left"
            >
              <span className="mr-2 figures text-soft">{index + 1}</span>
              <span className="font-semibold">{name}</span>
              <span className="block pl-5 figures text-[12px] text-soft">{length / 1000} s</span>
            </button>
            {id === chosen && (
              <div className="flex gap-1 px-2 pb-2 pl-7">
                <button
                  type="button"
                  aria-label="Move the scene earlier"
                  disabled={index === 0}
                  onClick={() => onChange((before) => moveScene(before, id, -1))}
                  className={tool}
                >
                  <ArrowUp aria-hidden size={14} />
                </button>
                <button
                  type="button"
                  aria-label="Move the scene later"
                  disabled={index === draft.scenes.length - 1}
                  onClick={() => onChange((before) => moveScene(before, id, 1))}
                  className={tool}
                >
                  <ArrowDown aria-hidden size={14} />
                </button>
                <button
                  type="button"
                  aria-label="Take the scene out"
                  disabled={draft.scenes.length < 2}
                  onClick={() => onChange((before) => removeScene(before, id))}
                  className={tool}
                >
                  <Trash2 aria-hidden size={14} />
                </button>
              </div>
            )}
          </li>
        ))}
      </ol>
      <Button className="m-3" disabled={!canAddScene(draft)} onClick={() => onChange(addScene)}>
        <Plus aria-hidden size={15} /> Add a scene
      </Button>
    </div>
  );
}
