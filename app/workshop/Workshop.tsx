import { type ChangeEvent, useEffect, useMemo, useState } from "react";
import { Form } from "react-router";
import { type Edit } from "../../core/document/edit";
import { type Facts, type MediaFacts } from "../../core/document/facts";
import { type Look } from "../../core/document/look";
import { asSet, withPresetEdit } from "../../core/document/presetEdits";
import { resolvePromotion } from "../../core/document/resolve";
import { itemOfKey } from "../../core/document/itemKey";
import { type SlotKind, slotKey } from "../../core/document/sceneTemplate";
import { keyIn, keysOf } from "../../core/records";
import { PURPOSES } from "../../core/document/template";
import { type TemplateDocument } from "../../core/document/templateDocument";
import { TRIALS, type Trial, triedIn } from "../../core/document/tryOut";
import { type Rect } from "../../core/geometry/rect";
import { type FormatName } from "../../core/placement/formats";
import { ChoiceSwitch } from "../components/ChoiceSwitch";
import { Button } from "../components/Button";
import { EditableName } from "../components/EditableName";
import { useLive } from "../components/useLive";
import { fieldLook } from "../components/fieldLook";
import { Saved } from "../desk/DeskHeader";
import { type Placing } from "../desk/PlaceHandles";
import { placesBySlot } from "../desk/shownSlots";
import { Transport } from "../desk/Transport";
import { type PlacedKey } from "../../core/document/placedKey";
import { Trio } from "../desk/Trio";
import { useProofEngine, useProofState } from "../desk/useProof";
import { UndoButtons } from "../desk/UndoButtons";
import { useUndoKeys } from "../desk/useUndoKeys";
import { Extremes } from "./Extremes";
import { LookForm } from "./LookForm";
import { type PlacesByFormat } from "./PlaceForm";
import { SceneForm } from "./SceneForm";
import { SceneList } from "./SceneList";
import { ScenePace } from "./ScenePace";
import { SlotForm } from "./SlotForm";
import { WholePace } from "./WholePace";
import { addSlot, canAddSlot, removeSlot, withPlace, withScene, withSlot } from "./draftChanges";
import { useDraft } from "./useDraft";

export interface WorkshopProps {
  readonly slug: string;
  readonly revision: number;
  /** The newest published; 0 for none. */
  readonly edition: number;
  readonly document: TemplateDocument;
  readonly brands: readonly { readonly id: string; readonly name: string }[];
  /** The working brand; null where there is none yet. */
  readonly brand: string | null;
  readonly samples: readonly MediaFacts[];
  readonly hasProductPicture: boolean;
  readonly factsByBrand: Readonly<Record<string, Facts>>;
}

const SLOT_KINDS: Readonly<Record<SlotKind, string>> = {
  words: "Words",
  media: "Picture or clip",
  offer: "Offer",
  products: "List of products",
};
type Part = "design" | "pace";
const PARTS: readonly Part[] = ["design", "pace"];
const PART_WORDS: Readonly<Record<Part, string>> = { design: "Design", pace: "Pace" };

