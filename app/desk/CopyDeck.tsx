import { tuneOf } from "../../core/document/lanes";
import { mediaFill } from "../../core/document/shots";
import { AudioLines } from "lucide-react";
import { type ReactNode } from "react";
import { sceneOrigin } from "../../core/document/design";
import { type Edit } from "../../core/document/edit";
import { chooseTune, fillSlot } from "../../core/document/edits";
import { RIGHTS_WORDS } from "../../core/document/rights";
import { RightsMark } from "../components/RightsMark";
import { type Promotion } from "../../core/document/promotion";
import { type ResolvedPromotion, type ResolvedScene } from "../../core/document/resolve";
import { shapeMiss } from "../../core/document/sample";
import { type MediaSlot, type SlotKey, slotKey } from "../../core/document/template";
import { type Finding } from "../../core/preflight/finding";
import { type WordMeasures, wordMeasures } from "../../core/preflight/wordMeasures";
import { type ProofSheet } from "../../core/scene/proofSheet";
import { type SceneSpan } from "../../core/time/timeline";
import { BackingNote } from "./BackingNote";
import { type DeckChoices } from "./deckChoices";
import { type OfferedMedia } from "./MediaPicker";
import { OfferField, ProductsField, WordsField, fieldLook } from "./DeckFields";
import { SceneGuests } from "./PresentPeople";
import { type Present } from "./usePresence";
import { SceneTools } from "./SceneTools";
import { SlotPicture } from "./SlotPicture";

interface DeckProps {
  readonly document: Promotion;
  readonly promotion: ResolvedPromotion;
  readonly prepared: readonly ProofSheet[];
  readonly findings: readonly Finding[];
  readonly choices: DeckChoices;
  readonly marked: SlotKey | null;
  /** Who else is here. */
  readonly present: readonly Present[];
  /** Whether this person may change what templates lock. */
  readonly free: boolean;
  readonly onMark: (slot: SlotKey, scene: SceneSpan) => void;
  readonly onEdit: (edit: Edit) => void;
  readonly onProblem: (problem: string) => void;
  /** Asks for handles on a slot. */
  readonly onPlace: (slot: SlotKey, span: SceneSpan) => void;
  readonly onDropFiles: (slot: SlotKey, files: FileList) => void;
}

/** The copy deck: a ruled sheet with one band per scene, in reading order. Every slot is a plain field that stays in its place. */
export function CopyDeck({ notice, actions, ...deck }: DeckProps & { notice?: ReactNode; actions: ReactNode }) {
  const { document, promotion, prepared, choices, onEdit } = deck;
  const measures = wordMeasures(prepared);
  return (
    <div className="h-full overflow-y-auto" data-testid="copy-deck">
      {notice}
      {promotion.scenes.map((scene, index) => {
        const span = promotion.spans[index];
        return (
          span && <SceneBand key={scene.id} deck={deck} scene={scene} span={span} index={index} measures={measures} />
        );
      })}
      <div className="flex gap-4 border-b border-rule px-4 py-3 pl-[98px]">{actions}</div>
      <SoundBand
        document={document}
        sounds={choices.media.filter(({ facts }) => facts.kind === "sound")}
        onEdit={onEdit}
      />
      {Object.keys(document.spare).length > 0 && <SpareBand document={document} />}
    </div>
  );
}

function SceneBand({
  deck,
  scene,
  span,
  index,
  measures,
}: {
  deck: DeckProps;
  scene: ResolvedScene;
  span: SceneSpan;
  index: number;
  measures: ReadonlyMap<SlotKey, WordMeasures>;
}) {
  const { document, promotion, prepared, choices, marked, free, onMark, onPlace, onEdit, onProblem, onDropFiles } =
    deck;
  const { template } = scene;
  const own = document.scenes[scene.id];
  if (!own) return null;
  const pictures = template.slots.filter((slot) => slot.kind === "media");
  const several = pictures.length > 1;
  const active = marked?.startsWith(`${template.id}.`) ?? false;
  return (
    <section
      aria-label={`Scene ${index + 1}, ${template.name}`}
      className={`flex gap-4 border-b border-l-4 border-b-rule px-4 py-3.5 ${active ? "border-l-accent bg-card" : "border-l-transparent"}`}
    >
      <div className="flex w-[58px] shrink-0 flex-col items-end text-right">
        <div className="font-heading text-[24px] leading-none font-extrabold">{index + 1}</div>
        <div className="mt-2 figures leading-[1.35] text-soft">
          {at(span.start)}
          <br />
          {at(span.end)}
        </div>
        <SceneTools
          document={document}
          scene={template}
          origin={sceneOrigin(promotion.facts.templates, own)}
          style={promotion.base.style}
          index={index}
          palette={promotion.facts.brand.palette}
          free={free}
          onEdit={onEdit}
          onPlace={(slot) => onPlace(slot, span)}
          onProblem={onProblem}
        />
        <SceneGuests present={deck.present} scene={template.id} />
      </div>
      <div className={`flex min-w-0 flex-1 ${several ? "flex-col gap-3" : "gap-4"}`}>
        <div className="flex min-w-0 flex-1 flex-col gap-1">
          {template.slots.map((slot) => {
            const key = slotKey(template, slot);
            const common = {
              scene,
              document,
              choices,
              measures: measures.get(key),
              findings: deck.findings.filter(({ where }) => where.slot === key),
              locked: !free && !slot.allows.content,
              onFocus: () => onMark(key, span),
              onEdit,
            };
            if (slot.kind === "words") return <WordsField key={key} slot={slot} {...common} />;
            if (slot.kind === "offer") return <OfferField key={key} slot={slot} promotion={promotion} {...common} />;
            return slot.kind === "products" ? (
              <ProductsField key={key} slot={slot} listed={promotion.facts.listed} {...common} />
            ) : null;
          })}
          <BackingNote
            scenes={prepared.flatMap((one) =>
              one.scenes[index] ? [{ format: one.format, scene: one.scenes[index] }] : [],
            )}
          />
        </div>
        <div className={several ? "grid grid-cols-3 gap-3" : "contents"}>
          {pictures.map((slot) => {
            const key = slotKey(template, slot);
            const frames = prepared.flatMap((one) =>
              (one.scenes[index]?.slots ?? [])
                .filter((placed) => placed.key === key)
                .map(({ place }) => ({ format: one.format, place })),
            );
            return (
              <SlotPicture
                key={key}
                label={slot.label}
                wide={!several}
                needs={needsOf(slot)}
                locked={!free && !slot.allows.content}
                facts={scene.shots[slot.id]?.[0]?.media ?? null}
                frames={frames}
                items={fitting(slot, choices.media)}
                inherited={!(key in document.fills)}
                marked={marked === key}
                onFocus={() => onMark(key, span)}
                onChoose={(media) => onEdit(fillSlot(key, mediaFill(media)))}
                onReset={() => onEdit(fillSlot(key, null))}
                onDropFiles={(files) => onDropFiles(key, files)}
              />
            );
          })}
        </div>
      </div>
    </section>
  );
}

