import { type MediaSlot } from "../document/template";
import { type PlacedShot } from "./prepared";
import { type ResolvedShot } from "../document/resolve";
import { shotTrack } from "./shotTrack";
import { type PlacedPicture } from "../arrangement/layout";
import { type PictureFacts } from "../document/facts";
import { type SceneTemplate, slotKey } from "../document/template";
import { type Rect, evenInsets, inset, rect } from "../geometry/rect";
import { type ResolvedScene } from "../document/resolve";
import { ellipse, rectangle } from "../type/outline";
import { type BrandStyle } from "./brandStyle";
import { type ColumnBacking } from "./columnBackings";
import { type DisplayNode } from "./displayList";
import { BLUR } from "./legibleColumn";
import { containNode, coverNode } from "./pictureNodes";
import { type PlacedSlot, type ScenePart } from "./prepared";
import { type SceneLayout, type ShownMedia } from "./sceneLayout";
import { type SetColumn } from "./setColumns";
import { type Typesetter, still } from "./wordsBlock";

const CARD_SHADOW = { ink: "rgba(0, 0, 0, 0.34)", blur: 46, down: 20 } as const;

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
  const inScene = { scene: scene.template, style, zoom: design.zoom };
  return pictures.flatMap((placed, index) => {
    const onIt = words.columns.flatMap(({ column: { on } }, at) =>
      on.kind === "picture" && on.picture === index ? (words.backings[at]?.nodes ?? []) : [],
    );
    return [
      picturePart(placed, shown[placed.index], inScene),
      ...onIt.map((node): ScenePart => ({ kind: "fixed", node })),
    ];
  });
}

/** The places of a scene's picture slots. Where a picture is shown twice, once blurred, the sharp one is the slot. */
export function pictureSlots(scene: ResolvedScene, { pictures, shown }: SceneLayout): PlacedSlot[] {
  return shown.flatMap(({ slot }, index): PlacedSlot[] => {
    const places = pictures.filter((placed) => placed.index === index);
    const placed = places.find(({ blurred }) => !blurred) ?? places[0];
    if (!placed) return [];
    const key = slotKey(scene.template, slot);
    return [{ key, part: "picture", kind: "picture", place: placed.place, text: "", fitted: null, smallest: 0 }];
  });
}

/** What a picture part takes from its scene. */
interface InScene {
  readonly scene: SceneTemplate;
  readonly style: BrandStyle;
  /** Whether the template has pictures zoom slowly. */
  readonly zoom: boolean;
}

function picturePart(placed: PlacedPicture, shown: ShownMedia | undefined, inScene: InScene): ScenePart {
  const { place } = placed;
  const { scene, style } = inScene;
  if (!shown || shown.shots.length === 0) return { kind: "fixed", node: { kind: "fill", place, ink: style.blank } };
  const track = shotTrack(
    shown.shots.map((shot) => placedShot(placed, shot, { ...inScene, slot: shown.slot })),
    scene.length,
  );
  const [only, another] = track;
  const stands = placed.arrives === undefined && placed.wipes === undefined;
  if (only && !another && stands && !moves(only.what)) return { kind: "fixed", node: only.what.atRest };
  return {
    kind: "media",
    track,
    place,
    enters: placed.arrives === undefined ? null : placed.arrives * scene.length,
    wipes: placed.wipes ?? null,
  };
}

/** Whether a shot looks different from one moment to the next. */
const moves = ({ media, drift, atRest }: PlacedShot): boolean =>
  (media.kind === "clip" && atRest.kind === "picture") || drift !== "none";

/** A shot in its place. What is blurred, stands free or casts a shadow stands still. */
function placedShot(
  placed: PlacedPicture,
  { id, media, cut }: ResolvedShot,
  { scene, slot, style, zoom }: InScene & { readonly slot: MediaSlot },
): PlacedShot {
  const { place } = placed;
  const key = slotKey(scene, slot);
  const shot = { media, cut, use: id === "shot-1" ? key : `${key}/${id}`, drift: "none" } as const;
  if (placed.blurred)
    return { ...shot, atRest: { kind: "still", bounds: place, children: [coverNode(media, place, 1, BLUR)] } };
  if (placed.shadow && media.kind === "picture") return { ...shot, atRest: still(onGround(media, place), place) };
  // What stands free is shown whole, on the brand's ground.
  if (media.kind === "picture" && media.cutOut) {
    const margin = evenInsets(Math.min(place.width, place.height) * 0.06);
    const children: DisplayNode[] = [
      { kind: "fill", place, ink: style.palette.ground },
      containNode(media, inset(place, margin)),
    ];
    return { ...shot, atRest: { kind: "still", bounds: place, children } };
  }
  return { ...shot, drift: zoom ? placed.drift : "none", atRest: coverNode(media, place) };
}

/** A picture with its shadow. Shapes cast it, not pictures: those of pictures differ between platforms by a few steps. */
function onGround(media: PictureFacts, place: Rect): DisplayNode[] {
  const at = { x: 0, y: 0 };
  if (!media.cutOut)
    return [
      { kind: "shape", outline: rectangle(place), at, ink: "#000000", shadow: CARD_SHADOW },
      coverNode(media, place),
    ];
  // What stands free stands on a pool of shade.
  const node = containNode(media, place);
  const { x, y, width, height } = node.place;
  return [
    {
      kind: "shape",
      outline: ellipse(rect(x + width * 0.16, y + height * 0.93, width * 0.68, height * 0.055)),
      at,
      ink: "rgba(0, 0, 0, 0.18)",
      shadow: CARD_SHADOW,
    },
    node,
  ];
}
