import { type ComponentProps, useId } from "react";
import { Lock } from "lucide-react";
import { type Edit } from "../../core/document/edit";
import { choose, fillSlot } from "../../core/document/edits";
import { type Facts, type ProductFacts } from "../../core/document/facts";
import { type Promotion } from "../../core/document/promotion";
import { type ResolvedPromotion, type ResolvedScene } from "../../core/document/resolve";
import {
  type OfferSlot,
  type ProductsSlot,
  type SlotKey,
  type WordsSlot,
  slotKey,
} from "../../core/document/sceneTemplate";
import { type Finding } from "../../core/preflight/finding";
import { plainWords } from "../../core/type/emphasis";
import { type WordMeasures } from "../../core/preflight/wordMeasures";
import { type DeckChoices } from "./deckChoices";
import { fieldLook } from "../components/fieldLook";
import { ProductBox } from "../productChoice/ProductBox";
import { WordsInput } from "../words/WordsInput";
import { type Newest, useNewestWords } from "./useNewestWords";
import { WordsMeters } from "./WordsMeters";

/** What every field of the deck is given. */
export interface DeckField<Slot> {
  readonly scene: ResolvedScene;
  readonly slot: Slot;
  readonly document: Promotion;
  readonly newest: Newest;
  readonly facts: Facts;
  readonly choices: DeckChoices;
  readonly measures: WordMeasures | undefined;
  /** What was found in it. */
  readonly findings: readonly Finding[];
  /** Whether the template lets this person change what is in it. */
  readonly locked: boolean;
  readonly onFocus: () => void;
  readonly onEdit: (edit: Edit) => void;
}

/** Says that the template keeps a field as it is. */
export const Locked = () => (
  <span className="flex items-center gap-1" title="Locked by the template. A designer can change it.">
    <Lock aria-hidden size={12} /> locked
  </span>
);

export function WordsField({
  scene,
  slot,
  document,
  newest,
  facts,
  choices,
  measures,
  findings,
  locked,
  onFocus,
  onEdit,
}: DeckField<WordsSlot>) {
  const key = slotKey(scene.template, slot);
  const text = scene.words[slot.id] ?? "";
  const length = Array.from(plainWords(text)).length;
  const suggestions = choices.suggestions[slot.role] ?? [];
  const write = (value: string): void => onEdit(fillSlot(key, { kind: "words", text: value }));
  const chooseProduct = (product: ProductFacts): void => {
    choices.onChosenProduct(product);
    onEdit(choose("product", product.id));
  };
  if (slot.role === "stars")
    return (
      <StarsField
        slotId={key}
        slot={slot}
        newest={newest}
        text={text}
        locked={locked}
        onFocus={onFocus}
        onWrite={write}
      />
    );
  return (
    <div>
      <div className="mb-1 flex min-h-6 items-center justify-between gap-3 text-[13px] text-soft">
        <label htmlFor={key}>
          {slot.label}
          {!slot.required && " (optional)"}
        </label>
        <span className="flex min-w-0 items-center gap-3 whitespace-nowrap">
          {locked && <Locked />}
          {slot.binding === "product.name" && !locked && (
            <ProductBox
              label="Product of the promotion"
              chosen={choices.products[document.product ?? ""] ?? null}
              empty="choose a product"
              onFocus={onFocus}
              onChoose={chooseProduct}
              className="h-6 w-40 truncate bg-transparent text-right text-ready underline"
            />
          )}
          {key in document.fills && slot.binding && !locked ? (
            <button type="button" className="underline hover:text-ink" onClick={() => onEdit(fillSlot(key, null))}>
              Reset
            </button>
          ) : (
            slot.binding &&
            slot.binding !== "product.name" && (
              <span>{slot.binding.startsWith("brand") ? "from the brand book" : "from the catalogue"}</span>
            )
          )}
          <span className={`figures ${length > slot.budget ? "text-warn" : ""}`}>
            {length} of {slot.budget}
          </span>
        </span>
      </div>
      <SlotWords
        slot={key}
        newest={newest}
        text={text}
        facts={facts}
        locked={locked}
        hint={slot.hint}
        suggestions={suggestions}
        onFocus={onFocus}
        onWrite={write}
      />
      {text.trim() !== "" && <WordsMeters measures={measures} findings={findings} onEdit={onEdit} />}
    </div>
  );
}

type SlotWordsProps = Omit<ComponentProps<typeof WordsInput>, "id"> & {
  readonly slot: SlotKey;
  readonly newest: Newest;
};

/** The words of a slot as they are. @param text what stands there without words of its own */
function SlotWords({ newest, text, ...rest }: SlotWordsProps) {
  return <WordsInput id={rest.slot} text={useNewestWords(newest, rest.slot, text)} {...rest} />;
}

