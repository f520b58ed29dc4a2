import { useId, useState } from "react";
import { object, string } from "yup";
import { type ResolvedPromotion } from "../../core/document/resolve";
import { type SlotKey, slotKey } from "../../core/document/sceneTemplate";
import { PURPOSES } from "../../core/document/template";
import { Button } from "../components/Button";
import { DialogFrame } from "../components/DialogFrame";
import { Choice, Field } from "../components/Field";
import { Notice } from "../components/Notice";
import { firstLetters } from "../../core/text/cleanText";

const answer = object({ slug: string(), name: string(), problem: string() });

/** Keeps a finished promotion as a template: asks for its name, and for each slot whether it is filled anew or stays as it is. */
export function KeepDialog({
  slug,
  name,
  promotion,
  onKept,
  onClose,
}: {
  slug: string;
  name: string;
  promotion: ResolvedPromotion;
  onKept: (name: string) => void;
  onClose: () => void;
}) {
  const [wanted, setWanted] = useState(firstLetters(name, 60));
  const [purpose, setPurpose] = useState<string>(promotion.base.purpose);
  const [fixed, setFixed] = useState<readonly SlotKey[]>([]);
  const [problem, setProblem] = useState<string | null>(null);
  const [busy, setBusy] = useState(false);
  const heading = useId();

  async function keep(): Promise<void> {
    setBusy(true);
    setProblem(null);
    try {
      const response = await fetch(`/promotions/${slug}/template`, {
        method: "POST",
        headers: { "content-type": "application/json" },
        body: JSON.stringify({ name: wanted, purpose, about: "", fixed }),
      });
      const { name: kept, problem: refused } = answer.validateSync(await response.json().catch(() => ({})));
      if (response.ok) {
        onKept(kept ?? wanted);
        onClose();
      } else setProblem(refused ?? "The template was not kept. Only designers and owners make templates.");
    } catch {
      setProblem("There is no connection to the server. Try again.");
    } finally {
      setBusy(false);
    }
  }

  return (
    <DialogFrame
      title="Keep as a template"
      size="max-w-2xl"
      onClose={onClose}
      foot={
        <>
          <Button onClick={onClose}>Leave it</Button>
          <Button look="main" onClick={() => void keep()} disabled={busy || wanted.trim() === ""}>
            Keep the template
          </Button>
        </>
      }
    >
      <div className="min-h-0 flex-1 overflow-y-auto px-6 py-4">
        {problem && (
          <Notice kind="wrong" className="mb-4">
            {problem}
          </Notice>
        )}
        <div className="grid grid-cols-[minmax(0,1fr)_220px] gap-5">
          <Field
            label="Name of the template"
            value={wanted}
            maxLength={60}
            onChange={(event) => setWanted(event.target.value)}
          />
          <Choice
            label="What it is for"
            value={purpose}
            onChange={(event) => setPurpose(event.target.value)}
            options={PURPOSES.map((one): [string, string] => [one, one])}
          />
        </div>
        <h3 id={heading} className="mt-5 font-semibold">
          What stays as it is
        </h3>
        <p className="text-[13px] text-soft">
          What is ticked is shown in every promotion made from it, and is locked. The rest is filled each time.
        </p>
        <div role="group" aria-labelledby={heading} className="mt-2">
          {promotion.scenes.map(({ template, words, shots }, index) => (
            <fieldset key={template.id} className="border-t border-rule py-2">
              <legend className="float-left w-44 pr-3 font-semibold">
                <span className="mr-2 figures text-soft">{index + 1}</span>
                {template.name}
              </legend>
              <div className="flex flex-col gap-0.5">
                {template.slots
                  .filter(({ kind }) => kind === "words" || kind === "media")
                  .map((slot) => {
                    const key = slotKey(template, slot);
                    const shown = slot.kind === "words" ? words[slot.id] : shots[slot.id]?.[0]?.media.name;
                    return (
                      <label key={key} className="flex items-baseline gap-2 text-[14px]">
                        <input
                          type="checkbox"
                          className="accent-accent"
                          checked={fixed.includes(key)}
                          onChange={(event) =>
                            setFixed(event.target.checked ? [...fixed, key] : fixed.filter((other) => other !== key))
                          }
                        />
                        {slot.label}
                        <span className="min-w-0 truncate text-soft">{shown}</span>
                      </label>
                    );
                  })}
              </div>
            </fieldset>
          ))}
        </div>
      </div>
    </DialogFrame>
  );
}
