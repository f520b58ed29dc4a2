import { type Align } from "../geometry/column";
import { type BrandFacts } from "../document/facts";
import { type Entry } from "../arrangement/layout";
import { type Rect, unionOf } from "../geometry/rect";
import { type Pieces, USUAL_MOVEMENT, pieceDelays } from "../motion/movement";
import { onceAsked } from "../onceAsked";
import { wordPieces } from "../type/pieces";
import { outlineBounds } from "../type/outline";
import { type ExitKind, STAGGER_MS, type MotionKind } from "../motion/wordMotion";
import { plainWords } from "../type/emphasis";
import { fitRule } from "../type/roles";
import { type ColumnBacking } from "./columnBackings";
import { logoSlot } from "./logoPart";
import { type DisplayNode, type StillNode } from "./displayList";
import { type MovingPiece, type PlacedSlot, type ScenePart } from "./prepared";
import { type SetColumn, columnLogo } from "./setColumns";
import { type SetEntry, entryNodes, inkOf } from "./setEntry";
import { type Typesetter, still } from "./wordsBlock";

/** One thing of a column where it stands, with the inks it is drawn in. */
interface StandingEntry {
  readonly set: SetEntry;
  readonly place: Rect;
  readonly column: SetColumn["column"];
  readonly backing: ColumnBacking;
}

/** What stands in a scene's columns, in the order in which it comes in. A logo that found no room is left out. */
export function standingEntries(
  setter: Typesetter,
  columns: readonly SetColumn[],
  backings: readonly ColumnBacking[],
): StandingEntry[] {
  const plain: ColumnBacking = { inks: setter.style.on.card, nodes: [] };
  return columns.flatMap(({ column, entries }, at) =>
    entries
      .filter(({ set, place }) => place.width > 0 || set.entry.look !== "logo")
      .map(({ set, place }) => ({ set, place, column, backing: backings[at] ?? plain })),
  );
}

/** @param scene its id */
export function wordSlot(
  setter: Typesetter,
  scene: string,
  { set, place, column, backing }: StandingEntry,
): PlacedSlot {
  const { entry, words } = set;
  if (entry.look === "logo") return logoSlot("logo", scene, place, set.inside.x);
  return {
    key: entry.key,
    part: partOf(entry),
    kind: "words",
    place,
    text: plainWords(entry.text),
    fitted: words,
    smallest: words ? smallestSize(setter, entry, column.align) : 0,
    ink: inkOf(setter, set, backing.inks),
    backing: backing.backing,
    ...(entry.times ? { times: entry.times } : {}),
  };
}

const smallestSize = ({ shape }: Typesetter, { role }: Entry, align: Align): number =>
  fitRule(role, shape, align).smallest;

/** What a thing is called among those of its slot: by how it is drawn where that says it, else by its role. */
function partOf({ id, look, role }: Entry): string {
  if (look === "stars" || look === "code" || look === "rule" || look === "mark") return look;
  return id.startsWith("number-") ? "number" : role;
}

/**
 * Gives each thing its movement: one comes in after the other.
 * @param from when the first may come in, in milliseconds from the scene's start
 * @param length of the scene, in milliseconds
 */
export function movingParts(
  setter: Typesetter,
  brand: BrandFacts,
  standing: readonly StandingEntry[],
  { from, length }: { readonly from: number; readonly length: number },
): ScenePart[] {
  return standing
    .filter(({ set }) => !set.words || set.words.lines.length > 0)
    .map(({ set, place, column, backing }, turn): ScenePart => {
      const { later, times } = set.entry;
      const { pause, ...movement } = setter.movement ?? USUAL_MOVEMENT;
      const drawn = { brand, logo: columnLogo(brand, column, setter.style), on: backing.inks };
      const motion = motionOf(setter, set, column.stays === true);
      const until = leavesAt(set.entry, length);
      return {
        kind: "moving",
        motion,
        enters: Math.max(times?.comes ?? 0, from + pause + (turn + 1) * STAGGER_MS + (later ?? 0) * length),
        ...(until === undefined ? {} : { until }),
        ...exitOf(movement.exit),
        ...(movement.moves === USUAL_MOVEMENT.moves ? {} : { moves: movement.moves }),
        ...(movement.strength === USUAL_MOVEMENT.strength ? {} : { strength: movement.strength }),
        ...(movement.ease === USUAL_MOVEMENT.ease ? {} : { ease: movement.ease }),
        ...(motion === "still" ? {} : piecesOf(setter, { set, place }, drawn, movement.pieces)),
        atRest: still(entryNodes(setter, set, place, drawn), place),
      };
    });
}

/** What of words comes in by itself, where they do not come in as one. What stands on a card comes in with it. */
function piecesOf(
  setter: Typesetter,
  { set, place }: Pick<StandingEntry, "set" | "place">,
  drawn: Parameters<typeof entryNodes>[3],
  by: Pieces,
): { readonly pieces?: readonly MovingPiece[] } {
  const { words, entry } = set;
  if (by === "as one" || !words || !LETTERED.includes(entry.look)) return {};
  const pieces = wordPieces(words, by);
  const delays = pieceDelays(by, pieces.length);
  return {
    // Seen while they come in: whoever types looks at them standing, and waits for none.
    pieces: pieces.map((piece, at) => {
      const atRest = onceAsked(() => tight(entryNodes(setter, { ...set, words: piece() }, place, drawn), place));
      return {
        after: delays[at] ?? 0,
        get atRest() {
          return atRest();
        },
      };
    }),
  };
}

/** Looks that are letters and nothing else. */
const LETTERED: readonly Entry["look"][] = ["plain", "strong", "accent"];

/** Nodes that hold still, in bounds no larger than what they paint. */
export function tight(nodes: readonly DisplayNode[], place: Rect): StillNode {
  const boxes = nodes.flatMap((node) => {
    const box = node.kind === "shape" ? outlineBounds(node.outline) : "place" in node ? node.place : null;
    if (!box) return [];
    return [node.kind === "shape" ? { ...box, x: box.x + node.at.x, y: box.y + node.at.y } : box];
  });
  return still(nodes, unionOf(boxes) ?? place);
}

/** When a thing has left, in milliseconds from its scene's start; undefined where it goes with its scene. */
function leavesAt({ until, times }: Entry, length: number): number | undefined {
  const ends = [
    ...(until === undefined ? [] : [until * length]),
    ...(times && times.goes > 0 ? [length - times.goes] : []),
  ];
  return ends.length > 0 ? Math.min(...ends) : undefined;
}

/** How a thing goes, where it does not go as it came. */
export const exitOf = (exit: ExitKind | undefined): { readonly exit?: ExitKind } =>
  exit === undefined || exit === "as it came" ? {} : { exit };

function motionOf({ design }: Typesetter, { entry: { look } }: SetEntry, stays: boolean): MotionKind {
  if (stays) return "still";
  return look === "badge" || look === "logo" ? "pop" : design.motion;
}