function StarsField({
  slotId,
  slot,
  newest,
  text,
  locked,
  onFocus,
  onWrite,
}: {
  slotId: SlotKey;
  slot: WordsSlot;
  newest: Newest;
  text: string;
  locked: boolean;
  onFocus: () => void;
  onWrite: (text: string) => void;
}) {
  const stars = useNewestWords(newest, slotId, text);
  return (
    <div className="flex items-center justify-between gap-3 pb-1 text-[13px] text-soft">
      <label htmlFor={slotId}>{slot.label}</label>
      <select
        id={slotId}
        data-slot={slotId}
        value={stars}
        disabled={locked}
        onFocus={onFocus}
        onChange={(event) => onWrite(event.target.value)}
        className={`${fieldLook} w-auto!`}
      >
        <option value="">none shown</option>
        {["5", "4", "3", "2", "1"].map((count) => (
          <option key={count} value={count}>
            {count} of 5
          </option>
        ))}
      </select>
    </div>
  );
}

export function OfferField({
  scene,
  slot,
  document,
  promotion,
  choices,
  measures,
  findings,
  locked,
  onFocus,
  onEdit,
}: DeckField<OfferSlot> & { promotion: ResolvedPromotion }) {
  const key = slotKey(scene.template, slot);
  const lines = promotion.facts.offer;
  return (
    <div>
      <div className="mb-1 flex min-h-6 items-center justify-between text-[13px] text-soft">
        <label htmlFor={key}>Offer</label>
        <span>{locked ? <Locked /> : (lines?.until ?? "from the catalogue")}</span>
      </div>
      <div className="flex items-center gap-2">
        <select
          id={key}
          data-slot={key}
          value={document.offer ?? ""}
          disabled={locked}
          onFocus={onFocus}
          onChange={(event) => onEdit(choose("offer", event.target.value || null))}
          className={`${fieldLook} w-auto! min-w-0 flex-1`}
        >
          <option value="">no offer</option>
          {choices.offers.map(({ id, name, state }) => (
            <option key={id} value={id}>
              {name}
              {state === "running" ? "" : ` (${state})`}
            </option>
          ))}
        </select>
        {lines && (
          <span className="figures text-[12px] whitespace-nowrap text-ready">
            {lines.was !== "" && <s className="text-soft">{lines.was}</s>} {lines.now} · {lines.badge}
          </span>
        )}
      </div>
      {document.offer && !lines && (
        <p className="mt-1 text-[13px] text-wrong">
          This offer is not for this product, or does not lower its price. Choose another, or change it in the
          catalogue.
        </p>
      )}
      {lines && <WordsMeters measures={measures} findings={findings} onEdit={onEdit} />}
    </div>
  );
}

/** Rows of the catalogue, in order; what is not chosen is filled with what goes with the product. */
export function ProductsField({
  scene,
  slot,
  document,
  choices,
  locked,
  onFocus,
  onEdit,
  listed,
}: DeckField<ProductsSlot> & { listed: readonly string[] }) {
  const title = useId();
  const key = slotKey(scene.template, slot);
  const fill = document.fills[key];
  const shown = (fill?.kind === "products" ? fill.products : listed).slice(0, slot.most);
  const set = (products: readonly string[]): void => onEdit(fillSlot(key, { kind: "products", products }));
  const nameOf = (id: string): string => choices.products[id]?.name ?? "a product that was removed";
  const add = (product: ProductFacts): void => {
    choices.onChosenProduct(product);
    set([...shown, product.id]);
  };
  return (
    <fieldset data-slot={key} aria-labelledby={title} onFocus={onFocus} disabled={locked}>
      <div className="mb-1 flex min-h-6 items-center justify-between text-[13px] text-soft">
        <span id={title}>
          {slot.label}, at most {slot.most}
        </span>
        <span>
          {locked ? (
            <Locked />
          ) : fill ? (
            <button type="button" className="underline hover:text-ink" onClick={() => onEdit(fillSlot(key, null))}>
              Reset
            </button>
          ) : (
            "from the catalogue"
          )}
        </span>
      </div>
      <ol className="border border-rule bg-white">
        {shown.map((id, index) => (
          <li key={id} className="flex items-center gap-2 border-b border-rule px-2.5 py-1 text-[14px] last:border-b-0">
            <span className="figures text-soft">{index + 1}</span>
            <span className="min-w-0 flex-1 truncate">{nameOf(id)}</span>
            <button
              type="button"
              disabled={index === 0}
              aria-label={`Move ${nameOf(id)} up`}
              onClick={() => set(swapped(shown, index))}
              className="px-1 text-soft hover:text-ink disabled:opacity-30"
            >
              ↑
            </button>
            <button
              type="button"
              aria-label={`Take ${nameOf(id)} out`}
              onClick={() => set(shown.filter((other) => other !== id))}
              className="px-1 text-soft hover:text-ink"
            >
              ×
            </button>
          </li>
        ))}
        {shown.length < slot.most && (
          <li className="px-1.5 py-1">
            <ProductBox
              label="Add a product to the list"
              chosen={null}
              empty="add a product …"
              without={shown}
              onChoose={add}
              className="w-full bg-transparent px-1 py-0.5 text-[14px] placeholder:text-soft"
            />
          </li>
        )}
      </ol>
    </fieldset>
  );
}

const swapped = (ids: readonly string[], index: number): string[] =>
  ids.map((id, at) => (at === index - 1 ? (ids[index] ?? id) : at === index ? (ids[index - 1] ?? id) : id));
