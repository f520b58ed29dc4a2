import { barInks } from "./barInks";
import { type FillingPart } from "./prepared";
import { WIPE } from "../arrangement/beforeAfter";
import { after, scaling, translation, turning } from "../geometry/affine";
import { type Rect, centreOf, rect } from "../geometry/rect";
import { glide } from "../motion/easing";
import { type PictureMotion, WITH_SCENE } from "../motion/pictureMotion";
import { AT_REST, ENTRANCE_MS, motionAt } from "../motion/wordMotion";
import { whileShown } from "../motion/whileShown";
import { slowZoom } from "../motion/slowZoom";
import { type Ticks, msOf, ticks } from "../time/ticks";
import { joinAt } from "./joinAt";
import { sourceFrames } from "./shotTrack";
import { type ClipFacts } from "../document/facts";
import { type Span, spansAt } from "../time/tracks";
import { type DisplayList, type DisplayNode } from "./displayList";
import { framedIn, framedNode } from "./framedMedia";
import { drawnSmaller } from "./pictureNodes";
import { overlaidAt } from "./overlayNodes";
import { soundWaveAt } from "./soundWave";
import {
  type Apart,
  type MediaPart,
  type MovingPiece,
  type PlacedShot,
  type PreparedScene,
  type ScenePart,
} from "./prepared";

/** A prepared scene at a time from its start. @param isSeen which of its parts; all where it is not said */
export function sceneAt(scene: PreparedScene, time: Ticks, isSeen?: (part: ScenePart) => boolean): DisplayList {
  const seen = isSeen ? scene.parts.filter(isSeen) : scene.parts;
  return seen.flatMap((part) => partAt(scene, part, time) ?? []);
}

/** The parts of a prepared scene of which something is there at any of some times from its start. */
export const partsAt = (scene: PreparedScene, times: readonly Ticks[]): ScenePart[] =>
  scene.parts.filter((part) => times.some((time) => [partAt(scene, part, time) ?? []].flat().length > 0));

function partAt(scene: PreparedScene, part: ScenePart, time: Ticks): DisplayNode | DisplayNode[] | null {
  switch (part.kind) {
    case "fixed":
      return part.node;
    case "media":
      return mediaAt(scene, part, time);
    case "filling":
      return barAt(part, msOf(time) / scene.length);
    case "sounding":
      return soundWaveAt(part, msOf(time));
    case "moving":
      return movingAt(scene, part, time);
  }
}

type MovingPart = Extract<ScenePart, { kind: "moving" }>;

function movingAt(scene: PreparedScene, part: MovingPart, time: Ticks): DisplayNode | DisplayNode[] | null {
  const at = msOf(time);
  const { pieces = [] } = part;
  const last = Math.max(0, ...pieces.map(({ after }) => after));
  // While its pieces come in, each moves by itself; then they are one.
  if (pieces.length > 0 && at < part.enters + last + ENTRANCE_MS)
    return pieces.flatMap(({ after, atRest }) => movedAt(scene, part, at, { after, atRest }) ?? []);
  const { atRest } = part.later?.findLast(({ from }) => from <= at) ?? part;
  return movedAt(scene, part, at, { after: 0, atRest });
}

/** Something of a part, or all of it, as it has come in so much later than the part. */
function movedAt(
  scene: PreparedScene,
  part: MovingPart,
  at: number,
  { after: later, atRest }: MovingPiece,
): DisplayNode | null {
  const { motion, enters, until, exit, strength, ease, moves = "still" } = part;
  const { alpha, dx, dy, scale, angle } = motionAt(motion, at, {
    from: enters + later,
    until: part.staysOn ? Infinity : (until ?? (scene.leaves ? scene.length : Infinity)),
    exit,
    strength,
    ease,
  });
  if (alpha <= 0) return null;
  const isAtRest = alpha === 1 && dx === 0 && dy === 0 && scale === 1 && angle === 0;
  if (isAtRest && moves === "still") return atRest;
  const during = whileShown(moves, at - enters);
  const { map, scale: size } = movedMap({ dx, dy, scale, angle }, during, centreOf(atRest.bounds));
  return { kind: "transformed", alpha, map, children: atRest.children.map((node) => drawnSmaller(node, size)) };
}

