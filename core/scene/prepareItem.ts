import { writtenAs } from "../type/writtenAs";
import { type ShownItem } from "../document/itemsShown";
import { FIRST_LOOKS, type Item, type ItemRole } from "../document/items";
import { countedText } from "../document/itemText";
import { countSteps } from "../motion/counting";
import { contrastRatio } from "../color/contrast";
import { wantedContrast } from "../color/legibility";
import { boundsOf, turning } from "../geometry/affine";
import { type Rect, centreOf, rect } from "../geometry/rect";
import { cutCard, ellipse, rectangle } from "../type/outline";
import { wordPieces } from "../type/pieces";
import { pieceDelays } from "../motion/movement";
import { exitOf, tight } from "./wordParts";
import { ENTRANCE_MS, EXIT_MS, type MotionKind } from "../motion/wordMotion";
import { type FittedWords } from "../type/fit";
import { type DisplayNode, type StillNode } from "./displayList";
import { soundWave } from "./soundWave";
import { type MovingPiece, type PreparedItem, type ScenePart } from "./prepared";
import { plateRound } from "./plates";
import { burst, stickerOutline } from "./stickers";
import { type Typesetter, type WordInks, roleFace, setWords, still, wordNodes } from "./wordsBlock";

/** Padding of a plate round its words, as a share of their size. */
const PLATE_PADDING = 0.45;
const FIVE_POINTS = 5;
const STAR_DEPTH = 0.42;
/** So long, at least, a counter stands at its goal before it goes. */
const GOAL_STANDS_MS = 500;
/** What shows of the way that a progress bar still has to go, and of what is still to be heard. */
const AHEAD = { progress: 0.25, wave: 0.45 } as const;

/** An item's drawing, upright, and the place it takes. */
interface Drawing {
  readonly place: Rect;
  readonly nodes: readonly DisplayNode[];
  /** What of it comes in by itself, one after the other; not there where it comes as one. */
  readonly pieces?: readonly (readonly DisplayNode[])[];
}

/** When an item is shown, in milliseconds, and what is heard. */
export interface WhenShown {
  readonly from: number;
  readonly length: number;
  /** Whether it goes before the promotion ends. */
  readonly leaves: boolean;
  /** How loud the promotion is, see `heardLevels`. Asked only by what shows it. */
  readonly heard: () => readonly number[];
}

/**
 * Sets an item in a shape: a scene of its own that lies over the others, with times counted from its start.
 */
export function prepareItem(shown: ShownItem, setter: Typesetter, when: WhenShown): PreparedItem {
  const { length, leaves } = when;
  const { part, place } = itemPart(shown, setter, when);
  return { id: shown.id, slots: [], parts: [part], length, leaves, place };
}

function itemPart(
  shown: ShownItem,
  setter: Typesetter,
  when: WhenShown,
): { readonly part: ScenePart; readonly place: Rect } {
  const { item, values } = shown;
  const { length } = when;
  const ink = setter.style.palette[values.ink];
  if (item.kind === "progress" || item.kind === "wave") {
    const place = barPlace(shown, setter);
    const look = { ink, ahead: AHEAD[item.kind], ...(values.opacity < 1 ? { opacity: values.opacity } : {}) };
    const part: ScenePart =
      item.kind === "progress" ? { kind: "filling", place, ...look } : soundWave(place, look, when.heard(), when);
    return { part, place };
  }
  const motion = entranceOf(shown, setter);
  const moving = { kind: "moving", motion, enters: 0, moves: values.moves, ...exitOf(values.departs) } as const;
  if (item.kind !== "counter") {
    const { place, nodes, pieces = [] } = drawn(shown, item, setter);
    const atRest = laid(shown, place, nodes);
    return { part: { ...moving, ...(motion === "still" ? {} : inPieces(shown, place, pieces)), atRest }, place };
  }
  // It counts once it is there, and has done before it goes.
  const begins = motion === "still" ? 0 : ENTRANCE_MS;
  const most = Math.max(0, length - begins - EXIT_MS - GOAL_STANDS_MS);
  const steps = countSteps(item.start, item.goal, Math.min(values.counts, most));
  const texts = steps.map(({ count }) => countedText(item.text, count));
  const { place, each } = lettering(shown, { role: item.role, texts, tabular: true }, setter);
  const [first = still([], place), ...later] = each.map((nodes) => laid(shown, place, nodes));
  return {
    part: {
      ...moving,
      atRest: first,
      later: later.map((atRest, step) => ({ from: begins + (steps[step + 1]?.from ?? 0), atRest })),
    },
    place,
  };
}

/** A drawing turned and half seen as it was asked for. */
function laid({ values }: ShownItem, place: Rect, nodes: readonly DisplayNode[]): StillNode {
  const turned: DisplayNode[] =
    values.angle === 0
      ? [...nodes]
      : [{ kind: "transformed", alpha: 1, map: turning(values.angle, centreOf(place)), children: nodes }];
  // Laid over as one, so that what lies under a word does not show through it.
  const children: DisplayNode[] =
    values.opacity < 1 ? [{ kind: "layer", alpha: values.opacity, children: turned }] : turned;
  const bounds = values.angle === 0 ? place : boundsOf(turning(values.angle, centreOf(place)), place);
  return still(children, bounds);
}

/** Pieces of an item's words as they come in, one after the other. */
function inPieces(
  shown: ShownItem,
  place: Rect,
  pieces: readonly (readonly DisplayNode[])[],
): { readonly pieces?: readonly MovingPiece[] } {
  const by = shown.values.lettersCome;
  if (by === "as one" || pieces.length === 0) return {};
  const delays = pieceDelays(by, pieces.length);
  // Upright, each turns and grows round its own middle.
  const isPlain = shown.values.angle === 0 && shown.values.opacity === 1;
  return {
    pieces: pieces.map((nodes, at) => ({
      after: delays[at] ?? 0,
      atRest: isPlain ? tight(nodes, place) : laid(shown, place, nodes),
    })),
  };
}

