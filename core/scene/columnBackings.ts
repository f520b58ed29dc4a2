import { type WordsColumn } from "../arrangement/layout";
import { wantedContrast } from "../color/legibility";
import { type Anchor } from "../geometry/column";
import { union } from "../geometry/rect";
import { safeArea } from "../placement/formats";
import { type GroundInks } from "./brandStyle";
import { type DisplayNode } from "./displayList";
import { legibleColumn } from "./legibleColumn";
import { type ChosenBacking } from "./prepared";
import { type SceneLayout } from "./sceneLayout";
import { type SetColumn } from "./setColumns";
import { type Typesetter, roleFace } from "./wordsBlock";

/** The inks of a column's words, and what is painted between them and the picture they stand on. */
export interface ColumnBacking {
  readonly inks: GroundInks;
  readonly nodes: readonly DisplayNode[];
  /** Absent where the words stand on a plain ground. */
  readonly backing?: ChosenBacking;
}

/**
 * Makes the words of each column legible. Columns that share a picture get one ink and one band, or the shade for one
 * would darken the ground of another; the first of them carries the band.
 */
export function columnBackings(
  setter: Typesetter,
  columns: readonly SetColumn[],
  layout: SceneLayout,
): ColumnBacking[] {
  return columns.map(({ column }) => {
    const sharing = columns.filter(({ column: beside }) => beside === column || sharesBand(column, beside));
    const backing = backingOf(setter, column, sharing, layout);
    return sharing[0]?.column === column ? backing : { ...backing, nodes: [] };
  });
}

const sharesBand = ({ on: a }: WordsColumn, { on: b }: WordsColumn): boolean =>
  a.kind === "picture" && b.kind === "picture" && a.picture === b.picture && a.shaded === "band" && b.shaded === "band";

/** @param sharing the columns that the backing is for, this one among them */
function backingOf(
  setter: Typesetter,
  { on, anchor }: WordsColumn,
  sharing: readonly SetColumn[],
  layout: SceneLayout,
): ColumnBacking {
  const { style } = setter;
  if (on.kind === "ground") return { inks: style.on[on.role], nodes: [] };
  const picture = layout.pictures[on.picture];
  const bare = sharing
    .flatMap(({ entries }) => entries)
    .filter(
      ({ set, place }) =>
        place.width > 0 && set.words !== null && set.entry.look !== "badge" && set.entry.look !== "plate",
    );
  if (!picture || bare.length === 0) return { inks: style.on.ink, nodes: [] };
  const { shade, blur } = setter.behindWords ?? {};
  return legibleColumn(style, {
    on: shade === undefined ? on : { ...on, leastShade: shade },
    isShadeChosen: shade !== undefined,
    blur,
    placed: picture,
    shown: layout.shown[picture.index] ?? null,
    ground: layout.ground,
    words: bare.map(({ place }) => place).reduce(union),
    anchor: sharedAnchor(sharing, anchor),
    wanted: Math.max(
      ...bare.map(({ set }) => wantedContrast(set.words?.size ?? 0, style.weights[roleFace(setter, set.entry.role)])),
    ),
    room: safeArea(setter.shape),
  });
}

/** A band that serves columns at both ends of a picture belongs to neither. */
const sharedAnchor = (sharing: readonly SetColumn[], anchor: Anchor): Anchor =>
  sharing.every(({ column }) => column.anchor === anchor) ? anchor : "middle";
