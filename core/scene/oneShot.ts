import { type SceneSpan } from "../time/timeline";
import { ticks, ticksOf } from "../time/ticks";
import { type MediaPart, type PreparedScene, type ScenePart } from "./prepared";

/**
 * Scenes of which some are one shot with the one before them: what both show stays where it is. Words and marks neither go
 * nor come in again, a picture that moves slowly goes on, and so does how something moves while it is there.
 *
 * @param goesOn whether each scene is one shot with the one before it
 */
export function asOneShot(
  scenes: readonly PreparedScene[],
  spans: readonly SceneSpan[],
  goesOn: readonly boolean[],
): readonly PreparedScene[] {
  if (!goesOn.some((one, index) => one && index > 0)) return scenes;
  const runs = runsOf(scenes, goesOn);
  return scenes.map((scene, index) => {
    const before = goesOn[index] ? scenes[index - 1] : undefined;
    const [under, underNext] = [
      baseOf(scene, before),
      baseOf(scene, goesOn[index + 1] ? scenes[index + 1] : undefined),
    ];
    const parts = scene.parts.map((part, at): ScenePart => {
      const run = runs.find((one) => one.at[index - one.first] === at && index >= one.first);
      return run ? inRun(part, { run, index, spans, isOver: { before: at >= under, next: at >= underNext } }) : part;
    });
    return { ...scene, parts };
  });
}

/** A part that several scenes in a row show: which part of each of them it is. */
interface Run {
  /** The scene that it begins in. */
  readonly first: number;
  readonly at: readonly number[];
  /** As the first of them has it. */
  readonly part: ScenePart;
}

function runsOf(scenes: readonly PreparedScene[], goesOn: readonly boolean[]): Run[] {
  const runs: { first: number; at: number[]; part: ScenePart }[] = [];
  scenes.forEach(({ parts }, index) => {
    const going = goesOn[index] ? runs.filter(({ first, at }) => first + at.length === index) : [];
    parts.forEach((part, at) => {
      const run = going.find((one) => isSame(one.part, part) && one.first + one.at.length === index);
      if (run) run.at.push(at);
      else runs.push({ first: index, at: [at], part });
    });
  });
  return runs.filter(({ at }) => at.length > 1);
}

/** How many of the lowest parts of a scene are the same in another: grounds and pictures under all that differs or moves. */
function baseOf({ parts }: PreparedScene, other: PreparedScene | undefined): number {
  const differs = parts.findIndex(
    (part, at) => (part.kind !== "fixed" && part.kind !== "media") || !isSame(part, other?.parts[at]),
  );
  return differs < 0 ? parts.length : differs;
}

interface InRun {
  readonly run: Run;
  /** Of the scene. */
  readonly index: number;
  readonly spans: readonly SceneSpan[];
  /** Whether it lies over something that differs, in the scene before and in the next. */
  readonly isOver: { readonly before: boolean; readonly next: boolean };
}

/** A part as it is while the run goes on: its time is that of the first scene of the run. */
function inRun(part: ScenePart, { run, index, spans, isOver }: InRun): ScenePart {
  const last = run.first + run.at.length - 1;
  const start = spans[index]?.start ?? 0;
  const since = start - (spans[run.first]?.start ?? 0);
  const [wasThere, staysOn] = [index > run.first, index < last];
  if (part.kind === "media" && run.part.kind === "media") {
    const to = ticksOf((spans[last]?.end ?? 0) - start);
    const track = run.part.track.map((span, at) => ({
      ...span,
      from: ticks(span.from - ticksOf(since)),
      to,
      what: part.track[at]?.what ?? span.what,
    }));
    return { ...part, track, enters: wasThere ? null : part.enters };
  }
  return {
    ...(part.kind === "moving" && run.part.kind === "moving" && wasThere
      ? { ...part, motion: "still" as const, enters: run.part.enters - since, pieces: undefined }
      : part),
    ...(wasThere && isOver.before ? { wasThere: true as const } : {}),
    ...(staysOn && isOver.next ? { staysOn: true as const } : {}),
  };
}

/** Whether two parts show the same at the same place. */
function isSame(one: ScenePart | undefined, other: ScenePart | undefined): boolean {
  return one !== undefined && other !== undefined && one.kind === other.kind && textOf(one) === textOf(other);
}

/** What parts show as text, written once: parts of scenes that did not change are taken over as they are. */
const texts = new WeakMap<ScenePart, string>();
function textOf(part: ScenePart): string {
  const text = texts.get(part) ?? JSON.stringify(shownBy(part));
  texts.set(part, text);
  return text;
}

/** What a part shows, without when and how it comes. Which of the uses of a clip it is changes nothing. */
function shownBy(part: ScenePart): unknown {
  switch (part.kind) {
    case "fixed":
      return part.node;
    case "moving":
      return [part.atRest, part.later];
    case "media":
      return part.track.length === 1 && part.wipes === null ? [part.place, withoutUse(part)] : part;
    case "filling":
    case "sounding":
      return part;
  }
}

const withoutUse = ({ track }: MediaPart): unknown => track.map(({ what }) => ({ ...what, use: null }));
