import { type Facts } from "../../core/document/facts";
import { same } from "../../core/document/patch";
import { type Size } from "../../core/geometry/rect";
import { type FormatName, formatOf } from "../../core/placement/formats";
import { pixelsPerUnit } from "../../core/placement/quality";
import { type DisplayList, clipsIn } from "../../core/scene/displayList";
import { type PreparedPromotion, displayListAt, settledTime } from "../../core/scene/preparePromotion";
import { ticksOf } from "../../core/time/ticks";
import { type Painter, createPainter } from "../../paint/painter";
import { type PictureCache, browserResources } from "./browserResources";
import { type ClipFrames } from "./clipFrames";
import { toFrameStart } from "./frameStart";
import { paintedBitmap } from "./paintedBitmap";

/** The wall of a promotion: the settled moment of every scene in every format, as pictures. */
export interface Wall {
  /** Sets how large a cell of each format is; none paints no wall. What is there already is painted anew. */
  resize(sizes: Readonly<Partial<Record<FormatName, Size>>>): void;
  /** Paints those of the first scene's cells that look different now, without a pause. A later call overtakes it. */
  paintFirst(prepared: readonly PreparedPromotion[]): Promise<void>;
  /** Paints the cells that look different now. A later call overtakes it. */
  paint(prepared: readonly PreparedPromotion[]): Promise<void>;
  close(): void;
}

interface WallParts {
  readonly pictures: PictureCache;
  readonly openClips: (factsOf: () => Facts | null) => ClipFrames;
  readonly factsOf: () => Facts | null;
  /** @param scene counted from 0 */
  readonly give: (format: FormatName, scene: number, bitmap: ImageBitmap) => void;
  /** Lets others have their turn. */
  readonly pause: () => Promise<void>;
}

interface Cell {
  readonly format: FormatName;
  readonly scene: number;
  readonly list: DisplayList;
  readonly size: Size;
}

export function openWall({ pictures, openClips, factsOf, give, pause }: WallParts): Wall {
  let sizes: Readonly<Partial<Record<FormatName, Size>>> = {};
  let turn = 0;
  const painted = new Map<string, DisplayList>();
  const painters = new Map<FormatName, { readonly size: Size; readonly painter: Painter }>();
  const clips = openClips(factsOf);
  const resources = browserResources(pictures, clips.image, factsOf);

  /** Scene by scene, in every format: what is looked at together comes together. */
  function cellsOf(prepared: readonly PreparedPromotion[]): Cell[] {
    const [first] = prepared;
    return (first?.spans ?? []).flatMap((span, scene) =>
      prepared.flatMap((one): Cell[] => {
        const size = sizes[one.format];
        const at = ticksOf(toFrameStart(settledTime(span), one.length));
        return size ? [{ format: one.format, scene, list: displayListAt(one, at), size }] : [];
      }),
    );
  }

  function painterFor({ format, size }: Cell): Painter {
    const known = painters.get(format);
    if (known?.size.width === size.width && known.size.height === size.height) return known.painter;
    const painter = createPainter(formatOf(format), size, resources);
    painters.set(format, { size, painter });
    return painter;
  }

  async function paintCell(cell: Cell): Promise<void> {
    const { format, scene, list, size } = cell;
    await Promise.all([resources.load(list, pixelsPerUnit(format, size)), clips.exact(clipsIn(list))]);
    const bitmap = paintedBitmap(painterFor(cell), size, list);
    painted.set(`${format}/${scene}`, list);
    give(format, scene, await bitmap);
  }

  /** @param goesOn is asked before each cell */
  async function paintCells(cells: readonly Cell[], goesOn: () => Promise<boolean>): Promise<void> {
    for (const cell of cells) {
      const before = painted.get(`${cell.format}/${cell.scene}`);
      // A picture that zooms is a node of its own in every list, and yet the same at the same moment.
      if (before && same(before, cell.list)) continue;
      if (!(await goesOn())) return;
      await paintCell(cell);
    }
  }

  return {
    resize(wanted) {
      sizes = wanted;
      painted.clear();
    },
    async paintFirst(prepared) {
      const mine = ++turn;
      const cells = cellsOf(prepared).filter(({ scene }) => scene === 0);
      await paintCells(cells, () => Promise.resolve(mine === turn));
    },
    async paint(prepared) {
      const mine = ++turn;
      const isMine = (): boolean => mine === turn;
      await paintCells(cellsOf(prepared), () => pause().then(isMine));
      // Nothing of a wall plays: its decoders are not kept.
      if (isMine()) clips.close();
    },
    close() {
      turn++;
      clips.close();
      painters.clear();
      painted.clear();
    },
  };
}
