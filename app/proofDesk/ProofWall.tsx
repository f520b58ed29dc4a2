import { clsx } from "clsx";
import { type KeyboardEvent, useEffect, useMemo, useRef } from "react";
import { CircleAlert, TriangleAlert } from "lucide-react";
import { type DesignedScene } from "../../core/document/design";
import { type FormatName, formatOf, formatTitle } from "../../core/placement/formats";
import { type Placement, furnitureIn } from "../../core/placement/placements";
import { type Finding } from "../../core/preflight/finding";
import { type ProofSheet } from "../../core/scene/proofSheet";
import { FormatMark } from "../components/FormatMark";
import { useSize } from "../components/useSize";
import { type ProofEngine } from "../proof/proofEngine";
import { type CellAt, cellBeside, findingsIn } from "./cells";
import { Overlay, type OverlayName } from "./Overlay";
import { useCell } from "./useCell";

/** Beside the rows, over the columns, and between cells, in pixels. */
const ROW_HEAD = 92;
const COLUMN_HEAD = 26;
const GAP = { across: 12, down: 14 } as const;
const LEAST_COLUMN = 84;
const MOST_COLUMN = 260;

interface WallProps {
  readonly engine: ProofEngine | null;
  readonly scenes: readonly DesignedScene[];
  readonly formats: readonly FormatName[];
  readonly sheets: readonly ProofSheet[];
  readonly findings: readonly Finding[];
  readonly chosen: CellAt;
  readonly overlays: ReadonlySet<OverlayName>;
  readonly placements: readonly Placement[];
  /** Whether cells in which nothing was found step back. */
  readonly onlyFound: boolean;
  readonly onChoose: (cell: CellAt) => void;
  readonly onOpen: () => void;
}

/** The wall: rows are formats, columns scenes, each cell the frame at the scene's settled moment. */
export function ProofWall(props: WallProps) {
  const { engine, scenes, formats, chosen, onChoose, onOpen } = props;
  const { ref, width, height } = useSize();
  const isMeasured = width > 0;
  const column = columnWidth(formats, scenes.length, { width, height });
  useWallSizes(isMeasured ? engine : null, formats, column);
  const grid = useRef<HTMLDivElement>(null);

  function walk(event: KeyboardEvent): void {
    const next = cellBeside(chosen, event.key, { formats, scenes: scenes.length });
    if (event.key === "Enter") onOpen();
    else if (!next) return;
    else {
      onChoose(next);
      grid.current?.querySelector<HTMLElement>(`[data-cell="${next.format}/${next.scene}"]`)?.focus();
    }
    // The arrows walk over the wall here; elsewhere they step through time.
    event.preventDefault();
    event.stopPropagation();
  }

  return (
    <div ref={ref} className="min-h-0 flex-1 overflow-auto">
      <div
        ref={grid}
        role="grid"
        aria-label="Proofs of every scene in every format"
        onKeyDown={walk}
        className="grid w-max items-start pb-1"
        style={{
          gridTemplateColumns: `${ROW_HEAD - GAP.across}px repeat(${scenes.length}, ${column}px)`,
          columnGap: GAP.across,
          rowGap: GAP.down,
        }}
      >
        <div role="row" className="contents">
          <span role="columnheader" className="sr-only">
            Format
          </span>
          {scenes.map((scene, index) => (
            <div
              key={scene.id}
              role="columnheader"
              className="-mb-2 truncate text-[13px] leading-[26px] text-[#12181a]"
              style={{ gridColumnStart: index + 2, height: COLUMN_HEAD }}
            >
              <span className="mr-1.5 font-heading text-[15px] font-extrabold">{index + 1}</span>
              {scene.name}
            </div>
          ))}
        </div>
        {isMeasured && formats.map((format) => <WallRow key={format} {...props} format={format} column={column} />)}
      </div>
    </div>
  );
}