type Moved = ReturnType<typeof whileShown>;

/** How a coming or going and the movement while shown lie together about the middle of what moves. */
function movedMap(state: Moved, during: Moved, middle: Parameters<typeof turning>[1]) {
  const scale = state.scale * during.scale;
  const map = after(
    translation(state.dx + during.dx, state.dy + during.dy),
    after(turning(state.angle + during.angle, middle), scaling(scale, scale, middle)),
  );
  return { map, scale };
}

/** @param share of its way that it has gone */
function barAt(part: FillingPart, share: number): DisplayNode[] {
  const { place } = part;
  const width = place.width * Math.min(1, Math.max(0, share));
  const { gone, coming } = barInks(part);
  return [
    { kind: "fill", place: rect(place.x, place.y, width, place.height), ink: gone },
    { kind: "fill", place: rect(place.x + width, place.y, place.width - width, place.height), ink: coming },
  ];
}

function mediaAt(scene: PreparedScene, part: MediaPart, at: Ticks): DisplayNode | DisplayNode[] | null {
  const nodes = contentAt(part, at);
  if (nodes.length === 0) return null;
  const time = msOf(at);
  if (part.wipes) {
    const place = wipedPlace(part.place, part.wipes, wipeProgress(time / scene.length));
    return place.width > 0 && place.height > 0 ? { kind: "clipped", place, children: nodes } : null;
  }
  if (part.motion) return movedPicture(scene, part, { nodes, motion: part.motion, time });
  if (part.enters === null || time >= part.enters + ENTRANCE_MS) return nodes;
  const { alpha, scale } = motionAt("pop", time, { from: part.enters, until: Infinity });
  const map = scaling(scale, scale, centreOf(part.place));
  return alpha <= 0
    ? null
    : { kind: "transformed", alpha, map, children: asOne(nodes.map((node) => drawnSmaller(node, scale))) };
}

interface MovingPicture {
  readonly nodes: readonly DisplayNode[];
  readonly motion: PictureMotion;
  /** Milliseconds from the scene's start. */
  readonly time: number;
}

/** A picture as it comes, goes and moves in its place. */
function movedPicture(
  scene: PreparedScene,
  { place, within }: MediaPart,
  { nodes, motion: { comes, goes, moves }, time }: MovingPicture,
): DisplayNode[] {
  const state = motionAt(comes === WITH_SCENE ? "still" : comes, time, {
    from: 0,
    until: goes === WITH_SCENE || !scene.leaves ? Infinity : scene.length,
    exit: goes === WITH_SCENE ? "at once" : goes,
  });
  if (state.alpha <= 0) return [];
  if (state === AT_REST && moves === "still") return [...nodes];
  const { map, scale } = movedMap(state, whileShown(moves, time), centreOf(place));
  const children = asOne(nodes.map((node) => drawnSmaller(node, scale)));
  const moved: DisplayNode = { kind: "transformed", alpha: state.alpha, map, children };
  return within ? [{ kind: "clipped", place: within, children: [moved] }] : [moved];
}

/** What lies over one another is faded as one. */
const asOne = (nodes: readonly DisplayNode[]): readonly DisplayNode[] =>
  nodes.length > 1 ? [{ kind: "layer", alpha: 1, children: nodes }] : nodes;

function contentAt({ track, place }: MediaPart, time: Ticks): DisplayNode[] {
  const on = spansAt(track, time);
  // A scene that is on screen past its end, by the rounding of a frame, shows its last shot.
  const [first, ...coming] = on.length > 0 ? on : track.slice(-1);
  if (!first) return [];
  const own = shotAt(first, place, time);
  return coming.reduce((list, span, at) => shotJoined(list, { span, over: on[at] ?? first, place }, time), own);
}

