import { useState } from "react";
import { isLocked, sceneDesign } from "../../core/document/design";
import { type Edit } from "../../core/document/edit";
import { type CutSlot, addShot, splitShot } from "../../core/document/cutEdits";
import { needOf } from "../../core/document/mediaNeed";
import { type Promotion, type PromotionScene } from "../../core/document/promotion";
import { type ResolvedPromotion, type ResolvedScene, type ResolvedShot } from "../../core/document/resolve";
import { type MediaSlot, slotKey } from "../../core/document/sceneTemplate";
import {
  type Keeps,
  type ShotTiming,
  type Speeds,
  type TimedShot,
  withLength,
  withSpeeds,
} from "../../core/pace/shotTimes";
import { shotOn, shotTrack } from "../../core/scene/shotTrack";
import { usualClipLevel } from "../../core/sound/mix";
import { msOf, ticks, ticksOf } from "../../core/time/ticks";
import { type Track } from "../../core/time/tracks";
import { type SceneSpan } from "../../core/time/timeline";
import type { OfferedMedia } from "../../server/media/offeredMedia";
import { ChoiceSwitch } from "../components/ChoiceSwitch";
import { ClipSound } from "../desk/ClipSound";
import { useProofState } from "../desk/useProof";
import { needInWords } from "../mediaChoice/missWords";
import { MediaPicker } from "../mediaChoice/MediaPicker";
import { type ProofEngine } from "../proof/proofEngine";
import { type CopiedLook, LookFields } from "./LookFields";
import { ShotRow } from "./ShotRow";

interface ShotPanelProps {
  readonly document: Promotion;
  readonly promotion: ResolvedPromotion;
  readonly scene: ResolvedScene;
  readonly own: PromotionScene;
  readonly span: SceneSpan;
  readonly engine: ProofEngine | null;
  /** Whether this person may change what templates lock. */
  readonly free: boolean;
  readonly copied: CopiedLook;
  readonly onChosen: (item: OfferedMedia) => void;
  /** A shot is cut so that its scene may have to be of another length. */
  readonly onTiming: (timing: ShotTiming) => void;
  readonly onEdit: (edit: Edit) => void;
}

const KEEPS: readonly Keeps[] = ["length", "used"];
const KEEPS_WORDS: Readonly<Record<Keeps, string>> = { length: "length stays", used: "length follows" };

/** The shots of a scene, slot by slot: what is used of each, how fast, and what comes after it. */
export function ShotPanel(props: ShotPanelProps) {
  const slots = props.scene.template.slots.filter((slot) => slot.kind === "media");
  return slots.map((slot) => <SlotShots key={slot.id} {...props} slot={slot} />);
}

function SlotShots({
  document,
  promotion,
  scene,
  own,
  span,
  engine,
  free,
  slot,
  copied,
  onChosen,
  onTiming,
  onEdit,
}: ShotPanelProps & { slot: MediaSlot }) {
  const [isAdding, setAdding] = useState(false);
  const { templates, media } = promotion.facts;
  const key = slotKey(scene.template, slot);
  const shots = scene.shots[slot.id] ?? [];
  // Alone it fills its scene; among others each is as long as what is used of it.
  const [choice, setChoice] = useState<Keeps | null>(null);
  const keeps = choice ?? (shots.length > 1 ? "used" : "length");
  const of: CutSlot = { slot: key, shots, fill: document.fills[key] };
  const track = shotTrack(shots, span.end - span.start);
  // While it plays, nothing is cut.
  const now = useProofState(engine, (state) => (state.playing ? null : state.time));
  const isInScene = now !== null && now >= span.start && now < span.end;
  const at = isInScene ? shotOn(track, ticksOf(now - span.start)) : null;
  const design = sceneDesign(document, templates, own);
  const disabled = !free && isLocked("way", { origin: design.origin, slot });
  const [first] = shots;
  const split = at && splitShot(of, at.span.what.id, msOf(at.passed));
  const apply = (edit: Edit | null): void => {
    if (edit) onEdit(edit);
  };
  function add(item: OfferedMedia): void {
    setAdding(false);
    onChosen(item);
    apply(addShot(of, shots.at(-1)?.id ?? "", item.facts));
  }
  const timed = (shot: ResolvedShot): TimedShot => ({
    of,
    shot,
    onScreen: lasting(track, shot.id),
    sceneLength: scene.template.length,
  });
  const setSpeeds = (shot: ResolvedShot, speeds: Speeds, how: Keeps): void =>
    onTiming(withSpeeds(timed(shot), speeds, how));
  const setLength = (shot: ResolvedShot, length: number): void => onTiming(withLength(timed(shot), length));
  const label = slot.label.toLowerCase();
  return (
    <fieldset disabled={disabled} className="flex min-w-0 flex-col gap-2 border-t border-rule pt-3">
      <legend className="float-left text-[15px] font-semibold">
        {slot.label}
        {disabled && <span className="font-normal text-soft"> (locked)</span>}
      </legend>
      {shots.length === 0 && <p className="text-[13px] text-soft">Nothing is in it. Fill it on the Fill desk.</p>}
      <ol className="flex flex-col gap-2">
        {shots.map((shot, index) => (
          <ShotRow
            key={shot.id}
            of={of}
            shot={shot}
            index={index}
            onScreen={lasting(track, shot.id)}
            frame={at?.span.what.id === shot.id ? at.frame : null}
            keeps={keeps}
            palette={promotion.facts.brand.palette}
            onSpeeds={setSpeeds}
            onLength={setLength}
            onEdit={apply}
          />
        ))}
      </ol>
      {shots.some(({ media }) => media.kind === "clip") && (
        <div className="flex flex-wrap items-center gap-x-3 gap-y-1 text-[12.5px] text-soft">
          On another speed its
          <ChoiceSwitch
            label={`On another speed of ${label}`}
            choices={KEEPS}
            words={KEEPS_WORDS}
            value={keeps}
            onChoose={setChoice}
          />
        </div>
      )}
      <div className="flex flex-wrap items-center gap-x-4 gap-y-1 text-[13px]">
        <button
          type="button"
          disabled={!split}
          onClick={() => apply(split)}
          title="Makes two shots of the one that is shown now"
          className="underline hover:text-accent disabled:text-soft disabled:no-underline"
        >
          Split {label} here
        </button>
        {shots.length > 0 && (
          <button type="button" onClick={() => setAdding(true)} className="underline hover:text-accent">
            Add a shot to {label}
          </button>
        )}
      </div>
      {first && (
        <LookFields
          document={document}
          design={design}
          slot={slot}
          id={key}
          first={first}
          copied={copied}
          disabled={disabled}
          onEdit={onEdit}
        />
      )}
      {shots.some((shot) => shot.media.kind === "clip" && shot.media.hasSound) && (
        <ClipSound
          document={document}
          templates={templates}
          scene={own}
          slot={slot}
          id={key}
          usual={usualClipLevel(document.lanes, media)}
          disabled={disabled}
          onEdit={onEdit}
        />
      )}
      <MediaPicker
        open={isAdding}
        title={`Another shot in ${label}: ${needInWords(needOf(slot)).toLowerCase()}`}
        need={needOf(slot)}
        chosen={null}
        onClose={() => setAdding(false)}
        onChoose={add}
      />
    </fieldset>
  );
}

/** How long a shot is on screen, in milliseconds. */
function lasting(track: Track<ResolvedShot>, id: string): number {
  const span = track.find(({ what }) => what.id === id);
  return span ? msOf(ticks(span.to - span.from)) : 0;
}
