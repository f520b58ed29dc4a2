import { type ReactNode } from "react";
import { targetOf } from "../../core/document/adjustments";
import { sceneDesign } from "../../core/document/design";
import { fillSlot } from "../../core/document/edits";
import { itemOfKey } from "../../core/document/itemKey";
import { clipSeconds, needOf } from "../../core/document/mediaNeed";
import { type ResolvedPromotion, type ResolvedScene } from "../../core/document/resolve";
import { type SlotKey, slotKey } from "../../core/document/sceneTemplate";
import { type KeptPart, keepParts, partsOf, replaceMedia, swapSlots } from "../../core/document/shotEdits";
import { type ClipFacts } from "../../core/document/facts";
import { type PartEdge } from "./TrimDialog";
import { turnByQuarter } from "./turnByQuarter";
import { type SlotFraming } from "../../core/document/slotFraming";
import { type FormatName } from "../../core/placement/formats";
import { type WordMeasures } from "../../core/preflight/wordMeasures";
import { usualClipLevel } from "../../core/sound/mix";
import { type SceneSpan } from "../../core/time/timeline";
import { ItemList } from "../items/ItemList";
import { BackingNote } from "./BackingNote";
import { ClipSound } from "./ClipSound";
import { OfferField, ProductsField, WordsField } from "./DeckFields";
import { type DeckProps } from "./deckProps";
import { SceneGuests } from "./PresentPeople";
import { SceneTools } from "./SceneTools";
import { markIn } from "./shownSlots";
import { SlotPicture } from "./SlotPicture";

