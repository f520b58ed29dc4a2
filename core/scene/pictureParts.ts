import { type SlotFraming } from "../document/slotFraming";
import { type PlacedShot } from "./prepared";
import { type ResolvedShot } from "../document/resolve";
import { shotTrack } from "./shotTrack";
import { type PlacedPicture } from "../arrangement/layout";
import { type PictureFacts } from "../document/facts";
import { type InkedJoin, USUAL_JOIN, inkedJoin } from "../document/joins";
import { type ShotCut, usedOf } from "../document/shots";
import { type DesignedScene } from "../document/design";
import { slotKey } from "../document/sceneTemplate";
import { type Rect, evenInsets, inset, rect } from "../geometry/rect";
import { type ResolvedScene } from "../document/resolve";
import { PLAIN_FRAMING } from "../geometry/framedPicture";
import { isResting } from "../motion/pictureMotion";
import { softShadow } from "./softShadow";
import { ellipse, roundedRect } from "../type/outline";
import { type BrandStyle } from "./brandStyle";
import { type ColumnBacking } from "./columnBackings";
import { type DisplayNode } from "./displayList";
import { behindNodes, framedIn, framedNode } from "./framedMedia";
import { BLUR, containNode, coverNode } from "./pictureNodes";
import { overlaidAt, placedOverlays } from "./overlayNodes";
import { type PlacedSlot, type ScenePart } from "./prepared";
import { type SceneLayout, type ShownMedia } from "./sceneLayout";
import { type SetColumn } from "./setColumns";
import { type Typesetter, still } from "./wordsBlock";

const WHOLE: SlotFraming = { ...PLAIN_FRAMING, way: "whole", behind: null, follows: false, bends: [] };
const CARD_SHADOW = { reach: 48, darkness: 0.34, down: 20 } as const;
/** So much around a picture with a shadow may belong to it, in shares of its width. */
const AROUND = 0.15;
const POOL_SHADOW = { reach: 30, darkness: 0.3, down: 6 } as const;

/**
 * A scene's pictures, back to front. What makes words legible lies on the picture they stand on, under whatever else is
 * placed over it.
 */
export function pictureParts(
  scene: ResolvedScene,
  { style, design }: Typesetter,
  { pictures, shown }: SceneLayout,
  words: { readonly columns: readonly SetColumn[]; readonly backings: readonly ColumnBacking[] },
): ScenePart[] {
  const inScene = { scene: scene.template, style, zoom: design.zoom, blur: scene.template.behindWords.blur ?? BLUR };
  return pictures.flatMap((placed, index) => {
    const onIt = words.columns.flatMap(({ column: { on } }, at) =>
      on.kind === "picture" && on.picture === index ? (words.backings[at]?.nodes ?? []) : [],
    );
    return [
      ...picturePart(placed, shown[placed.index], inScene),
      ...onIt.map((node): ScenePart => ({ kind: "fixed", node })),
    ];
  });
}

/** The places of a scene's picture slots. Where a picture is shown twice, once blurred, the sharp one is the slot. */
export function pictureSlots(scene: ResolvedScene, { pictures, shown }: SceneLayout): PlacedSlot[] {
  return shown.flatMap(({ slot, media, framing, shots }, index): PlacedSlot[] => {
    const places = pictures.filter((placed) => placed.index === index);
    const placed = places.find(({ blurred }) => !blurred) ?? places[0];
    if (!placed) return [];
    const key = slotKey(scene.template, slot);
    const { place } = placed;
    const bare: PlacedSlot = { key, part: "picture", kind: "picture", place, text: "", fitted: null, smallest: 0 };
    // What stands blurred behind words has no subject to keep in sight.
    if (!media || placed.blurred) return [bare];
    // What stands free is whole until somebody frames it.
    const free = framing === null && media.kind === "picture" && media.cutOut === true;
    const { scale, lost, subject, bars } = framedIn(media, place, free ? WHOLE : framing, middleOf(shots[0]));
    return [{ ...bare, framed: { way: free ? "whole" : (framing?.way ?? "fill"), scale, lost, subject, bars } }];
  });
}

/** The frame in the middle of what is used of a clip, which stands for all of it. */
const middleOf = (shot: ResolvedShot | undefined): { readonly frame?: number } => {
  if (shot?.media.kind !== "clip") return {};
  const { from, to } = usedOf(shot.media, shot.cut);
  return { frame: Math.floor((from + to) / 2) };
};

/** What a picture part takes from its scene. */
interface InScene {
  readonly scene: DesignedScene;
  readonly style: BrandStyle;
  /** Whether the template has pictures zoom slowly. */
  readonly zoom: boolean;
  /** How blurred a picture is that is blurred behind words, in design units. */
  readonly blur: number;
}

