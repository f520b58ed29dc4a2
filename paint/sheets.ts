import { type Size } from "../core/geometry/rect";
import { type Surface } from "./resources";

/** A place on a sheet: whole pixels. */
export interface SheetPlace<Thing> extends Size {
  readonly sheet: Sheet<Thing>;
  readonly x: number;
  readonly y: number;
}

export interface Sheet<Thing> {
  readonly surface: Surface;
  /** What lies on it. */
  readonly things: Set<Thing>;
  /** The row that is being filled: its top, its height, and how far it is filled. */
  row: { top: number; height: number; filled: number };
}

/** Surfaces that many rasterised things lie on, side by side. A few in turn: what lies on the oldest goes when all are full. */
export interface Sheets<Thing> {
  /** A free place for a thing. It must be no larger than a sheet. */
  place(thing: Thing, size: Size): SheetPlace<Thing>;
  /** Opens the next sheet ahead, if there may be another: whoever needs it then need not wait for it. */
  prepare(): void;
}

/**
 * A surface for each thing would be simpler; but in a worker each new one waits for the page before it can be painted on,
 * and their number would have no bound.
 *
 * @param open makes a sheet @param onDrop is told what has no place any more
 */
export function sheetsOf<Thing>(most: number, open: () => Surface, onDrop: (thing: Thing) => void): Sheets<Thing> {
  const sheets: Sheet<Thing>[] = [];
  let ahead: Surface | null = null;

  function nextSheet(): Sheet<Thing> {
    const oldest = sheets.length < most ? undefined : sheets.shift();
    const sheet: Sheet<Thing> = oldest ?? {
      surface: ahead ?? open(),
      things: new Set(),
      row: { top: 0, height: 0, filled: 0 },
    };
    if (oldest) {
      oldest.things.forEach(onDrop);
      oldest.things.clear();
      oldest.row = { top: 0, height: 0, filled: 0 };
      oldest.surface.context.clearRect(0, 0, oldest.surface.width, oldest.surface.height);
    } else ahead = null;
    sheets.push(sheet);
    return sheet;
  }

  return {
    place(thing, { width, height }) {
      let sheet = sheets.at(-1) ?? nextSheet();
      if (sheet.row.filled + width > sheet.surface.width)
        sheet.row = { top: sheet.row.top + sheet.row.height, height: 0, filled: 0 };
      if (sheet.row.top + height > sheet.surface.height) sheet = nextSheet();
      const { row } = sheet;
      const place = { sheet, x: row.filled, y: row.top, width, height };
      sheet.row = { top: row.top, height: Math.max(row.height, height), filled: row.filled + width };
      sheet.things.add(thing);
      return place;
    },
    prepare() {
      if (sheets.length >= most || ahead) return;
      ahead = open();
      // It is waited for when it is first painted on.
      ahead.context.clearRect(0, 0, 1, 1);
    },
  };
}
