import { Move, Trash2 } from "lucide-react";
import { COLOR_ROLES } from "../../core/color/palette";
import { type MediaFacts } from "../../core/document/facts";
import {
  PICTURE_SHAPES,
  WORDS_BINDINGS,
  WORDS_ROLES,
  type MediaSlot,
  type Slot,
  type SlotAllows,
  type WordsBinding,
  type WordsRole,
  type WordsSlot,
} from "../../core/document/template";
import { type Rect } from "../../core/geometry/rect";
import { FORMAT_NAMES, type FormatName } from "../../core/placement/formats";
import { fieldLook } from "../desk/DeckFields";
import { PlaceForm, type PlacesByFormat } from "./PlaceForm";

const KINDS: Readonly<Record<Slot["kind"], string>> = {
  words: "Words",
  media: "Picture or clip",
  offer: "Offer",
  products: "List of products",
};
const ALLOWS: Readonly<Record<keyof SlotAllows, string>> = {
  content: "what is in it",
  color: "its colour",
  position: "its place",
  remove: "its presence",
};
const small = `${fieldLook} mt-1 py-1! text-[14px]!`;

interface SlotFormProps {
  readonly slot: Slot;
  /** Whether it is the one that has handles on the proofs. */
  readonly chosen: boolean;
  readonly places: PlacesByFormat;
  readonly samples: readonly MediaFacts[];
  readonly onChoose: () => void;
  readonly onPlace: (format: FormatName, place: Rect | null) => void;
  readonly onChange: (change: (slot: Slot) => Slot) => void;
  readonly onRemove: () => void;
}

/** A slot's rules: what it is called, what it needs, where it comes from and stands, and what a filler may change. */
export function SlotForm({ slot, chosen, places, samples, onChoose, onPlace, onChange, onRemove }: SlotFormProps) {
  const byHand = FORMAT_NAMES.filter((format) => places[format]?.byHand);
  return (
    <fieldset
      className={`border bg-card p-3 ${chosen ? "border-accent" : "border-rule"}`}
      aria-label={`Slot ${slot.label}`}
      data-slot-form={slot.id}
    >
      <div className="flex items-center gap-3">
        <span className="text-[13px] font-semibold">{KINDS[slot.kind]}</span>
        {byHand.length > 0 && <span className="text-[12px] text-soft">placed by hand in {byHand.join(", ")}</span>}
        <button
          type="button"
          aria-pressed={chosen}
          aria-label={`Place ${slot.label} by hand`}
          title="Handles on the proofs"
          onClick={onChoose}
          className={`ml-auto p-1.5 ${chosen ? "text-accent" : "text-soft hover:text-ink"}`}
        >
          <Move aria-hidden size={14} />
        </button>
        <button
          type="button"
          aria-label={`Take out ${slot.label}`}
          onClick={onRemove}
          className="p-1.5 text-soft hover:text-ink"
        >
          <Trash2 aria-hidden size={14} />
        </button>
      </div>
      <div className="mt-1 grid grid-cols-2 gap-x-3 gap-y-2 text-[13px] text-soft">
        <label>
          Label
          <input
            value={slot.label}
            maxLength={60}
            onChange={(event) => onChange((before) => ({ ...before, label: event.target.value || " " }))}
            className={small}
          />
        </label>
        <label>
          Hint
          <input
            value={slot.hint}
            maxLength={120}
            onChange={(event) => onChange((before) => ({ ...before, hint: event.target.value }))}
            className={small}
          />
        </label>
        {slot.kind === "words" && (
          <WordsRules
            slot={slot}
            onChange={(change) => onChange((before) => (before.kind === "words" ? change(before) : before))}
          />
        )}
        {slot.kind === "media" && (
          <MediaRules
            slot={slot}
            samples={samples}
            onChange={(change) => onChange((before) => (before.kind === "media" ? change(before) : before))}
          />
        )}
        {slot.kind === "products" && (
          <label>
            Rows at most
            <input
              type="number"
              min={1}
              max={6}
              value={slot.most}
              onChange={(event) =>
                event.target.valueAsNumber >= 1 &&
                event.target.valueAsNumber <= 6 &&
                onChange((before) => ({ ...before, most: event.target.valueAsNumber }) as Slot)
              }
              className={`${small} figures`}
            />
          </label>
        )}
      </div>
      {chosen && <PlaceForm places={places} onPlace={onPlace} />}
      <div className="mt-2 flex flex-wrap items-center gap-x-3 text-[13px]">
        <label className="flex min-h-7 items-center gap-1.5">
          <input
            type="checkbox"
            className="h-4 w-4 accent-accent"
            checked={slot.required}
            onChange={(event) => onChange((before) => ({ ...before, required: event.target.checked }))}
          />{" "}
          required
        </label>
        <span className="text-soft">A filler may change:</span>
        {(Object.keys(ALLOWS) as (keyof SlotAllows)[]).map((what) => (
          <label key={what} className="flex min-h-7 items-center gap-1.5">
            <input
              type="checkbox"
              className="h-4 w-4 accent-accent"
              checked={slot.allows[what]}
              onChange={(event) =>
                onChange((before) => ({ ...before, allows: { ...before.allows, [what]: event.target.checked } }))
              }
            />{" "}
            {ALLOWS[what]}
          </label>
        ))}
      </div>
    </fieldset>
  );
}

