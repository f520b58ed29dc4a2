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

function picturePart(placed: PlacedPicture, shown: ShownMedia | undefined, { scene, style, zoom }: InScene): ScenePart {
  const { place } = placed;
  if (!shown?.media) return { kind: "fixed", node: { kind: "fill", place, ink: style.blank } };
  const { slot, media } = shown;
  if (placed.blurred)
    return { kind: "fixed", node: { kind: "still", bounds: place, children: [coverNode(media, place, 1, BLUR)] } };
  if (placed.shadow && media.kind === "picture") return { kind: "fixed", node: still(onGround(media, place), place) };
  // What stands free is shown whole, on the brand's ground.
  if (media.kind === "picture" && media.cutOut)
    return {
      kind: "fixed",
      node: {
        kind: "still",
        bounds: place,
        children: [
          { kind: "fill", place, ink: style.palette.ground },
          { ...containNode(media, inset(place, evenInsets(Math.min(place.width, place.height) * 0.06))) },
        ],
      },
    };
  const drift = zoom ? placed.drift : "none";
  return {
    kind: "media",
    media,
    use: slotKey(scene, slot),
    place,
    drift,
    enters: placed.arrives === undefined ? null : placed.arrives * scene.length,
    wipes: placed.wipes ?? null,
    atRest: coverNode(media, place),
  };
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