interface ComingShot {
  readonly span: Span<PlacedShot>;
  /** What it comes in over. */
  readonly over: Span<PlacedShot>;
  readonly place: Rect;
}

/** What is in a place with one more shot coming in over it. */
function shotJoined(list: DisplayNode[], { span, over, place }: ComingShot, time: Ticks): DisplayNode[] {
  const { join } = span.what;
  const coming = shotAt(span, place, time);
  if (!join) return coming;
  const share = (time - span.from) / (over.to - span.from);
  return [{ kind: "clipped", place, children: joinAt(place, join, { list, coming, time: share }) }];
}

function shotAt({ from, to, what }: Span<PlacedShot>, place: Rect, time: Ticks): DisplayNode[] {
  const passed = ticks(Math.max(0, time - from));
  const { media, drift, plays, framing, under, over = [], apart, atRest } = what;
  const isMoving = over.some(({ kind }) => kind === "moving");
  if (!plays && drift === "none" && !apart && !isMoving) return [atRest];
  const laidOver = overlaidAt(over, place, msOf(passed));
  if (apart) return [inDepth(apart, place, Math.min(1, passed / (to - from))), ...laidOver];
  if (media.kind === "clip" && plays) return [...under, ...clipAt(what, media, place, passed), ...laidOver];
  const zoom = drift === "none" ? 1 : slowZoom(msOf(passed), msOf(ticks(to - from)), drift === "out");
  return [...under, framedNode(media, framedIn(media, place, framing, { zoom })), ...laidOver];
}

/** How much larger the ground is drawn and what stands before it becomes, and how far they pass each other, at a depth of 1. */
const DEEP = { ground: 0.06, figure: 0.06, passes: 0.02 } as const;

/** What stands free comes nearer and passes before its ground. @param share of its shot that is over, 0 to 1 */
function inDepth({ ground, figure, by, within }: Apart, place: Rect, share: number): DisplayNode {
  const middle = centreOf(place);
  const across = DEEP.passes * by * place.width * (share - 0.5);
  const [behind, nearer] = [1 + DEEP.ground * by, 1 + DEEP.figure * by * share];
  const map = (scale: number, dx: number) => after(translation(dx, 0), scaling(scale, scale, middle));
  const children: DisplayNode[] = [
    { kind: "transformed", alpha: 1, map: map(behind, -across), children: ground },
    { kind: "transformed", alpha: 1, map: map(nearer, across), children: [figure] },
  ];
  return { kind: "clipped", place: within, children };
}

/** A frame of a clip, with as much of the next over it as is near, where frames are blended. */
function clipAt({ cut, use, framing }: PlacedShot, clip: ClipFacts, place: Rect, passed: Ticks): DisplayNode[] {
  const { frame, next, share } = sourceFrames(clip, cut, passed);
  const framed = framedIn(clip, place, framing, { frame });
  const node = framedNode(clip, framed, { use, frame });
  if (!cut.blended || share === 0) return [node];
  // It lies where the other does, though its subject may be elsewhere.
  return [
    node,
    { kind: "layer", alpha: share, children: [framedNode(clip, framed, { use: `${use}/next`, frame: next })] },
  ];
}

/** How much of the second picture is uncovered at a share of the scene's length: half, and resting, in the middle. */
function wipeProgress(share: number): number {
  if (share < WIPE.rests) return 0.5 * glide((share - WIPE.begins) / (WIPE.rests - WIPE.begins));
  return 0.5 + 0.5 * glide((share - WIPE.goesOn) / (WIPE.ends - WIPE.goesOn));
}

const wipedPlace = ({ x, y, width, height }: Rect, way: "across" | "down", progress: number): Rect =>
  way === "across" ? rect(x, y, width * progress, height) : rect(x, y, width, height * progress);
