import { AudioLines } from "lucide-react";
import { type Edit } from "../../core/document/edits";
import { RIGHTS_WORDS } from "../../core/document/rights";
import { RightsMark } from "../components/RightsMark";
import { type OfferedMedia } from "./MediaPicker";
import { MOST_WORDS, type Promotion } from "../../core/document/promotion";
import { type ResolvedPromotion } from "../../core/document/resolve";
import { type SceneTemplate, type Slot, type SlotKey, type WordsRole, type WordsSlot, slotKey } from "../../core/document/template";
import { wordReports } from "../../core/preflight/wordFindings";
import { type PreparedPromotion } from "../../core/scene/preparePromotion";
import { type SceneSpan } from "../../core/time/timeline";
import { SlotPicture } from "./SlotPicture";
import { WordsMeters } from "./WordsMeters";

export interface DeckChoices {
  readonly media: readonly OfferedMedia[];
  readonly products: readonly { readonly id: string; readonly name: string }[];
  readonly offers: readonly { readonly id: string; readonly name: string; readonly state: string }[];
  /** Words to pick from, by what they are for. */
  readonly suggestions: Partial<Record<WordsRole, readonly string[]>>;
}

/** The copy deck: a ruled sheet with one band per scene, in reading order. Every slot is a plain field that stays in its place. */
export function CopyDeck({ document, promotion, prepared, choices, marked, onMark, onEdit, onDropFiles }: {
  document: Promotion;
  promotion: ResolvedPromotion;
  prepared: readonly PreparedPromotion[];
  choices: DeckChoices;
  marked: SlotKey | null;
  onMark: (slot: SlotKey, scene: SceneSpan) => void;
  onEdit: (edit: Edit) => void;
  onDropFiles: (slot: SlotKey, files: FileList) => void;
}) {
  const reports = wordReports(prepared);
  return (
    <div className="h-full overflow-y-auto" data-testid="copy-deck">
      {promotion.scenes.map((scene, index) => {
        const { template } = scene;
        const span = promotion.spans[index];
        if (!span) return null;
        const words = template.slots.filter((slot) => slot.kind !== "media");
        const pictures = template.slots.filter((slot) => slot.kind === "media");
        const active = marked?.startsWith(`${template.id}.`) ?? false;
        return (
          <section key={template.id} aria-label={`Scene ${index + 1}, ${template.name}`} className={`flex gap-4 border-b border-l-4 border-b-rule px-4 py-3.5 ${active ? "border-l-accent bg-card" : "border-l-transparent"}`}>
            <div className="w-[58px] shrink-0 text-right">
              <div className="font-heading text-[24px] font-extrabold leading-none">{index + 1}</div>
              <div className="figures mt-2 leading-[1.35] text-soft">{at(span.start)}<br />{at(span.end)}</div>
            </div>
            <div className="flex min-w-0 flex-1 flex-col gap-1">
              {words.map((slot) => {
                const key = slotKey(template, slot);
                const focus = (): void => onMark(key, span);
                if (slot.kind === "offer") return <OfferField key={key} slotKey={key} document={document} promotion={promotion} choices={choices} report={reports.get(key)} onFocus={focus} onEdit={onEdit} />;
                if (slot.kind === "products") return null;
                return <WordsField key={key} scene={template} slot={slot} text={scene.words[slot.id] ?? ""} filled={key in document.fills} report={reports.get(key)} products={choices.products} suggestions={choices.suggestions[slot.role] ?? []} product={document.product} onFocus={focus} onEdit={onEdit} />;
              })}
            </div>
            {pictures.map((slot) => {
              const key = slotKey(template, slot);
              const facts = scene.media[slot.id] ?? null;
              const frames = prepared.flatMap((one) => (one.scenes[index]?.slots ?? []).filter((placed) => placed.key === key).map(({ place }) => ({ format: one.format, place })));
              return (
                <SlotPicture key={key} label={slot.label} facts={facts} frames={frames} items={choices.media.filter((item) => accepts(slot, item))} inherited={!(key in document.fills)} marked={marked === key}
                  onFocus={() => onMark(key, span)} onChoose={(media) => onEdit({ kind: "fill", slot: key, fill: { kind: "media", media } })} onReset={() => onEdit({ kind: "fill", slot: key, fill: null })} onDropFiles={(files) => onDropFiles(key, files)}
                />
              );
            })}
          </section>
        );
      })}
      <SoundBand document={document} sounds={choices.media.filter(({ facts }) => facts.kind === "sound")} onEdit={onEdit} />
    </div>
  );
}