function WordsRules({
  slot,
  onChange,
}: {
  slot: WordsSlot;
  onChange: (change: (slot: WordsSlot) => WordsSlot) => void;
}) {
  return (
    <>
      <label>
        Set as
        <select
          value={slot.role}
          onChange={(event) => onChange((before) => ({ ...before, role: event.target.value as WordsRole }))}
          className={small}
        >
          {WORDS_ROLES.map((role) => (
            <option key={role}>{role}</option>
          ))}
        </select>
      </label>
      <label>
        Made for letters
        <input
          type="number"
          min={1}
          max={160}
          value={slot.budget}
          onChange={(event) =>
            event.target.valueAsNumber >= 1 &&
            event.target.valueAsNumber <= 160 &&
            onChange((before) => ({ ...before, budget: Math.round(event.target.valueAsNumber) }))
          }
          className={`${small} figures`}
        />
      </label>
      <label>
        Comes from
        <select
          value={slot.binding ?? ""}
          onChange={(event) =>
            onChange((before) => ({
              ...before,
              binding: (event.target.value || undefined) as WordsBinding | undefined,
            }))
          }
          className={small}
        >
          <option value="">nowhere</option>
          {WORDS_BINDINGS.map((binding) => (
            <option key={binding} value={binding}>
              {binding.replace(".", ": ").replaceAll(/[.-]/g, " ")}
            </option>
          ))}
        </select>
      </label>
      <label>
        Colour
        <select
          value={slot.color ?? ""}
          onChange={(event) =>
            onChange((before) => ({ ...before, color: COLOR_ROLES.find((role) => role === event.target.value) }))
          }
          className={small}
        >
          <option value="">as usual on its ground</option>
          {COLOR_ROLES.map((role) => (
            <option key={role}>{role}</option>
          ))}
        </select>
      </label>
      <label>
        Until it is filled
        <input
          value={slot.fallback ?? ""}
          maxLength={160}
          onChange={(event) => onChange((before) => ({ ...before, fallback: event.target.value }))}
          className={small}
        />
      </label>
    </>
  );
}

function MediaRules({
  slot,
  samples,
  onChange,
}: {
  slot: MediaSlot;
  samples: readonly MediaFacts[];
  onChange: (change: (slot: MediaSlot) => MediaSlot) => void;
}) {
  const accepted = slot.accepts.length > 1 ? "both" : (slot.accepts[0] ?? "both");
  return (
    <>
      <label>
        Takes
        <select
          value={accepted}
          onChange={(event) =>
            onChange((before) => ({
              ...before,
              accepts: event.target.value === "both" ? ["picture", "clip"] : [event.target.value as "picture" | "clip"],
            }))
          }
          className={small}
        >
          <option value="both">pictures and clips</option>
          <option value="picture">pictures</option>
          <option value="clip">clips</option>
        </select>
      </label>
      <label>
        Shape
        <select
          value={slot.needs.shape}
          onChange={(event) =>
            onChange((before) => ({
              ...before,
              needs: { ...before.needs, shape: PICTURE_SHAPES.find((shape) => shape === event.target.value) ?? "any" },
            }))
          }
          className={small}
        >
          {PICTURE_SHAPES.map((shape) => (
            <option key={shape}>{shape}</option>
          ))}
        </select>
      </label>
      {!slot.from.startsWith("slot:") && (
        <label>
          Until one is chosen
          <select
            value={slot.from}
            onChange={(event) =>
              onChange((before) => ({ ...before, from: event.target.value === "product" ? "product" : "nothing" }))
            }
            className={small}
          >
            <option value="product">the product&apos;s picture</option>
            <option value="nothing">none</option>
          </select>
        </label>
      )}
      <label>
        A picture of its own
        <select
          value={slot.media ?? ""}
          onChange={(event) => onChange((before) => ({ ...before, media: event.target.value || undefined }))}
          className={small}
        >
          <option value="">none</option>
          {slot.media !== undefined && !samples.some(({ id }) => id === slot.media) && (
            <option value={slot.media}>the one it has</option>
          )}
          {samples
            .filter(({ kind }) => kind !== "sound" && slot.accepts.includes(kind))
            .map(({ id, name }) => (
              <option key={id} value={id}>
                {name}
              </option>
            ))}
        </select>
      </label>
      <label>
        Pixels of its short side
        <input
          type="number"
          min={0}
          max={4096}
          value={slot.needs.leastPixels}
          onChange={(event) =>
            event.target.valueAsNumber >= 0 &&
            onChange((before) => ({
              ...before,
              needs: { ...before.needs, leastPixels: Math.min(4096, Math.round(event.target.valueAsNumber)) },
            }))
          }
          className={`${small} figures`}
        />
      </label>
    </>
  );
}
