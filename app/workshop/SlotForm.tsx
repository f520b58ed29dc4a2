import { keysOf } from "../../core/records";
import { Move, Trash2 } from "lucide-react";
import { type MediaFacts } from "../../core/document/facts";
import {
  type MediaSlot,
  type ProductsSlot,
  type Slot,
  type SlotAllows,
  type WordsSlot,
} from "../../core/document/sceneTemplate";
import { type Rect } from "../../core/geometry/rect";
import { type FormatName, formatTitle } from "../../core/placement/formats";
import { CheckField } from "./CheckField";
import { MediaRules } from "./MediaRules";
import { NumberField } from "./NumberField";
import { PlaceForm, type PlacesByFormat } from "./PlaceForm";
import { TextField } from "./TextField";
import { WordsRules } from "./WordsRules";
import { slotField } from "./slotLook";

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
const ALLOWED = keysOf(ALLOWS);
const MOST_ROWS = 6;

/** What can be said of a slot of any kind. */
type RulesOfAll = Pick<Slot, "label" | "hint" | "required" | "allows">;

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
  const set = (fields: Partial<RulesOfAll>): void => onChange((before) => ({ ...before, ...fields }));
  const setWords = (fields: Partial<WordsSlot>): void =>
    onChange((before) => (before.kind === "words" ? { ...before, ...fields } : before));
  const setMedia = (fields: Partial<MediaSlot>): void =>
    onChange((before) => (before.kind === "media" ? { ...before, ...fields } : before));
  const setProducts = (fields: Partial<ProductsSlot>): void =>
    onChange((before) => (before.kind === "products" ? { ...before, ...fields } : before));
  const setLabel = (label: string): void => set({ label });
  const setHint = (hint: string): void => set({ hint });
  const setRequired = (required: boolean): void => set({ required });
  const byHand = [...places.keys()].filter((format) => places.get(format)?.byHand);
  return (
    <fieldset
      className={`border bg-card p-3 ${chosen ? "border-accent" : "border-rule"}`}
      aria-label={`Slot ${slot.label}`}
      data-slot-form={slot.id}
    >
      <SlotHead
        kind={KINDS[slot.kind]}
        label={slot.label}
        byHand={byHand}
        chosen={chosen}
        onChoose={onChoose}
        onRemove={onRemove}
      />
      <div className="mt-1 grid grid-cols-2 gap-x-3 gap-y-2 text-[13px] text-soft">
        <TextField {...slotField} label="Label" required most={60} value={slot.label} onChange={setLabel} />
        <TextField {...slotField} label="Hint" most={120} value={slot.hint} onChange={setHint} />
        {slot.kind === "words" && <WordsRules slot={slot} onChange={setWords} />}
        {slot.kind === "media" && <MediaRules slot={slot} samples={samples} onChange={setMedia} />}
        {slot.kind === "products" && <ProductsRules slot={slot} onChange={setProducts} />}
      </div>
      {chosen && <PlaceForm places={places} onPlace={onPlace} />}
      <div className="mt-2 flex flex-wrap items-center gap-x-3 text-[13px]">
        <CheckField label="required" checked={slot.required} onChange={setRequired} className="min-h-7 gap-1.5" />
        <span className="text-soft">A filler may change:</span>
        {ALLOWED.map((what) => (
          <AllowedField key={what} what={what} allows={slot.allows} onChange={set} />
        ))}
      </div>
    </fieldset>
  );
}

function SlotHead({
  kind,
  label,
  byHand,
  chosen,
  onChoose,
  onRemove,
}: {
  kind: string;
  label: string;
  byHand: readonly FormatName[];
  chosen: boolean;
  onChoose: () => void;
  onRemove: () => void;
}) {
  return (
    <div className="flex items-center gap-3">
      <span className="text-[13px] font-semibold">{kind}</span>
      {byHand.length > 0 && (
        <span className="text-[12px] text-soft">placed by hand in {byHand.map(formatTitle).join(", ")}</span>
      )}
      <button
        type="button"
        aria-pressed={chosen}
        aria-label={`Place ${label} by hand`}
        title="Handles on the proofs"
        onClick={onChoose}
        className={`ml-auto p-1.5 ${chosen ? "text-accent" : "text-soft hover:text-ink"}`}
      >
        <Move aria-hidden size={14} />
      </button>
      <button
        type="button"
        aria-label={`Take out ${label}`}
        onClick={onRemove}
        className="p-1.5 text-soft hover:text-ink"
      >
        <Trash2 aria-hidden size={14} />
      </button>
    </div>
  );
}

function ProductsRules({ slot, onChange }: { slot: ProductsSlot; onChange: (fields: Partial<ProductsSlot>) => void }) {
  const setMost = (most: number): void => onChange({ most });
  return (
    <NumberField {...slotField} label="Rows at most" least={1} most={MOST_ROWS} value={slot.most} onChange={setMost} />
  );
}

function AllowedField({
  what,
  allows,
  onChange,
}: {
  what: keyof SlotAllows;
  allows: SlotAllows;
  onChange: (fields: Pick<Slot, "allows">) => void;
}) {
  const allow = (allowed: boolean): void => onChange({ allows: { ...allows, [what]: allowed } });
  return <CheckField label={ALLOWS[what]} checked={allows[what]} onChange={allow} className="min-h-7 gap-1.5" />;
}
