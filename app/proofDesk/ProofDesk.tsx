import { useEffect, useState } from "react";
import { targetOf } from "../../core/document/adjustments";
import { sceneDesign } from "../../core/document/design";
import { addPlacement, adjust, applyEdit, removePlacement, rename } from "../../core/document/edits";
import { type SlotKey, slotKey } from "../../core/document/sceneTemplate";
import { PLAIN_FRAMING, draggedPoint } from "../../core/geometry/framedPicture";
import { type Point } from "../../core/geometry/rect";
import { type FormatName, formatTitle } from "../../core/placement/formats";
import { PLACEMENTS, type Placement } from "../../core/placement/placements";
import { placementsOf } from "../../core/document/placementsPart";
import { withBend } from "../../core/geometry/subjectPath";
import { followsSubject } from "../../core/document/slotFraming";
import { subjectIn } from "../../core/scene/framedMedia";
import { settledTime } from "../../core/scene/preparePromotion";
import { ButtonLink } from "../components/Button";
import { ChoiceSwitch } from "../components/ChoiceSwitch";
import { ToggleButton } from "../components/ToggleButton";
import { useLive } from "../components/useLive";
import { useMayEdit } from "../components/useMayEdit";
import { DeskHeader } from "../desk/DeskHeader";
import { PresentPeople } from "../desk/PresentPeople";
import { Transport } from "../desk/Transport";
import { UndoButtons } from "../desk/UndoButtons";
import { type LoadedDesk, useDesk } from "../desk/useDesk";
import { type PlacedKey } from "../../core/document/placedKey";
import { usePresence } from "../desk/usePresence";
import { type CellAt } from "./cells";
import { followedClip } from "./followedClip";
import { FindingList } from "./FindingList";
import { FramingPanel } from "./FramingPanel";
import { PlacementChoice } from "./PlacementChoice";
import { LargeProof } from "./LargeProof";
import { FIRST_LOOK, type Look, ProofBar, type View } from "./ProofBar";
import { useVersions } from "./useVersions";
import { ProofWall } from "./ProofWall";

const SIDES = ["framing", "findings"] as const;
type Side = (typeof SIDES)[number];