function picturePart(placed: PlacedPicture, shown: ShownMedia | undefined, inScene: InScene): ScenePart[] {
  const { place } = placed;
  const { scene, style } = inScene;
  if (!shown || shown.shots.length === 0) return [{ kind: "fixed", node: { kind: "fill", place, ink: style.blank } }];
  const track = shotTrack(
    shown.shots.map((shot) => placedShot(placed, shot, { ...inScene, ...shown })),
    scene.length,
  );
  const [only, another] = track;
  // What lies blurred under words stays; what wipes or arrives has its movement from the arrangement.
  const stands = placed.arrives === undefined && placed.wipes === undefined;
  const motion = stands && !placed.blurred && !isResting(scene.pictures) ? scene.pictures : undefined;
  if (only && !another && stands && !motion && !moves(only.what)) return [{ kind: "fixed", node: only.what.atRest }];
  const part: ScenePart = {
    kind: "media",
    track,
    place,
    enters: placed.arrives === undefined ? null : placed.arrives * scene.length,
    wipes: placed.wipes ?? null,
    ...(motion ? { motion, ...(placed.shadow ? {} : { within: place }) } : {}),
  };
  // Where a picture is not, or not yet, its scene's ground is seen.
  const ground: ScenePart = { kind: "fixed", node: { kind: "fill", place, ink: style.palette[scene.ground] } };
  return motion && !placed.shadow ? [ground, part] : [part];
}

const isFree = (media: ResolvedShot["media"]): boolean => media.kind === "picture" && media.cutOut === true;

/** Whether a shot looks different from one moment to the next. */
const moves = ({ plays, drift, apart, over = [] }: PlacedShot): boolean =>
  plays || drift !== "none" || apart !== undefined || over.some(({ kind }) => kind === "moving");

/** A shot in its place. What is blurred, stands free or casts a shadow stands still. */
function placedShot(
  placed: PlacedPicture,
  { id, media, cut }: ResolvedShot,
  { scene, slot, style, zoom, blur, framing, behind }: InScene & Pick<ShownMedia, "slot" | "framing" | "behind">,
): PlacedShot {
  const { place } = placed;
  const key = slotKey(scene, slot);
  const use = id === "shot-1" ? key : `${key}/${id}`;
  const join = shotJoin(cut, style);
  const base = { media, cut, use, framing: null, under: [], ...(join ? { join } : {}) };
  const shot = { ...base, drift: "none", plays: false } as const;
  if (placed.blurred)
    return { ...shot, atRest: { kind: "still", bounds: place, children: [coverNode(media, place, 1, blur)] } };
  const { depth } = scene;
  const apart = (nodes: readonly DisplayNode[], within = place): Pick<PlacedShot, "apart"> => {
    const figure = nodes.at(-1);
    const isApart = depth > 0 && figure !== undefined && isFree(media);
    return isApart ? { apart: { ground: nodes.slice(0, -1), figure, by: depth, within } } : {};
  };
  if (placed.shadow && media.kind === "picture") {
    const nodes = onGround(media, place, { framing, frameInk: style.palette.card });
    // Its shade lies around its place.
    return { ...shot, ...apart(nodes, grownBy(place, place.width * AROUND)), atRest: still(nodes, place) };
  }
  // What stands free is shown whole, on the brand's ground, unless somebody framed it.
  if (media.kind === "picture" && media.cutOut && framing === null) {
    const margin = evenInsets(Math.min(place.width, place.height) * 0.06);
    const children: DisplayNode[] = [
      { kind: "fill", place, ink: style.palette.ground },
      containNode(media, inset(place, margin)),
    ];
    return { ...shot, ...apart(children), atRest: { kind: "still", bounds: place, children } };
  }
  const under = framing ? behindNodes(media, place, framing, { style, ground: scene.ground, picture: behind }) : [];
  const node = framedNode(media, framedIn(media, place, framing));
  const over = placedOverlays(media.shownLook, place, style.palette.card);
  const atRest = [...under, node, ...overlaidAt(over, place, 0)];
  const isWhole = framing?.way === "whole" || framing?.way === "over its blur";
  return {
    ...shot,
    plays: media.kind === "clip",
    framing,
    under,
    ...(under.length > 0 ? apart([...under, node]) : {}),
    drift: zoom && !isWhole ? placed.drift : "none",
    ...(over.length > 0 ? { over } : {}),
    atRest: atRest.length === 1 ? node : { kind: "still", bounds: place, children: atRest },
  };
}

/** How a shot comes in over the one before it; null where it follows at once. */
const shotJoin = ({ comesBy, comesThrough }: ShotCut, brand: BrandStyle): InkedJoin | null =>
  comesBy === undefined
    ? null
    : inkedJoin({ ...USUAL_JOIN, kind: comesBy, ...(comesThrough ? { color: comesThrough } : {}) }, brand);

/** A picture with its shadow. */
function onGround(
  media: PictureFacts,
  place: Rect,
  { framing, frameInk }: { readonly framing: SlotFraming | null; readonly frameInk: string },
): DisplayNode[] {
  if (!media.cutOut)
    return [
      ...softShadow((by) => roundedRect(grownBy(place, by), Math.max(0, by)), CARD_SHADOW),
      framedNode(media, framedIn(media, place, framing && { ...framing, way: "fill" })),
      ...overlaidAt(placedOverlays(media.shownLook, place, frameInk), place, 0),
    ];
  // What stands free stands on a pool of shade.
  const node = containNode(media, place);
  const { x, y, width, height } = node.place;
  const pool = rect(x + width * 0.16, y + height * 0.93, width * 0.68, height * 0.055);
  return [...softShadow((by) => ellipse(grownBy(pool, by)), POOL_SHADOW), node];
}

const grownBy = (place: Rect, by: number): Rect =>
  inset(place, evenInsets(-Math.max(by, 1 - Math.min(place.width, place.height) / 2)));
