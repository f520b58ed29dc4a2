import { useMemo, useState } from "react";
import { toast } from "sonner";
import { sceneDesign } from "../../core/document/design";
import { together } from "../../core/document/edit";
import { applyEdit, rename } from "../../core/document/edits";
import { type Look } from "../../core/document/look";
import { type GainPoint } from "../../core/document/lanes";
import { type Promotion } from "../../core/document/promotion";
import { resolvePromotion } from "../../core/document/resolve";
import { type Edit } from "../../core/document/edit";
import { changeSound, setSoundTime } from "../../core/document/soundEdits";
import { heldLength, setSceneLength } from "../../core/pace/lengthEdits";
import { type PacedScene, pacedScenes } from "../../core/pace/pacedScenes";
import { type PlacedKey } from "../../core/document/placedKey";
import { type ShotTiming } from "../../core/pace/shotTimes";
import { lengthForVoice, spokenTimes } from "../../core/pace/voiceTimes";
import { type TimeSpan, setTime } from "../../core/pace/timeEdits";
import { type ReadText, readTexts } from "../../core/pace/readTexts";
import { settledTime } from "../../core/scene/preparePromotion";
import type { LinkedVersions } from "../../server/promotions/shorterVersions";
import { ButtonLink } from "../components/Button";
import { useLive } from "../components/useLive";
import { useMayEdit } from "../components/useMayEdit";
import { DeskHeader } from "../desk/DeskHeader";
import { PresentPeople } from "../desk/PresentPeople";
import { Transport } from "../desk/Transport";
import { ChoiceSwitch } from "../components/ChoiceSwitch";
import { Trio } from "../desk/Trio";
import { UndoButtons } from "../desk/UndoButtons";
import { type LoadedDesk, useDesk } from "../desk/useDesk";
import { usePresence } from "../desk/usePresence";
import { CaptionsBeside } from "./CaptionsBeside";
import { type Lengthening } from "./SceneLane";
import { SceneCuts } from "./SceneCuts";
import { attemptEdit } from "../edits/attemptEdit";
import { SoundBeside } from "./SoundBeside";
import { ScenePanel } from "./ScenePanel";
import { ShotPanel } from "./ShotPanel";
import { TimeLanes } from "./TimeLanes";
import { useCaptionDesk } from "./useCaptionDesk";
import { WordTimes } from "./WordTimes";
import { ShorterVersions } from "./ShorterVersions";
import { TimePage } from "./TimePage";
import { useBeats } from "./useBeats";
import { WholePanel } from "./WholePanel";

const ignore = (): void => undefined;
const NO_ROOM = "The other scenes can't take that up: each stays long enough to be read.";

