import { type WordsColumn } from "../arrangement/layout";
import { type BrandFacts } from "../document/facts";
import { type PackItem, allotColumn, packColumn } from "../geometry/column";
import { type Rect, rect } from "../geometry/rect";
import { type BrandStyle } from "./brandStyle";
import { type ShownLogo, shownLogo } from "./plateLogo";
import { type SetEntry, mostHeight, setEntry } from "./setEntry";
import { type Typesetter } from "./wordsBlock";

/** A column with its words set and placed. */
export interface SetColumn {
  readonly column: WordsColumn;
  readonly entries: readonly { readonly set: SetEntry; readonly place: Rect }[];
}

/** The least size that any entry of a group is set in. */
type SizeByGroup = Readonly<Record<string, number>>;

/** Sets the words of a scene's columns and closes them up. Entries of one group end in one size, whatever their column. */
export function setColumns(setter: Typesetter, brand: BrandFacts, columns: readonly WordsColumn[]): SetColumn[] {
  const first = columns
    .filter((column) => column.entries.length > 0)
    .map((column) => setColumn(setter, brand, column, {}));
  const least = leastByGroup(first);
  return first.map((tried) =>
    tried.entries.some(({ set }) => isLarger(set, least)) ? setColumn(setter, brand, tried.column, least) : tried,
  );
}

function leastByGroup(columns: readonly SetColumn[]): SizeByGroup {
  const least: Record<string, number> = {};
  for (const { entries } of columns)
    for (const {
      set: { entry, words },
    } of entries)
      if (entry.group !== undefined && words && words.lines.length > 0)
        least[entry.group] = Math.min(words.size, least[entry.group] ?? Infinity);
  return least;
}

const isLarger = ({ entry, words }: SetEntry, least: SizeByGroup): boolean =>
  entry.group !== undefined && words !== null && words.size > (least[entry.group] ?? Infinity);

/** Sets the words of a column and closes it up. */
function setColumn(setter: Typesetter, brand: BrandFacts, column: WordsColumn, largest: SizeByGroup): SetColumn {
  const { area, entries, gap, anchor, align } = column;
  const logo = columnLogo(brand, column, setter.style);
  // A column with more in it than its gaps leave room for has smaller gaps rather than none of the words.
  const fittingGap = entries.length > 1 ? Math.min(gap, (area.height * 0.3) / (entries.length - 1)) : gap;
  const boxes = allotColumn(
    area,
    entries.map((entry) => ({ key: entry.id, share: entry.share, ...definedMost(mostHeight(entry, setter)) })),
    fittingGap,
  );
  const sets = entries.map((entry) => {
    const most = entry.group === undefined ? undefined : largest[entry.group];
    return setEntry(setter, entry, boxes[entry.id] ?? area, { brand, logo, align, largest: most });
  });
  const items: PackItem<string>[] = sets
    .filter(({ width, height }) => width > 0 && height > 0)
    .map(({ entry, width, height }) => ({ key: entry.id, width, height }));
  const places = packColumn(area, items, fittingGap, anchor, align);
  return { column, entries: sets.map((set) => ({ set, place: places[set.entry.id] ?? rect(area.x, area.y, 0, 0) })) };
}

const definedMost = (most: number | undefined): { most?: number } => (most === undefined ? {} : { most });

export const columnLogo = (brand: BrandFacts, { entries, on }: WordsColumn, style: BrandStyle): ShownLogo | null =>
  entries.some(({ look }) => look === "logo")
    ? shownLogo(brand, on.kind === "ground" ? style.palette[on.role] : null)
    : null;