/** The music under the whole promotion. It fades in and out by itself and is brought to an even loudness. */
function SoundBand({ document, sounds, onEdit }: { document: Promotion; sounds: readonly OfferedMedia[]; onEdit: (edit: Edit) => void }) {
  return (
    <section aria-label="Sound" className="flex items-center gap-4 border-l-4 border-l-transparent px-4 py-3.5">
      <AudioLines aria-hidden size={24} className="ml-[34px] shrink-0" />
      <label htmlFor="tune" className="text-[13px] text-soft">Music</label>
      <select id="tune" value={document.tune ?? ""} onChange={(event) => onEdit({ kind: "choose", what: "tune", id: event.target.value || null })} className={`${fieldLook} w-auto! min-w-60`}>
        <option value="">no music</option>
        {sounds.map(({ facts: { id, name }, rights }) => <option key={id} value={id}>{name.replace(/\.\w+$/, "")}{rights === "clear" ? "" : ` (${RIGHTS_WORDS[rights]})`}</option>)}
      </select>
      <RightsMark state={sounds.find(({ facts }) => facts.id === document.tune)?.rights ?? "clear"} />
      <span className="text-[13px] text-soft">{sounds.length === 0 ? "Bring a tune in under Media." : "fades in and out, at −14 LUFS"}</span>
    </section>
  );
}

const at = (time: number): string => `${String(Math.floor(time / 60000)).padStart(2, "0")}:${((time % 60000) / 1000).toFixed(1).padStart(4, "0")}`;

const accepts = (slot: Slot, { facts }: OfferedMedia): boolean => slot.kind === "media" && facts.kind !== "sound" && slot.accepts.includes(facts.kind);

const fieldLook = "w-full border border-rule bg-white px-2.5 py-1.5 text-[15px] focus-visible:border-accent focus-visible:outline-1 focus-visible:outline-accent";

function WordsField({ scene, slot, text, filled, report, products, suggestions, product, onFocus, onEdit }: {
  scene: SceneTemplate; slot: WordsSlot; text: string; filled: boolean; report: Parameters<typeof WordsMeters>[0]["report"];
  products: DeckChoices["products"]; suggestions: readonly string[]; product: string | null; onFocus: () => void; onEdit: (edit: Edit) => void;
}) {
  const key = slotKey(scene, slot);
  const length = [...text].length;
  return (
    <div>
      <div className="mb-1 flex min-h-6 items-center justify-between gap-3 text-[13px] text-soft">
        <label htmlFor={key}>{slot.label}{!slot.required && " (optional)"}</label>
        <span className="flex min-w-0 items-center gap-3 whitespace-nowrap">
          {slot.binding === "product.name" && (
            <select aria-label="Product of the promotion" value={product ?? ""} onFocus={onFocus} onChange={(event) => onEdit({ kind: "choose", what: "product", id: event.target.value || null })} className="h-6 max-w-36 truncate bg-transparent text-ready underline">
              {products.map(({ id, name }) => <option key={id} value={id}>{name}</option>)}
            </select>
          )}
          {filled && slot.binding ? <button type="button" className="underline hover:text-ink" onClick={() => onEdit({ kind: "fill", slot: key, fill: null })}>Reset</button> : slot.binding && slot.binding !== "product.name" && <span>{slot.binding.startsWith("brand") ? "from the brand book" : "from the catalogue"}</span>}
          <span className={`figures ${length > slot.budget ? "text-warn" : ""}`}>{length} of {slot.budget}</span>
        </span>
      </div>
      {suggestions.length > 0 && <datalist id={`${key}-suggestions`}>{suggestions.map((words) => <option key={words} value={words} />)}</datalist>}
      <input id={key} data-slot={key} list={suggestions.length > 0 ? `${key}-suggestions` : undefined} value={text} maxLength={MOST_WORDS} placeholder={slot.hint} onFocus={onFocus} dir="auto"
        onChange={(event) => onEdit({ kind: "fill", slot: key, fill: { kind: "words", text: event.target.value } })} className={fieldLook}
      />
      {text.trim() !== "" && <WordsMeters report={report} />}
    </div>
  );
}

function OfferField({ slotKey: key, document, promotion, choices, report, onFocus, onEdit }: {
  slotKey: SlotKey; document: Promotion; promotion: ResolvedPromotion; choices: DeckChoices; report: Parameters<typeof WordsMeters>[0]["report"]; onFocus: () => void; onEdit: (edit: Edit) => void;
}) {
  const lines = promotion.facts.offer;
  return (
    <div>
      <div className="mb-1 flex min-h-6 items-center justify-between text-[13px] text-soft"><label htmlFor={key}>Offer</label><span>{lines?.until ?? "from the catalogue"}</span></div>
      <div className="flex items-center gap-2">
        <select id={key} data-slot={key} value={document.offer ?? ""} onFocus={onFocus} onChange={(event) => onEdit({ kind: "choose", what: "offer", id: event.target.value || null })} className={`${fieldLook} w-auto! min-w-0 flex-1`}>
          <option value="">no offer</option>
          {choices.offers.map(({ id, name, state }) => <option key={id} value={id}>{name}{state === "running" ? "" : ` (${state})`}</option>)}
        </select>
        {lines && <span className="figures whitespace-nowrap text-[12px] text-ready">{lines.was !== "" && <s className="text-soft">{lines.was}</s>} {lines.now} · {lines.badge}</span>}
      </div>
      {document.offer && !lines && <p className="mt-1 text-[13px] text-wrong">This offer is not for this product, or does not lower its price. Choose another, or change it in the catalogue.</p>}
      {lines && <WordsMeters report={report} />}
    </div>
  );
}