/** The Proof desk: every scene in every format, what was found in them, and how pictures are framed. */
export function ProofDesk({ loaded }: { loaded: LoadedDesk & { readonly free: boolean } }) {
  const { slug, free } = loaded;
  const desk = useDesk(loaded);
  const { session, state, document, promotion, facts, formats, engine, prepared, findings } = desk;
  const { apply } = session;
  const live = useLive();
  const mayEdit = useMayEdit();
  const [picked, setPicked] = useState<CellAt>({ format: formats[0] ?? "square", scene: 0 });
  const [look, setLook] = useState<Look>(FIRST_LOOK);
  const [side, setSide] = useState<Side>("framing");
  const [marked, setMarked] = useState<PlacedKey | null>(null);
  const present = usePresence(slug, marked ?? "");

  // What was chosen may be gone: somebody else took the scene or the format out.
  const chosen: CellAt = {
    format: formats.includes(picked.format) ? picked.format : (formats[0] ?? "square"),
    scene: Math.min(picked.scene, promotion.scenes.length - 1),
  };
  const scenes = (promotion.inFormat[chosen.format] ?? promotion).scenes;
  const scene = scenes[chosen.scene];
  const own = scene && document.scenes[scene.id];
  const sheet = prepared.find(({ format }) => format === chosen.format)?.scenes[chosen.scene];
  const pictures = scene?.template.slots.filter((slot) => slot.kind === "media") ?? [];
  const shown = pictures.find((slot) => scene && slotKey(scene.template, slot) === marked) ?? pictures[0];

  function choose(cell: CellAt): void {
    setPicked(cell);
    const span = promotion.spans[cell.scene];
    if (span && !engine?.state().playing) engine?.seek(settledTime(span));
  }
  function go(at: number, format: FormatName | null): void {
    choose({ scene: at, format: format ?? chosen.format });
  }
  const { view, overlays, beside } = look;
  const placements = placementsOf(document, facts);
  const chosenPlacements = new Set(placements.map(({ id }) => id));
  function choosePlacement({ id }: Placement, isOn: boolean): void {
    apply(isOn ? addPlacement(document, id) : removePlacement(id));
    // What was just chosen is what one wants to see.
    if (isOn) setLook((before) => ({ ...before, overlays: new Set([...before.overlays, "furniture"]) }));
  }
  const versions = useVersions(slug, facts, view === "large");
  const viewAs = (next: View): void => setLook((before) => ({ ...before, view: next }));
  useEffect(() => {
    if (view === "wall") return;
    const close = (event: KeyboardEvent): void => {
      if (event.key === "Escape") setLook((before) => ({ ...before, view: "wall" }));
    };
    window.addEventListener("keydown", close);
    return () => window.removeEventListener("keydown", close);
  }, [view]);

  function movePicture(format: FormatName, key: SlotKey, by: Point, isDone: boolean): void {
    const at = (promotion.inFormat[format] ?? promotion).scenes.findIndex(({ id }) => key.startsWith(`${id}.`));
    const resolved = (promotion.inFormat[format] ?? promotion).scenes[at];
    const { slot } = targetOf(key);
    const medium = resolved?.shots[slot]?.[0]?.media;
    const place = prepared
      .find((one) => one.format === format)
      ?.scenes[at]?.slots.find((one) => one.key === key)?.place;
    if (!resolved || !medium || !place) return;
    const own = resolved.template.framings[slot] ?? null;
    const framing = { ...PLAIN_FRAMING, ...own };
    const way = framing.way ?? "fill";
    const clip = followedClip(promotion, { slot: key, format }, engine?.state().time ?? 0);
    const follows = clip !== null && followsSubject(own);
    const focal = follows ? subjectIn(medium, own, clip.frame) : medium.focal;
    const point = draggedPoint(medium, place, { ...framing, way }, { focal, by });
    const edit = follows
      ? adjust("bends", withBend(own?.bends ?? [], { frame: clip.frame, ...point }), {
          target: targetOf(key),
          layer: "scene",
        })
      : adjust("point", point, { target: targetOf(key), layer: "scene@format", format });
    desk.onDragged(isDone ? null : applyEdit(document, edit));
    if (isDone) apply(edit);
  }
  return (
    <main className="flex h-[calc(100vh-46px)] min-h-[560px] flex-col max-lg:h-auto">
      <DeskHeader
        slug={slug}
        name={document.name}
        save={state.save}
        current="Proof"
        onRename={(name) => apply(rename(name))}
      >
        <PresentPeople present={present} promotion={promotion} />
        <UndoButtons session={session} state={state} />
        <ButtonLink look="main" to={`/promotions/${slug}/send`}>
          On to rendering
        </ButtonLink>
      </DeskHeader>
      <div className="grid min-h-0 flex-1 grid-cols-[minmax(0,1fr)_348px] max-lg:flex max-lg:flex-col">
        <section
          aria-label="Proofs"
          className="flex min-h-0 min-w-0 flex-col gap-3 bg-proof px-5 pt-3 pb-3 max-lg:h-[64vh]"
        >
          <ProofBar
            look={look}
            others={formats.filter((one) => one !== chosen.format)}
            versions={versions}
            onLook={setLook}
          >
            <PlacementChoice
              known={facts.placements ?? PLACEMENTS}
              formats={formats}
              chosen={chosenPlacements}
              onChoose={choosePlacement}
            />
          </ProofBar>
          {view === "wall" ? (
            <ProofWall
              engine={engine}
              scenes={scenes.map(({ template }) => template)}
              formats={formats}
              sheets={prepared}
              findings={findings}
              chosen={chosen}
              overlays={overlays}
              placements={placements}
              onlyFound={look.onlyFound}
              onChoose={choose}
              onOpen={() => viewAs("large")}
            />
          ) : (
            <LargeProof
              engine={engine}
              slug={slug}
              format={chosen.format}
              beside={beside}
              facts={facts}
              marked={marked}
              overlays={overlays}
              placements={placements}
              inPixels={look.inPixels}
              onPick={setMarked}
              onMove={movePicture}
            />
          )}
        </section>
        <fieldset disabled={!live} className="flex min-h-0 flex-col border-l border-rule bg-card">
          <div className="border-b border-rule px-5 pt-3.5 pb-3">
            <h2 className="truncate text-[17px] leading-tight">
              {chosen.scene + 1} · {scene?.template.name}{" "}
              <span className="text-soft">in {formatTitle(chosen.format)}</span>
            </h2>
            <div className="mt-2">
              <ChoiceSwitch
                label="Panel"
                choices={SIDES}
                words={{ framing: "Framing", findings: `Findings ${findings.length}` }}
                value={side}
                onChoose={setSide}
              />
            </div>
          </div>
          <div className="min-h-0 flex-1 overflow-y-auto px-5 py-3.5">
            {side === "findings" ? (
              <FindingList
                slug={slug}
                findings={findings}
                scenes={scenes.map(({ template }) => template)}
                onGo={go}
                onEdit={apply}
              />
            ) : (
              <>
                {pictures.length > 1 && (
                  <div className="mb-3 flex flex-wrap gap-1.5">
                    {pictures.map((slot) => (
                      <ToggleButton
                        key={slot.id}
                        on={slot === shown}
                        onToggle={() => scene && setMarked(slotKey(scene.template, slot))}
                      >
                        {slot.label}
                      </ToggleButton>
                    ))}
                  </div>
                )}
                {scene && own && shown ? (
                  <fieldset disabled={!mayEdit} className="contents">
                    <FramingPanel
                      document={document}
                      design={sceneDesign(document, facts.templates, own)}
                      slot={shown}
                      slotId={slotKey(scene.template, shown)}
                      format={chosen.format}
                      placed={sheet?.slots.find(({ key }) => key === slotKey(scene.template, shown))}
                      focal={scene.shots[shown.id]?.[0]?.media.focal ?? null}
                      shown={scene.shots[shown.id]?.[0]?.media ?? null}
                      engine={engine}
                      promotion={promotion}
                      palette={facts.brand.palette}
                      media={desk.media}
                      onChosen={desk.onChosen}
                      locked={!free && !shown.allows.content}
                      onEdit={apply}
                    />
                  </fieldset>
                ) : (
                  <p className="text-[13.5px] text-soft">No picture or clip is in this scene.</p>
                )}
              </>
            )}
          </div>
        </fieldset>
      </div>
      <Transport
        engine={engine}
        scenes={promotion.scenes.map(({ template }) => template)}
        spans={promotion.spans}
        length={promotion.length}
      />
    </main>
  );
}