const SIDES = ["scenes", "sound", "captions"] as const;
type Side = (typeof SIDES)[number];
const SIDE_WORDS: Readonly<Record<Side, string>> = { scenes: "Scenes", sound: "Sound", captions: "Captions" };
/** The Pace desk: time as a page. Scenes, words, pictures and sound under one ruler, and how long each is, dragged or typed. */
export function PaceDesk({
  loaded,
}: {
  loaded: LoadedDesk & { readonly free: boolean; readonly linked: LinkedVersions };
}) {
  const { slug, free, linked } = loaded;
  const desk = useDesk(loaded);
  const { session, state, document, promotion, facts, formats, engine, prepared } = desk;
  const { apply } = session;
  const live = useLive();
  const mayEdit = useMayEdit();
  const present = usePresence(slug, "");
  const [picked, setPicked] = useState(0);
  const [copiedLook, setCopiedLook] = useState<Look | null>(null);
  const chosen = Math.min(picked, promotion.scenes.length - 1);
  const sheet = prepared[0];
  const scenes = useMemo(
    () => pacedScenes(document, facts, { scenes: promotion.scenes, sheet: sheet?.scenes ?? [], free }),
    [document, facts, promotion.scenes, sheet, free],
  );
  /** As it would be, while an end is pulled. */
  const [pulled, setPulled] = useState<Promotion | null>(null);
  const shown = useMemo(() => (pulled ? resolvePromotion(pulled, facts) : promotion), [pulled, facts, promotion]);
  const shownScenes = useMemo(
    () => (pulled ? pacedScenes(pulled, facts, { scenes: shown.scenes, sheet: sheet?.scenes ?? [], free }) : scenes),
    [pulled, facts, shown, sheet, free, scenes],
  );
  const beat = useBeats(document, promotion);
  const texts = useMemo(() => readTexts(shown, { scenes: sheet?.scenes ?? [], spans: shown.spans }), [shown, sheet]);
  const scene = scenes[chosen];
  const own = scene && document.scenes[scene.id];
  const resolved = promotion.scenes[chosen];
  const span = promotion.spans[chosen];

  const [side, setSide] = useState<Side>("scenes");
  const [heard, setHeard] = useState<string | null>(null);
  const [pressed, setPressed] = useState<PlacedKey | null>(null);
  const captions = useCaptionDesk(document, engine, apply);
  const named = useMemo(
    () => promotion.spans.map((one) => ({ ...one, id: promotion.scenes[one.index]?.id ?? "" })),
    [promotion],
  );
  function openCaption(id: string): void {
    setSide("captions");
    captions.open(id);
  }
  function openSound(id: string): void {
    setSide("sound");
    setHeard(id);
  }
  function setHeardTime(id: string, was: TimeSpan, wanted: TimeSpan): void {
    const edit = setSoundTime(document, id, was, wanted);
    if (edit) apply(edit);
  }
  function setHeardPoints(id: string, points: readonly GainPoint[] | null): void {
    const edit = changeSound(document, id, { points }, "Level of a sound");
    if (edit) apply(edit);
  }
  const editAsItIs = (make: (now: Promotion) => Edit | null): void =>
    attemptEdit(() => make(session.state().document), apply);
  function setTextTime(key: PlacedKey, time: TimeSpan): void {
    const edit = setTime(document, named, key, time);
    if (edit) apply(edit);
  }
  /** The scenes of another document made of this one, as long as they must be. */
  function paceOf(other: Promotion): readonly PacedScene[] {
    const { scenes: all } = resolvePromotion(other, facts);
    const sheets = all.map(({ id }) => sheet?.scenes[promotion.scenes.findIndex((one) => one.id === id)]);
    return pacedScenes(other, facts, { scenes: all, sheet: sheets.map((one) => one ?? { slots: [] }), free });
  }

  function choose(at: number): void {
    setSide("scenes");
    setPicked(at);
    const span = promotion.spans[at];
    if (span && !engine?.state().playing) engine?.seek(settledTime(span));
  }
  function lookAt({ key, from, to }: ReadText): void {
    setPressed(key);
    const at = promotion.scenes.findIndex(({ id }) => key.startsWith(`${id}.`));
    if (at >= 0) setPicked(at);
    engine?.seek(from + (to - from) * 0.6);
  }
  function setLength(at: number, length: number, how: Lengthening | "typed"): void {
    const one = scenes[at];
    if (!one) return;
    const retimed = setSceneLength(scenes, {
      scene: one.id,
      length,
      held: heldLength(document),
      label: how === "pulled" ? "Pull the end of a scene" : undefined,
    });
    const isDone = how !== "pulling";
    pull("edit" in retimed && !isDone ? applyEdit(document, retimed.edit) : null);
    if (!isDone) return;
    if ("edit" in retimed) {
      apply(retimed.edit);
    } else {
      toast.error(NO_ROOM);
    }
  }
  function setShotTiming({ cut, sceneLength }: ShotTiming): void {
    if (sceneLength === null || !scene) {
      apply(cut);
      return;
    }
    const bounded = Math.min(scene.most, sceneLength);
    const retimed = setSceneLength(scenes, { scene: scene.id, length: bounded, held: heldLength(document) });
    if ("edit" in retimed) apply(together(cut.label, [cut, retimed.edit]));
    else toast.error(NO_ROOM);
  }
  function pull(document: Promotion | null): void {
    setPulled(document);
    desk.onDragged(document);
  }
  const { spans, length } = shown;
  const voice = spokenTimes(document.lanes, facts.media, promotion.length);
  return (
    <main className="flex h-[calc(100vh-46px)] min-h-[560px] flex-col max-lg:h-auto">
      <DeskHeader
        slug={slug}
        name={document.name}
        save={state.save}
        current="Pace"
        onRename={(name) => apply(rename(name))}
      >
        <PresentPeople present={present} promotion={promotion} />
        <UndoButtons session={session} state={state} />
        <ButtonLink look="main" to={`/promotions/${slug}/send`}>
          On to rendering
        </ButtonLink>
      </DeskHeader>
      <div className="grid min-h-0 flex-1 grid-cols-[minmax(0,1fr)_320px] max-lg:flex max-lg:flex-col">
        <div className="flex min-h-0 min-w-0 flex-col">
          <div className="h-[268px] shrink-0 max-lg:h-auto">
            <Trio
              engine={engine}
              slug={slug}
              formats={formats}
              marked={null}
              onPick={ignore}
              onFormats={desk.onFormats}
            />
          </div>
          <fieldset disabled={!live} className="flex min-h-0 min-w-0 flex-1 flex-col max-lg:h-[70vh] max-lg:flex-none">
            <TimePage
              length={length}
              scene={scene?.length ?? length}
              about={
                <span className="ml-auto figures text-[13px] text-soft">
                  {spans.length} scenes · {(length / 1000).toFixed(2)} s
                </span>
              }
            >
              {(width) => (
                <TimeLanes
                  engine={engine}
                  promotion={shown}
                  scenes={shownScenes}
                  texts={texts}
                  beat={beat}
                  captions={captions}
                  width={width}
                  chosen={chosen}
                  pressed={pressed}
                  onScene={choose}
                  onLength={setLength}
                  document={document}
                  sound={heard}
                  onSound={openSound}
                  onSoundTime={setHeardTime}
                  onSoundPoints={setHeardPoints}
                  onLeave={() => pull(null)}
                  onText={lookAt}
                  onCaption={openCaption}
                  onTime={setTextTime}
                />
              )}
            </TimePage>
          </fieldset>
        </div>
        <fieldset
          // How long words need is known once they are set.
          disabled={!live || !sheet}
          className="flex min-h-0 min-w-0 flex-col gap-4 overflow-y-auto border-l border-rule bg-card px-5 py-4"
        >
          <div>
            <ChoiceSwitch label="Beside" choices={SIDES} words={SIDE_WORDS} value={side} onChoose={setSide} />
          </div>
          <fieldset disabled={!mayEdit} className="contents">
            {side === "sound" && (
              <SoundBeside
                engine={engine}
                document={document}
                promotion={promotion}
                sounds={loaded.sounds}
                language={captions.language}
                chosen={heard}
                onChoose={setHeard}
                onChosen={desk.onChosen}
                onEdit={apply}
                onMade={editAsItIs}
              />
            )}
            {side === "captions" && (
              <CaptionsBeside
                engine={engine}
                document={document}
                shown={promotion.captions}
                palette={facts.brand.palette}
                length={promotion.length}
                language={captions.language}
                chosen={captions.chosen}
                onLanguage={captions.setLanguage}
                onChoose={captions.choose}
                onSeek={(time) => engine?.seek(time)}
                onEdit={apply}
              />
            )}
            {side === "scenes" && (
              <>
                <WholePanel
                  document={document}
                  scenes={scenes}
                  ending={promotion.ending}
                  beat={beat}
                  palette={facts.brand.palette}
                  onEdit={apply}
                />
                <hr className="border-rule" />
                {scene && own && resolved && (
                  <ScenePanel
                    key={scene.id}
                    document={document}
                    design={sceneDesign(document, facts.templates, own)}
                    designed={resolved.template}
                    scene={scene}
                    index={chosen}
                    shade={Math.max(
                      0,
                      ...(sheet?.scenes[chosen]?.slots ?? []).map(({ backing }) => backing?.alpha ?? 0),
                    )}
                    forVoice={span ? lengthForVoice(span, voice, scenes[chosen + 1]?.overlap ?? 0) : null}
                    palette={facts.brand.palette}
                    onLength={(wanted) => setLength(chosen, wanted, "typed")}
                    onEdit={apply}
                  />
                )}
                {resolved && span && (
                  <SceneCuts
                    document={document}
                    scene={resolved}
                    next={promotion.scenes[chosen + 1]}
                    span={span}
                    engine={engine}
                    disabled={scene?.isLocked ?? true}
                    onEdit={apply}
                  />
                )}
                {resolved && (
                  <WordTimes
                    key={`times of ${resolved.id}`}
                    document={document}
                    spans={named}
                    texts={texts.filter(({ key }) => key.startsWith(`${resolved.id}.`))}
                    onEdit={apply}
                  />
                )}
                {own && resolved && span && (
                  <ShotPanel
                    key={`shots of ${resolved.id}`}
                    document={document}
                    promotion={promotion}
                    scene={resolved}
                    own={own}
                    span={span}
                    engine={engine}
                    free={free}
                    copied={{ look: copiedLook, onCopy: setCopiedLook }}
                    onChosen={desk.onChosen}
                    onTiming={setShotTiming}
                    onEdit={apply}
                  />
                )}
                <hr className="border-rule" />
                <ShorterVersions
                  slug={slug}
                  document={document}
                  revision={state.save === "saved" ? session.revision() : null}
                  linked={linked}
                  length={promotion.length}
                  pace={paceOf}
                />
              </>
            )}
          </fieldset>
        </fieldset>
      </div>
      <Transport
        engine={engine}
        scenes={promotion.scenes.map(({ template }) => template)}
        spans={spans}
        length={length}
      />
    </main>
  );
}