/** A draft of a template: its scenes, arrangements, slots, places and locks over three live proofs, or under every extreme. */
export function Workshop(props: WorkshopProps) {
  const { slug, edition, samples, hasProductPicture, brands } = props;
  const { session, state, draft, change } = useDraft(slug, props);
  const { save } = state;
  const { undo, redo } = session;
  const [chosen, setChosen] = useState<string | null>(draft.scenes[0]?.id ?? null);
  const [slotId, setSlotId] = useState<string | null>(null);
  const [trial, setTrial] = useState<Trial>("usual words");
  const [brand, setBrand] = useState(props.brand);
  const [view, setView] = useState<"proofs" | "extremes">("proofs");
  const [part, setPart] = useState<Part>("design");
  const [copiedLook, setCopiedLook] = useState<Look | null>(null);
  /** A place while it is dragged: shown, not kept yet. */
  const [dragged, setDragged] = useState<{ readonly format: FormatName; readonly place: Rect } | null>(null);
  const engine = useProofEngine();
  const prepared = useProofState(engine, (state) => state.prepared);
  const live = useLive();
  useUndoKeys(undo, redo);

  const index =
    chosen === null
      ? -1
      : Math.max(
          0,
          draft.scenes.findIndex(({ id }) => id === chosen),
        );
  const scene = draft.scenes[index] ?? null;
  const slot = scene?.slots.find(({ id }) => id === slotId) ?? null;
  const on = useMemo(
    () => ({
      ref: { slug, edition: edition + 1 },
      product: Object.values(props.factsByBrand)[0]?.product?.id ?? null,
      media: samples,
      hasProductPicture,
    }),
    [slug, edition, props.factsByBrand, samples, hasProductPicture],
  );
  const facts = brand === null ? undefined : props.factsByBrand[brand];
  const shown = useMemo(() => {
    if (!facts) return null;
    const tried =
      dragged && scene && slotId !== null
        ? withScene(draft, scene.id, (one) => withPlace(one, slotId, dragged.format, dragged.place))
        : draft;
    return triedIn(facts, tried, trial, on);
  }, [facts, draft, dragged, scene, slotId, trial, on]);
  useEffect(() => {
    if (shown) engine?.show(shown.document, shown.facts);
  }, [engine, shown]);
  const promotion = useMemo(() => (shown ? resolvePromotion(shown.document, shown.facts) : null), [shown]);

  function choose(id: string | null): void {
    setChosen(id);
    setSlotId(null);
    const span = promotion?.spans[draft.scenes.findIndex((one) => one.id === id)];
    if (span) engine?.seek(span.start + (span.end - span.start) * 0.6);
  }
  function pick(key: PlacedKey): void {
    // Items of a template are changed where promotions are made.
    if (itemOfKey(key) !== null) return;
    const [sceneId = "", picked = ""] = key.split(".");
    setChosen(sceneId);
    setSlotId(picked);
    document.querySelector(`[data-slot-form="${picked}"]`)?.scrollIntoView({ block: "nearest" });
  }
  function place(id: string, format: FormatName, to: Rect | null): void {
    setDragged(null);
    if (scene) change((before) => withScene(before, scene.id, (one) => withPlace(one, id, format, to)), "Place");
  }

  const set = shown && asSet(shown.document, draft);
  const resolved = promotion?.scenes[index];
  function edit(made: Edit): void {
    if (shown) change((before) => withPresetEdit(before, shown.document, made), made.label);
  }

  const addSlotOfKind = ({ target }: ChangeEvent<HTMLSelectElement>): void => {
    const kind = keyIn(SLOT_KINDS, target.value);
    if (scene && kind) change((before) => withScene(before, scene.id, (one) => addSlot(one, kind)));
  };
  const rename = (name: string): void => change((before) => ({ ...before, name }), "Name");
  const setFormats = (formats: readonly FormatName[]): void => change((before) => ({ ...before, formats }), "Formats");

  const placing: Placing | null =
    scene && slot
      ? {
          keys: [slotKey(scene, slot)],
          label: slot.label,
          byHand: (format) => scene.places[format]?.[slot.id] ?? null,
          onDrag: (format, moved) => setDragged(moved && { format, place: moved.to }),
          onPlace: (format, { to }) => place(slot.id, format, to),
        }
      : null;
  const placesOf = (id: string): PlacesByFormat =>
    new Map(
      draft.formats.map((format) => {
        const byHand = scene?.places[format]?.[id];
        const found =
          byHand ??
          (scene &&
            placesBySlot(prepared.find((one) => one.format === format)?.scenes[index]?.slots ?? []).get(
              `${scene.id}.${id}`,
            ));
        return [format, found ? { place: found, byHand: byHand !== undefined } : null];
      }),
    );

  return (
    <main className="flex h-[calc(100vh-46px)] min-h-[560px] flex-col">
      <title>{`${draft.name} · Workshop · Stencilcraft`}</title>
      <div className="flex h-[58px] shrink-0 items-center gap-4 border-b border-rule bg-card px-5">
        <h1 className="sr-only">Template workshop</h1>
        <EditableName label="Name of the template" most={60} name={draft.name} onRename={rename} />
        <select
          aria-label="What it is for"
          value={draft.purpose}
          onChange={(event) =>
            change((before) => ({ ...before, purpose: PURPOSES.find((one) => one === event.target.value) ?? "other" }))
          }
          className={`${fieldLook} w-auto!`}
        >
          {PURPOSES.map((one) => (
            <option key={one}>{one}</option>
          ))}
        </select>
        <Saved state={save} />
        <span className="text-[13px] text-soft">
          {edition === 0 ? "not published yet" : `edition ${edition} is out`}
        </span>
        <div className="ml-auto flex items-center gap-3">
          <UndoButtons session={session} state={state} />
          <Form method="post">
            <Button look="main" type="submit" disabled={save !== "saved"}>
              {edition === 0 ? "Publish" : `Publish edition ${edition + 1}`}
            </Button>
          </Form>
        </div>
      </div>
      <div className="grid min-h-0 flex-1 grid-cols-[minmax(560px,620px)_minmax(0,1fr)]">
        <fieldset disabled={!live} className="flex min-h-0 min-w-0">
          <SceneList draft={draft} chosen={scene?.id ?? null} onChoose={choose} onChange={change} />
          <div key={scene?.id ?? "look"} className="min-w-0 flex-1 overflow-y-auto px-4 py-3.5">
            <div className="mb-4">
              <ChoiceSwitch label="What of it" choices={PARTS} words={PART_WORDS} value={part} onChoose={setPart} />
            </div>
            {part === "pace" && set && promotion && !scene && (
              <WholePace document={set} promotion={promotion} onEdit={edit} />
            )}
            {part === "pace" && shown && set && scene && resolved && (
              <ScenePace
                document={set}
                templates={shown.facts.templates}
                scene={resolved}
                index={index}
                shade={Math.max(
                  0,
                  ...(prepared[0]?.scenes[index]?.slots ?? []).map(({ backing }) => backing?.alpha ?? 0),
                )}
                palette={shown.facts.brand.palette}
                copied={{ look: copiedLook, onCopy: setCopiedLook }}
                onEdit={edit}
              />
            )}
            {part === "design" && !scene && <LookForm draft={draft} onChange={change} />}
            {part === "design" && scene && shown && (
              <SceneForm
                scene={scene}
                palette={shown.facts.brand.palette}
                onChange={(edit) => change((before) => withScene(before, scene.id, edit))}
              />
            )}
            {part === "design" && scene && (
              <>
                <h2 className="mt-5 mb-2 text-[16px]">Slots</h2>
                <div className="flex flex-col gap-2.5">
                  {scene.slots.map((one) => (
                    <SlotForm
                      key={one.id}
                      slot={one}
                      chosen={one.id === slotId}
                      places={placesOf(one.id)}
                      samples={samples}
                      onChoose={() => setSlotId(one.id)}
                      onPlace={(format, to) => place(one.id, format, to)}
                      onChange={(edit) =>
                        change((before) => withScene(before, scene.id, (own) => withSlot(own, one.id, edit)))
                      }
                      onRemove={() => change((before) => withScene(before, scene.id, (own) => removeSlot(own, one.id)))}
                    />
                  ))}
                </div>
                <label className="mt-3 block text-[13px] text-soft">
                  Add a slot
                  <select
                    value=""
                    disabled={!canAddSlot(scene)}
                    onChange={addSlotOfKind}
                    className={`${fieldLook} mt-1`}
                  >
                    <option value="">choose its kind …</option>
                    {keysOf(SLOT_KINDS).map((kind) => (
                      <option key={kind} value={kind}>
                        {SLOT_KINDS[kind]}
                      </option>
                    ))}
                  </select>
                </label>
              </>
            )}
            <Form method="post" className="mt-8 border-t border-rule pt-3">
              <button
                type="submit"
                name="intent"
                value="remove"
                className="text-[13px] text-soft underline hover:text-ink"
              >
                Take this template out of the gallery
              </button>
            </Form>
          </div>
        </fieldset>
        <div className="flex min-h-0 min-w-0 flex-col">
          <div className="flex items-center gap-4 border-b border-rule bg-card px-4 py-2 text-[13px]">
            <div role="group" aria-label="What is shown" className="flex">
              {(["proofs", "extremes"] as const).map((one) => (
                <button
                  key={one}
                  type="button"
                  aria-pressed={view === one}
                  onClick={() => setView(one)}
                  className={`border border-rule px-3 py-1 first-letter:uppercase ${view === one ? "bg-ink text-card" : "hover:bg-white"}`}
                >
                  {one === "proofs" ? "Proofs" : "Extremes"}
                </button>
              ))}
            </div>
            {view === "proofs" && (
              <>
                <label className="flex items-center gap-2">
                  Tried with
                  <select
                    value={trial}
                    onChange={(event) => setTrial(TRIALS.find((one) => one === event.target.value) ?? "usual words")}
                    className={`${fieldLook} w-auto! py-1!`}
                  >
                    {TRIALS.map((one) => (
                      <option key={one}>{one}</option>
                    ))}
                  </select>
                </label>
                <label className="flex items-center gap-2">
                  in
                  <select
                    value={brand ?? ""}
                    onChange={(event) => setBrand(event.target.value)}
                    className={`${fieldLook} w-auto! py-1!`}
                  >
                    {brands.map(({ id, name }) => (
                      <option key={id} value={id}>
                        {name}
                      </option>
                    ))}
                  </select>
                </label>
              </>
            )}
            {view === "extremes" && (
              <span className="text-soft">{scene ? `Scene ${index + 1}, ${scene.name}` : "Choose a scene."}</span>
            )}
          </div>
          <div className="min-h-0 flex-1">
            {!shown && (
              <p className="p-6 text-soft">
                Fill in your brand book first: proofs are shown in your colours and typefaces.
              </p>
            )}
            {shown && view === "proofs" && (
              <Trio
                engine={engine}
                slug={slug}
                formats={draft.formats}
                marked={null}
                placing={placing}
                onPick={pick}
                onFormats={setFormats}
              />
            )}
            {shown && view === "extremes" && (
              <Extremes
                draft={draft}
                scene={Math.max(0, index)}
                on={on}
                factsByBrand={props.factsByBrand}
                brands={brands}
              />
            )}
          </div>
        </div>
      </div>
      {promotion && view === "proofs" && (
        <Transport engine={engine} scenes={draft.scenes} spans={promotion.spans} length={promotion.length} />
      )}
    </main>
  );
}
