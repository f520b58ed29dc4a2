import { type WordsColumn } from "../arrangement/layout";
import { type BrandFacts } from "../document/facts";
import { type PackItem, allotColumn, packColumn } from "../geometry/column";
import { type Rect, rect } from "../geometry/rect";
import { type BrandStyle } from "./brandStyle";
import { type ShownLogo, leastLogoHeight, shownLogo } from "./plateLogo";
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
  const room = logoRoom(brand, logo, entries.length > 1 ? fittingGap : Infinity);
  const boxes = allot(setter, column, fittingGap, room);
  const sets = entries.map((entry) => {
    const most = entry.group === undefined ? undefined : largest[entry.group];
    const box = boxes[entry.id] ?? area;
    const inside = entry.look === "logo" ? { ...box, height: room.inside(box.height) } : box;
    return setEntry(setter, entry, inside, { brand, logo, align, largest: most });
  });
  const clear = ({ entry, height }: SetEntry): number => (entry.look === "logo" ? room.clear(height) : 0);
  const items: PackItem<string>[] = sets
    .filter(({ width, height }) => width > 0 && height > 0)
    .map((set) => ({ key: set.entry.id, width: set.width, height: set.height + clear(set) }));
  const places = packColumn(area, items, fittingGap, anchor, align);
  return {
    column,
    entries: sets.map((set, index) => {
      const place = places[set.entry.id] ?? rect(area.x, area.y, 0, 0);
      // The room is between the logo and its neighbour: below it, or above where it is the last.
      const above = index > 0 ? clear(set) : 0;
      return { set, place: rect(place.x, place.y + above, place.width, place.height - clear(set)) };
    }),
  };
}

/** The room that the brand asks for between its logo and what stands beside it in a column. */
interface LogoRoom {
  /** What it takes beyond the gap, for a logo of a height. */
  readonly clear: (height: number) => number;
  /** How high a logo can be in a box, so that it and its room fill that. */
  readonly inside: (box: number) => number;
  /** The height of the box in which it is no narrower than the brand allows. */
  readonly least: number;
}

function logoRoom(brand: BrandFacts, logo: ShownLogo | null, gap: number): LogoRoom {
  // A plate has the clear space in it.
  const share = logo && !logo.plated ? brand.logoRules.clearSpace : 0;
  const clear = (height: number): number => Math.max(0, height * share - gap);
  const least = logo ? leastLogoHeight(brand, logo) : 0;
  return {
    clear,
    inside: (box) => Math.min(box, (box + gap) / (1 + share)),
    least: least + clear(least),
  };
}

/** The boxes of a column's entries. A logo that would be narrower than allowed has more, at the cost of the others. */
function allot(
  setter: Typesetter,
  { area, entries }: WordsColumn,
  gap: number,
  { least }: LogoRoom,
): Readonly<Record<string, Rect>> {
  const by = (more: number): Readonly<Record<string, Rect>> =>
    allotColumn(
      area,
      entries.map((entry) => ({
        key: entry.id,
        share: entry.share * (entry.look === "logo" ? more : 1),
        ...definedMost(
          entry.look === "logo" ? Math.max(least, mostHeight(entry, setter) ?? 0) : mostHeight(entry, setter),
        ),
      })),
      gap,
    );
  const boxes = by(1);
  const logo = entries.find(({ look }) => look === "logo");
  const height = (logo && boxes[logo.id]?.height) ?? Infinity;
  return height >= least ? boxes : by((least / height) * LOGO_MORE);
}

/** What the logo's share grows by, others lose: it must grow by more than what is missing. */
const LOGO_MORE = 1.25;

const definedMost = (most: number | undefined): { most?: number } => (most === undefined ? {} : { most });

export const columnLogo = (brand: BrandFacts, { entries, on }: WordsColumn, style: BrandStyle): ShownLogo | null =>
  entries.some(({ look }) => look === "logo")
    ? shownLogo(brand, on.kind === "ground" ? style.palette[on.role] : null)
    : null;