/** How an item comes in: as it was told, else as its kind does. */
function entranceOf({ item, values }: ShownItem, { design }: Typesetter): MotionKind {
  if (values.comes !== "as usual") return values.comes;
  const { comes } = FIRST_LOOKS[item.kind];
  return comes === "as words do" ? design.motion : comes;
}

/** Items that look the same all the time. */
type StillItem = Exclude<Item, { kind: "counter" | "progress" | "wave" }>;

function drawn(shown: ShownItem, item: StillItem, setter: Typesetter): Drawing {
  const { values } = shown;
  const at = { x: 0, y: 0 };
  const ink = setter.style.palette[values.ink];
  const place = middlePlace(shown, setter, values.tall);
  switch (item.kind) {
    case "words": {
      const { place, each, pieces } = lettering(shown, { role: item.role, texts: [item.text], tabular: false }, setter);
      return { place, nodes: each[0] ?? [], pieces };
    }
    case "sticker": {
      const square = middlePlace(shown, setter, 1);
      return { place: square, nodes: [{ kind: "shape", outline: stickerOutline(item.sticker, square), at, ink }] };
    }
    case "shape":
      return { place, nodes: [{ kind: "shape", outline: SHAPE_OUTLINES[item.shape](place), at, ink }] };
    case "frame":
      return { place, nodes: borders(place, item.thickness * shortSide(setter)).map((side) => fillOf(side, ink)) };
    case "line":
      return { place, nodes: [fillOf(place, ink)] };
  }
}

const fillOf = (place: Rect, ink: string): DisplayNode => ({ kind: "fill", place, ink });
const shortSide = ({ shape }: Typesetter): number => Math.min(shape.width, shape.height);

/** The four sides of a frame: they meet and do not lie over each other, as what is half seen must not. */
function borders({ x, y, width, height }: Rect, wanted: number): Rect[] {
  const thick = Math.min(wanted, width / 2, height / 2);
  const inner = height - 2 * thick;
  return [
    rect(x, y, width, thick),
    rect(x, y + height - thick, width, thick),
    ...(inner > 0 ? [rect(x, y + thick, thick, inner), rect(x + width - thick, y + thick, thick, inner)] : []),
  ];
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

/** Words to letter, which take turns in one place. */
interface Lettering {
  readonly role: ItemRole;
  readonly texts: readonly string[];
  /** Whether all figures are equally wide, so that nothing trembles while they change. */
  readonly tabular: boolean;
}

/** Sets texts in one size, that of the longest, each in the middle of one place, on one plate if they stand on any. */
function lettering(
  shown: ShownItem,
  { role, texts, tabular }: Lettering,
  setter: Typesetter,
): Required<Pick<Drawing, "place" | "pieces">> & { readonly each: readonly (readonly DisplayNode[])[] } {
  const { values } = shown;
  const { palette } = setter.style;
  const room = middlePlace(shown, setter, values.tall);
  const written = texts.map((text) => writtenAs(text, { capitals: values.capital, numbered: values.numbering }));
  const set = (text: string, largest?: number): FittedWords =>
    setWords(setter, { role, text, align: "centre", largest, tabular }, room);
  const longest = written.reduce((long, text) => (text.length > long.length ? text : long), "");
  const words = set(longest);
  const middle = centreOf(room);
  const block = rect(middle.x - words.width / 2, middle.y - words.height / 2, words.width, words.height);
  const nodesOf = (inks: WordInks): DisplayNode[][] =>
    written.map((text) => {
      const own = text === longest ? words : set(text, words.size);
      return wordNodes(own, { x: middle.x - own.width / 2, y: middle.y - own.height / 2 }, inks);
    });
  const piecesOf = (inks: WordInks): DisplayNode[][] =>
    values.lettersCome === "as one"
      ? []
      : wordPieces(words, values.lettersCome).map((piece) => wordNodes(piece(), { x: block.x, y: block.y }, inks));
  if (values.plate === "nothing") {
    const inks = { ink: palette[values.ink], marked: palette[values.emphasisInk] };
    return { place: block, each: nodesOf(inks), pieces: piecesOf(inks) };
  }
  const pad = words.size * PLATE_PADDING;
  // Capitals stand in the middle of the plate, as they do on cards.
  const plate = rect(
    block.x - pad,
    block.y + words.overCapitals - pad,
    words.width + 2 * pad,
    words.height - words.overCapitals - words.underBaseline + 2 * pad,
  );
  const { place, outline } = plateRound(values.plateShape, plate, pad);
  const ground = palette[values.plate];
  const wanted = wantedContrast(words.size, setter.style.weights[roleFace(setter, role)]);
  // A colour that can't be read on its plate gives way to one that can.
  const readable = (color: string, other: string): string => (contrastRatio(color, ground) >= wanted ? color : other);
  const ink = readable(palette[values.ink], setter.style.on[values.plate].plain);
  const marked = readable(palette[values.emphasisInk], ink);
  const card: DisplayNode = { kind: "shape", outline, at: { x: 0, y: 0 }, ink: ground };
  // The plate comes with the first piece.
  const [first = [], ...others] = piecesOf({ ink, marked });
  return {
    place,
    each: nodesOf({ ink, marked }).map((nodes) => [card, ...nodes]),
    pieces: first.length > 0 ? [[card, ...first], ...others] : [],
  };
}
