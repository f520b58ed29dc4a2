import { type ShownItem } from "../document/itemsShown";
import { type ItemKind } from "../document/items";
import { contrastRatio } from "../color/contrast";
import { wantedContrast } from "../color/legibility";
import { boundsOf, turning } from "../geometry/affine";
import { type Rect, centreOf, rect } from "../geometry/rect";
import { type MotionKind } from "../motion/wordMotion";
import { cutCard, ellipse, rectangle } from "../type/outline";
import { type DisplayNode } from "./displayList";
import { type PreparedScene, type ScenePart } from "./prepared";
import { STICKER_OUTLINES, burst } from "./stickers";
import { type Typesetter, roleFace, setWords, still, wordNodes } from "./wordsBlock";

/** Padding of a plate round its words, as a share of their size. */
const PLATE_PADDING = 0.45;
const FIVE_POINTS = 5;
const STAR_DEPTH = 0.42;
/** What shows of the way that a progress bar still has to go. */
const WAY_AHEAD = 0.25;

/** An item's drawing, upright, and the place it takes. */
interface Drawing {
  readonly place: Rect;
  readonly nodes: readonly DisplayNode[];
}

/**
 * Sets an item in a shape: a scene of its own that lies over the others, with times counted from its start.
 *
 * @param length how long it is shown, in milliseconds
 * @param leaves whether it goes before the promotion ends
 */
export function prepareItem(
  shown: ShownItem,
  setter: Typesetter,
  { length, leaves }: { readonly length: number; readonly leaves: boolean },
): PreparedScene {
  return { slots: [], parts: [itemPart(shown, setter)], length, leaves };
}

const MOTION_OF: Readonly<Record<ItemKind, MotionKind | "template's">> = {
  words: "template's",
  sticker: "pop",
  shape: "pop",
  line: "fade",
  progress: "still",
};

function itemPart(shown: ShownItem, setter: Typesetter): ScenePart {
  const { item, values } = shown;
  const ink = setter.style.palette[values.ink];
  if (item.kind === "progress") return { kind: "filling", place: barPlace(shown, setter), ink, ahead: WAY_AHEAD };
  const { place, nodes } = drawn(shown, setter);
  const turned: DisplayNode[] =
    values.angle === 0
      ? [...nodes]
      : [{ kind: "transformed", alpha: 1, map: turning(values.angle, centreOf(place)), children: nodes }];
  // Laid over as one, so that what lies under a word does not show through it.
  const children: DisplayNode[] =
    values.opacity < 1 ? [{ kind: "layer", alpha: values.opacity, children: turned }] : turned;
  const bounds = values.angle === 0 ? place : boundsOf(turning(values.angle, centreOf(place)), place);
  const motion = MOTION_OF[item.kind];
  return {
    kind: "moving",
    motion: motion === "template's" ? setter.design.motion : motion,
    enters: 0,
    atRest: still(children, bounds),
  };
}

function drawn(shown: ShownItem, setter: Typesetter): Drawing {
  const { item, values } = shown;
  const at = { x: 0, y: 0 };
  const ink = setter.style.palette[values.ink];
  const place = middlePlace(shown, setter, values.tall);
  switch (item.kind) {
    case "words":
      return wordsDrawing(shown, item, setter);
    case "sticker": {
      const square = middlePlace(shown, setter, 1);
      return { place: square, nodes: [{ kind: "shape", outline: STICKER_OUTLINES[item.sticker](square), at, ink }] };
    }
    case "shape":
      return { place, nodes: [{ kind: "shape", outline: SHAPE_OUTLINES[item.shape](place), at, ink }] };
    case "line":
    case "progress":
      return { place, nodes: [{ kind: "fill", place, ink }] };
  }
}

const SHAPE_OUTLINES = {
  rectangle,
  card: (place: Rect) => cutCard(place, Math.min(place.width, place.height) * 0.18),
  ellipse,
  star: (place: Rect) => burst(place, FIVE_POINTS, STAR_DEPTH),
} as const;

/** An item's place round its middle. @param tall its height as a share of its width */
function middlePlace({ values: { at, size } }: ShownItem, { shape }: Typesetter, tall: number): Rect {
  const width = size * Math.min(shape.width, shape.height);
  const height = width * tall;
  return rect(at.x * shape.width - width / 2, at.y * shape.height - height / 2, width, height);
}

/** Along the frame: as wide as its share of the frame's width, as high as its share of the short side. */
function barPlace({ values: { at, size, tall } }: ShownItem, { shape }: Typesetter): Rect {
  const [width, height] = [size * shape.width, tall * Math.min(shape.width, shape.height)];
  return rect(at.x * shape.width - width / 2, at.y * shape.height - height / 2, width, height);
}

function wordsDrawing(
  shown: ShownItem,
  { text, role }: Extract<ShownItem["item"], { kind: "words" }>,
  setter: Typesetter,
): Drawing {
  const { values } = shown;
  const room = middlePlace(shown, setter, values.tall);
  const words = setWords(setter, { role, text, align: "centre" }, room);
  const middle = centreOf(room);
  const block = rect(middle.x - words.width / 2, middle.y - words.height / 2, words.width, words.height);
  if (values.plate === "nothing")
    return { place: block, nodes: wordNodes(words, block, setter.style.palette[values.ink]) };
  const pad = words.size * PLATE_PADDING;
  // Capitals stand in the middle of the plate, as they do on cards.
  const plate = rect(
    block.x - pad,
    block.y + words.overCapitals - pad,
    words.width + 2 * pad,
    words.height - words.overCapitals - words.underBaseline + 2 * pad,
  );
  const ground = setter.style.palette[values.plate];
  const wanted = wantedContrast(words.size, setter.style.weights[roleFace(setter, role)]);
  const chosen = setter.style.palette[values.ink];
  // A colour that can't be read on its plate gives way to one that can.
  const ink = contrastRatio(chosen, ground) >= wanted ? chosen : setter.style.on[values.plate].plain;
  const card: DisplayNode = { kind: "shape", outline: cutCard(plate, pad), at: { x: 0, y: 0 }, ink: ground };
  return { place: plate, nodes: [card, ...wordNodes(words, block, ink)] };
}