function WallRow({ format, column, ...props }: WallProps & { format: FormatName; column: number }) {
  const { engine, scenes, sheets, findings, chosen, overlays, placements, onlyFound, onChoose, onOpen } = props;
  const { width, height, ratio } = formatOf(format);
  const title = formatTitle(format);
  const sheet = sheets.find((one) => one.format === format);
  const furniture = furnitureIn(placements, format);
  return (
    <div role="row" className="contents">
      <div role="rowheader" className="pt-0.5 text-[13px] leading-tight text-[#12181a]">
        <FormatMark format={format} size={13} />
        <span className="mt-1 block">{title}</span>
        {title !== ratio && <span className="figures">{ratio}</span>}
      </div>
      {scenes.map((scene, index) => {
        const found = findingsIn(findings, scene.id, format);
        const isChosen = chosen.format === format && chosen.scene === index;
        const words = found.length === 0 ? "nothing found" : `${found.length} found`;
        return (
          <div key={scene.id} role="gridcell" aria-selected={isChosen} className="relative">
            <button
              type="button"
              data-cell={`${format}/${index}`}
              tabIndex={isChosen ? 0 : -1}
              aria-label={`Scene ${index + 1}, ${scene.name}, ${title}: ${words}`}
              onClick={() => onChoose({ format, scene: index })}
              onDoubleClick={onOpen}
              className={clsx(
                "relative block w-full bg-[#7b7d7a] shadow-md",
                isChosen && "outline-3 outline-offset-2 outline-accent",
                onlyFound && found.length === 0 && "opacity-25",
              )}
              style={{ aspectRatio: `${width} / ${height}` }}
            >
              <CellPicture engine={engine} format={format} scene={index} />
              <Overlay {...{ format, furniture }} shown={overlays} slots={sheet?.scenes[index]?.slots ?? []} />
            </button>
            {found.length > 0 && <FoundMark found={found} small={column < 110} />}
          </div>
        );
      })}
    </div>
  );
}

/** How much was found in a cell, by the worst of it. */
function FoundMark({ found, small }: { found: readonly Finding[]; small: boolean }) {
  const isWrong = found.some(({ severity }) => severity === "wrong");
  const isAdvice = found.every(({ severity }) => severity === "advice");
  const Icon = isWrong ? CircleAlert : TriangleAlert;
  return (
    <span
      aria-hidden
      className={clsx(
        "pointer-events-none absolute -top-1.5 -right-1.5 flex items-center gap-1 px-1.5 py-0.5",
        "figures text-[12px] font-bold text-white shadow",
        isWrong ? "bg-wrong" : isAdvice ? "bg-soft" : "bg-warn",
      )}
    >
      {!small && <Icon size={12} />}
      {found.length}
    </span>
  );
}

function CellPicture({ engine, format, scene }: { engine: ProofEngine | null } & CellAt) {
  const canvas = useCell(engine, { format, scene });
  return <canvas ref={canvas} className="block h-full w-full" />;
}

/** As wide as lets all rows, and all columns, be seen; never narrower than can be judged. */
function columnWidth(
  formats: readonly FormatName[],
  scenes: number,
  { width, height }: { readonly width: number; readonly height: number },
): number {
  const tall = formats.map(formatOf).reduce((sum, shape) => sum + shape.height / shape.width, 0);
  const byHeight = (height - COLUMN_HEAD - formats.length * GAP.down - 8) / Math.max(0.1, tall);
  const byWidth = (width - ROW_HEAD - 14) / Math.max(1, scenes) - GAP.across;
  return Math.floor(Math.min(MOST_COLUMN, Math.max(LEAST_COLUMN, Math.min(byHeight, byWidth))));
}

/** Tells the engine how large cells are. */
function useWallSizes(engine: ProofEngine | null, formats: readonly FormatName[], column: number): void {
  const sizes = useMemo(
    () =>
      Object.fromEntries(
        formats.map((format) => {
          const { width, height } = formatOf(format);
          const across = Math.round(column * (typeof devicePixelRatio === "number" ? devicePixelRatio : 1));
          return [format, { width: across, height: Math.round((across * height) / width) }];
        }),
      ),
    [formats, column],
  );
  useEffect(() => engine?.wall(sizes), [engine, sizes]);
}
