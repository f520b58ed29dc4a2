import { useMemo } from "react";
import { type PlacedKey } from "../../core/document/placedKey";
import { type GainPoint } from "../../core/document/lanes";
import { type Promotion } from "../../core/document/promotion";
import { type ResolvedPromotion } from "../../core/document/resolve";
import { type PacedScene } from "../../core/pace/pacedScenes";
import { type ReadText } from "../../core/pace/readTexts";
import { type Spoken, spokenTimes } from "../../core/pace/voiceTimes";
import { type TimeSpan } from "../../core/pace/timeEdits";
import { type ProofEngine } from "../proof/proofEngine";
import { CaptionLane } from "./CaptionLane";
import { ItemLane } from "./ItemLane";
import { Playhead } from "./Playhead";
import { ReadingCurve } from "./ReadingCurve";
import { Ruler } from "./Ruler";
import { type Lengthening, SceneLane } from "./SceneLane";
import { ShotLane } from "./ShotLane";
import { SoundLane } from "./SoundLane";
import { SoundLanes } from "./SoundLanes";
import { type CaptionDesk } from "./useCaptionDesk";
import { type HeardBeat } from "./useBeats";
import { WordLane } from "./WordLane";

interface TimeLanesProps {
  readonly engine: ProofEngine | null;
  readonly promotion: ResolvedPromotion;
  readonly scenes: readonly PacedScene[];
  readonly texts: readonly ReadText[];
  readonly beat: HeardBeat | null;
  readonly captions: CaptionDesk;
  readonly document: Promotion;
  /** The piece of sound that is chosen. */
  readonly sound: string | null;
  /** How wide all of it is, in pixels. */
  readonly width: number;
  /** Which scene is chosen, and which words. */
  readonly chosen: number;
  readonly pressed: PlacedKey | null;
  readonly onScene: (at: number) => void;
  readonly onLength: (at: number, length: number, how: Lengthening) => void;
  readonly onLeave: () => void;
  readonly onText: (text: ReadText) => void;
  readonly onCaption: (id: string) => void;
  readonly onTime: (key: PlacedKey, time: TimeSpan) => void;
  readonly onSound: (id: string) => void;
  readonly onSoundTime: (id: string, was: TimeSpan, wanted: TimeSpan) => void;
  readonly onSoundPoints: (id: string, points: readonly GainPoint[] | null) => void;
}

/** All that there is over time, lane under lane. */
export function TimeLanes(props: TimeLanesProps) {
  const { engine, document, promotion, scenes, texts, beat, captions, width, chosen, pressed, sound } = props;
  const { onScene, onLength, onLeave, onText, onCaption, onTime, onSound, onSoundTime, onSoundPoints } = props;
  const { spans, length, items } = promotion;
  const beats = beat?.times ?? NO_BEATS;
  // What is pulled snaps to where scenes begin and end, to beats, and to where somebody speaks.
  const snaps = useMemo(() => {
    const voice = spokenTimes(document.lanes, promotion.facts.media, length);
    return [...[...spans, ...voice].flatMap(edgesOf), ...beats];
  }, [spans, beats, document.lanes, promotion.facts.media, length]);
  const seek = (time: number): void => engine?.seek(time);
  return (
    <>
      <Ruler length={length} width={width} beats={beats} onSeek={seek} />
      <SceneLane
        scenes={scenes}
        spans={spans}
        length={length}
        chosen={chosen}
        onChoose={onScene}
        onLength={onLength}
        onLeave={onLeave}
      />
      <WordLane texts={texts} length={length} snaps={snaps} chosen={pressed} onChoose={onText} onTime={onTime} />
      <ShotLane promotion={promotion} length={length} onChoose={onScene} />
      {items.length > 0 && <ItemLane items={items} length={length} snaps={snaps} onLookAt={seek} onTime={onTime} />}
      {captions.all.length > 0 && (
        <CaptionLane
          captions={captions.all}
          length={length}
          snaps={snaps}
          chosen={captions.chosen}
          onChoose={onCaption}
          onTime={captions.setTime}
        />
      )}
      <SoundLanes
        document={document}
        promotion={promotion}
        snaps={snaps}
        chosen={sound}
        onChoose={onSound}
        onTime={onSoundTime}
        onPoints={onSoundPoints}
      />
      {/* A tune alone is shown by its own piece. */}
      {promotion.mix.track.length !== 1 && <SoundLane promotion={promotion} />}
      <ReadingCurve texts={texts} length={length} width={width} />
      <Playhead engine={engine} length={length} />
    </>
  );
}

const edgesOf = (stretch: { readonly start: number; readonly end: number } | Spoken): number[] =>
  "start" in stretch ? [stretch.start, stretch.end] : [stretch.from, stretch.to];

const NO_BEATS: readonly number[] = [];