/** A scene on the sheet: its number and time, its words in reading order, its pictures. */
export function SceneBand({
  deck,
  scene,
  span,
  index,
  handle,
  measures,
}: {
  deck: DeckProps;
  scene: ResolvedScene;
  span: SceneSpan;
  /** Among the scenes that are shown, from 0. */
  index: number;
  /** What it is moved by; its number. */
  handle: ReactNode;
  measures: ReadonlyMap<SlotKey, WordMeasures>;
}) {
  const { document, promotion, prepared, choices, marked, free, onMark, onPlace, onEdit, onProblem, onDropFiles } =
    deck;
  const { template } = scene;
  const own = document.scenes[scene.id];
  if (!own) return null;
  const pictures = template.slots.filter((slot) => slot.kind === "media");
  const several = pictures.length > 1;
  const item = marked && itemOfKey(marked);
  const active = (marked?.startsWith(`${template.id}.`) ?? false) || document.items[item ?? ""]?.from === template.id;
  return (
    <section
      aria-label={`Scene ${index + 1}, ${template.name}`}
      className={`flex gap-4 border-b border-l-4 border-b-rule px-4 py-3.5 ${active ? "border-l-accent bg-card" : "border-l-transparent"}`}
    >
      <div className="flex w-[58px] shrink-0 flex-col items-end text-right">
        {handle}
        <div className="mt-2 figures leading-[1.35] text-soft">
          {at(span.start)}
          <br />
          {at(span.end)}
        </div>
        <SceneTools
          document={document}
          scene={template}
          design={sceneDesign(document, promotion.facts.templates, own)}
          index={index}
          isOnly={promotion.scenes.length === 1}
          palette={promotion.facts.brand.palette}
          mark={markIn(prepared, index)}
          free={free}
          onEdit={onEdit}
          several={deck.several}
          onSeveral={deck.onSeveral}
          onPlace={(slot) => onPlace(slot, span)}
          onProblem={onProblem}
        />
        <SceneGuests present={deck.present} scene={template.id} />
      </div>
      <div className={`flex min-w-0 flex-1 ${several ? "flex-col gap-3" : "gap-4 max-sm:flex-col"}`}>
        <div className="flex min-w-0 flex-1 flex-col gap-1">
          {template.slots.map((slot) => {
            const key = slotKey(template, slot);
            const common = {
              scene,
              document,
              newest: deck.newest,
              facts: promotion.facts,
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
          <ItemList
            document={document}
            scene={template}
            scenes={promotion.scenes.map(({ template: one }) => one)}
            facts={promotion.facts}
            several={deck.several}
            onSeveral={deck.onSeveral}
            marked={item}
            onEdit={onEdit}
            onPlace={(id) => deck.onPlaceItem(id, template.id)}
            onProblem={onProblem}
          />
          <BackingNote
            scenes={prepared.flatMap((one) =>
              one.scenes[index] ? [{ format: one.format, scene: one.scenes[index] }] : [],
            )}
          />
        </div>
        <div className={several ? "grid grid-cols-3 gap-3" : "contents"}>
          {pictures.map((slot) => {
            const key = slotKey(template, slot);
            const shot = scene.shots[slot.id]?.[0];
            const frames = prepared.flatMap((one) =>
              (one.scenes[index]?.slots ?? [])
                .filter((placed) => placed.key === key)
                .map(({ place }) => ({ format: one.format, place, framing: framingIn(promotion, one.format, key) })),
            );
            return (
              <SlotPicture
                key={key}
                label={slot.label}
                wide={!several}
                need={needOf(slot)}
                locked={!free && !slot.allows.content}
                slot={key}
                facts={shot?.media ?? null}
                parts={partsOf(scene.shots[slot.id] ?? [])}
                frames={frames}
                rights={choices.media[shot?.media.id ?? ""]?.rights ?? "clear"}
                inherited={!(key in document.fills)}
                others={otherSlots(promotion, key, free)}
                marked={marked === key}
                onFocus={() => onMark(key, span)}
                onChoose={(item) => {
                  choices.onChosen(item);
                  onEdit(replaceMedia(document, key, item.facts));
                }}
                onReset={() => onEdit(fillSlot(key, null))}
                onParts={(parts, moved, label) => {
                  if (shot?.media.kind !== "clip") return;
                  onEdit(keepParts(document, { slot: key, shots: scene.shots[slot.id] ?? [] }, parts, label));
                  deck.onLookAt(whenShown(shot.media, parts, moved, span));
                }}
                onTurn={() => onEdit(turnByQuarter(document, promotion.facts.templates, { scene: own, slot, key }))}
                onSwap={(other) => {
                  const edit = swapSlots(document, other, key);
                  if (edit) onEdit(edit);
                }}
                onDropFiles={(files) => onDropFiles(key, files)}
              >
                {shot?.media.kind === "clip" && shot.media.hasSound && (
                  <ClipSound
                    document={document}
                    templates={promotion.facts.templates}
                    scene={own}
                    slot={slot}
                    id={key}
                    usual={usualClipLevel(document.lanes, promotion.facts.media)}
                    disabled={!free && !slot.allows.content}
                    onEdit={onEdit}
                  />
                )}
              </SlotPicture>
            );
          })}
        </div>
      </div>
    </section>
  );
}

/** The picture slots of a promotion besides one, that may be filled. */
const otherSlots = ({ scenes }: ResolvedPromotion, key: SlotKey, free: boolean) =>
  scenes.flatMap(({ template }, at) =>
    template.slots
      .filter((slot) => slot.kind === "media" && (free || slot.allows.content))
      .map((slot) => ({ key: slotKey(template, slot), words: `Scene ${at + 1}, ${slot.label}` }))
      .filter((other) => other.key !== key),
  );

/** About a frame, in milliseconds. */
const A_FRAME = 34;

/** When the frame at an edge of a part of a clip is on screen, as far as its scene is so long. */
function whenShown(
  clip: ClipFacts,
  parts: readonly KeptPart[],
  { part, edge }: PartEdge,
  { start, entered, end }: SceneSpan,
): number {
  const before = parts.slice(0, edge === "from" ? part : part + 1).reduce((sum, { from, to }) => sum + to - from, 0);
  const shown = start + clipSeconds({ ...clip, frames: before }) * 1000 - (edge === "to" ? A_FRAME : 0);
  return Math.max(entered, Math.min(shown, end - A_FRAME));
}

/** How what is in a slot is framed in a format; null where the arrangement says so. */
function framingIn(promotion: ResolvedPromotion, format: FormatName, key: SlotKey): SlotFraming | null {
  const { scene, slot } = targetOf(key);
  const scenes = (promotion.inFormat[format] ?? promotion).scenes;
  return scenes.find(({ id }) => id === scene)?.template.framings[slot] ?? null;
}

const at = (time: number): string =>
  `${String(Math.floor(time / 60000)).padStart(2, "0")}:${((time % 60000) / 1000).toFixed(1).padStart(4, "0")}`;
