import { Disclosure, DisclosureButton, DisclosurePanel } from "@headlessui/react";
import { ChevronDown } from "lucide-react";
import { useState } from "react";
import { toast } from "sonner";
import { type SceneDesign, sourced } from "../../core/document/design";
import { type Edit } from "../../core/document/edit";
import { giveBack } from "../../core/document/edits";
import { type Look, type LookStep, MOST_STEPS } from "../../core/document/look";
import {
  setLook,
  setLookForAll,
  withStep,
  withStepChanged,
  withStepMoved,
  withoutStep,
} from "../../core/document/lookEdits";
import { targetOf } from "../../core/document/adjustments";
import { type ResolvedShot } from "../../core/document/resolve";
import { type Promotion } from "../../core/document/promotion";
import { type MediaSlot, type SlotKey } from "../../core/document/sceneTemplate";
import { coloursOf, matchedGrade } from "../../core/grading/matchColors";
import { OVERLAYS, type OverlayName } from "../../core/grading/overlays";
import type { OfferedMedia } from "../../server/media/offeredMedia";
import { MediaPicker } from "../mediaChoice/MediaPicker";
import { measuredTones } from "../proof/browserTones";
import { anyOf } from "../../core/document/mediaNeed";
import { LookStepRow } from "./LookStepRow";
import { LookSwatches } from "./LookSwatches";
import { lookInWords } from "./lookInWords";

/** A look that was copied, to be put on something else. */
export interface CopiedLook {
  readonly look: Look | null;
  readonly onCopy: (look: Look) => void;
}

const STRENGTH = 0.6;

/** How what is in a slot looks: looks of ours, colours changed by hand and what is laid over, one after the other. */
export function LookFields({
  document,
  design,
  slot,
  id,
  first,
  copied,
  disabled,
  onEdit,
}: {
  document: Promotion;
  design: SceneDesign;
  slot: MediaSlot;
  id: SlotKey;
  /** What is in the slot. */
  first: ResolvedShot;
  copied: CopiedLook;
  disabled: boolean;
  onEdit: (edit: Edit) => void;
}) {
  const [isMatching, setMatching] = useState(false);
  const target = targetOf(id);
  const look = sourced(document, "look", { ...design, target, slot, format: null }).value ?? [];
  const label = slot.label.toLowerCase();
  const back = giveBack(document, "look", target);
  const isFull = look.length >= MOST_STEPS;
  const set = (next: Look | null): void => {
    if (next) onEdit(setLook(id, next));
  };
  const add = (step: LookStep): void => set(withStep(look, step));
  const reset = (): void => {
    if (back) onEdit(back);
  };
  async function match({ facts }: OfferedMedia): Promise<void> {
    setMatching(false);
    const [own, other] = await Promise.all([measuredTones(first.media), measuredTones(facts)]);
    if (!own || !other) {
      toast.error("The colours of one of the two could not be had. Try again in a moment.");
      return;
    }
    const grade = matchedGrade(coloursOf(own), coloursOf(other));
    if (Object.keys(grade).length === 0) toast("Their colours are alike already.");
    else add({ kind: "grade", grade });
  }
  const matchTo = (item: OfferedMedia): void => void match(item);
  return (
    <Disclosure as="div" className="border-t border-rule/60 pt-1.5">
      <DisclosureButton className="group flex w-full items-baseline gap-2 py-0.5 text-left text-[13px]">
        <span className="font-semibold">Look of {label}</span>
        <span className="min-w-0 flex-1 truncate text-soft">{lookInWords(look)}</span>
        <ChevronDown aria-hidden size={14} className="self-center group-data-open:rotate-180" />
      </DisclosureButton>
      <DisclosurePanel>
        <fieldset disabled={disabled} className="flex min-w-0 flex-col gap-2 pt-1.5">
          {look.length > 0 && (
            <ol aria-label={`Steps of the look of ${label}`} className="flex flex-col gap-1.5">
              {look.map((step, at) => (
                <LookStepRow
                  key={at}
                  step={step}
                  at={at}
                  earlier={withStepMoved(look, at, -1)}
                  later={withStepMoved(look, at, 1)}
                  onStep={(next) => set(withStepChanged(look, at, next))}
                  onLook={set}
                  onRemove={() => set(withoutStep(look, at))}
                />
              ))}
            </ol>
          )}
          <LookSwatches
            media={first.media}
            disabled={isFull}
            onChoose={(name) => add({ kind: "look", look: name, strength: STRENGTH })}
          />
          <div className="flex flex-wrap items-center gap-x-3 gap-y-1 text-[13px]">
            <Press disabled={isFull} onPress={() => add({ kind: "grade", grade: {} })}>
              Change colours
            </Press>
            <AddOverlay disabled={isFull} onAdd={(overlay) => add({ kind: "overlay", overlay, strength: STRENGTH })} />
            <Press disabled={isFull} onPress={() => setMatching(true)}>
              Match to a picture
            </Press>
          </div>
          <div className="flex flex-wrap items-center gap-x-3 gap-y-1 text-[13px]">
            <Press disabled={look.length === 0} onPress={() => copied.onCopy(look)}>
              Copy look
            </Press>
            <Press disabled={copied.look === null} onPress={() => set(copied.look)}>
              Paste look
            </Press>
            <Press onPress={() => onEdit(setLookForAll(document, look))}>So everywhere</Press>
            {back && <Press onPress={reset}>Give back</Press>}
          </div>
        </fieldset>
        <MediaPicker
          open={isMatching}
          title={`Colours of ${label} like those of …`}
          need={anyOf("picture", "clip")}
          chosen={null}
          onClose={() => setMatching(false)}
          onChoose={matchTo}
        />
      </DisclosurePanel>
    </Disclosure>
  );
}

function Press({ disabled = false, onPress, children }: { disabled?: boolean; onPress: () => void; children: string }) {
  return (
    <button
      type="button"
      disabled={disabled}
      onClick={onPress}
      className="min-h-6 underline hover:text-accent disabled:text-soft disabled:no-underline"
    >
      {children}
    </button>
  );
}

const NOTHING = "";

/** Lays one more thing over a picture. */
function AddOverlay({ disabled, onAdd }: { disabled: boolean; onAdd: (overlay: OverlayName) => void }) {
  const choose = (value: string): void => {
    const chosen = OVERLAYS.find((one) => one === value);
    if (chosen) onAdd(chosen);
  };
  return (
    <select
      aria-label="Lay over"
      disabled={disabled}
      value={NOTHING}
      onChange={({ target: { value } }) => choose(value)}
      className="border border-rule bg-white px-1.5 py-1 text-[13px]"
    >
      <option value={NOTHING}>Lay over …</option>
      {OVERLAYS.map((name) => (
        <option key={name}>{name}</option>
      ))}
    </select>
  );
}