/** What a slot takes, the most fitting first: of the wanted shape and large enough. */
function fitting(slot: MediaSlot, media: readonly OfferedMedia[]): OfferedMedia[] {
  const miss = ({ facts }: OfferedMedia): number => {
    if (facts.kind === "sound") return 9;
    const small = Math.min(facts.width, facts.height) < slot.needs.leastPixels ? 2 : 0;
    const brief =
      facts.kind === "clip" && (facts.frames * facts.rate.denominator) / facts.rate.numerator < slot.needs.leastSeconds
        ? 2
        : 0;
    return shapeMiss(facts, slot.needs.shape) + small + brief;
  };
  return media
    .filter(({ facts }) => facts.kind !== "sound" && slot.accepts.includes(facts.kind))
    .sort((one, other) => miss(one) - miss(other));
}

/** What a slot asks of its picture, in words. */
function needsOf({ accepts, needs: { shape, leastPixels, leastSeconds } }: MediaSlot): string {
  const kinds = accepts.length > 1 ? "Picture or clip" : accepts[0] === "clip" ? "Clip" : "Picture";
  return [
    shape === "any" ? kinds : `${kinds}, ${shape}`,
    ...(leastPixels > 0 ? [`from ${leastPixels} px`] : []),
    ...(leastSeconds > 0 ? [`from ${leastSeconds} s`] : []),
  ].join(", ");
}

/** The music under the whole promotion. It fades in and out by itself and is brought to an even loudness. */
function SoundBand({
  document,
  sounds,
  onEdit,
}: {
  document: Promotion;
  sounds: readonly OfferedMedia[];
  onEdit: (edit: Edit) => void;
}) {
  return (
    <section aria-label="Sound" className="flex items-center gap-4 border-l-4 border-l-transparent px-4 py-3.5">
      <AudioLines aria-hidden size={24} className="ml-[34px] shrink-0" />
      <label htmlFor="tune" className="text-[13px] text-soft">
        Music
      </label>
      <select
        id="tune"
        value={tuneOf(document) ?? ""}
        onChange={(event) => onEdit(chooseTune(event.target.value || null))}
        className={`${fieldLook} w-auto! min-w-60`}
      >
        <option value="">no music</option>
        {sounds.map(({ facts: { id, name }, rights }) => (
          <option key={id} value={id}>
            {name.replace(/\.\w+$/, "")}
            {rights === "clear" ? "" : ` (${RIGHTS_WORDS[rights]})`}
          </option>
        ))}
      </select>
      <RightsMark state={sounds.find(({ facts }) => facts.id === tuneOf(document))?.rights ?? "clear"} />
      <span className="text-[13px] text-soft">
        {sounds.length === 0 ? "Bring a tune in under Media." : "fades in and out, at −14 LUFS"}
      </span>
    </section>
  );
}

/** What found no place when the template was changed. */
function SpareBand({ document }: { document: Promotion }) {
  return (
    <section
      aria-label="Kept aside"
      className="border-t border-l-4 border-t-rule border-l-transparent px-4 py-3.5 pl-[98px] text-[14px]"
    >
      <h2 className="text-[15px] font-semibold">Kept aside</h2>
      <p className="text-[13px] text-soft">
        These found no place in this template. They come back when you change to one that has a place for them.
      </p>
      <ul className="mt-1">
        {Object.entries(document.spare).map(([key, { label, fill }]) => (
          <li key={key}>
            <span className="text-soft">{label}:</span>{" "}
            {fill.kind === "words"
              ? fill.text
              : fill.kind === "media"
                ? "a picture or clip"
                : `${fill.products.length} products`}
          </li>
        ))}
      </ul>
    </section>
  );
}

const at = (time: number): string =>
  `${String(Math.floor(time / 60000)).padStart(2, "0")}:${((time % 60000) / 1000).toFixed(1).padStart(4, "0")}`;
