import { type FormatName } from "../../core/placement/formats";
import { type Finding } from "../../core/preflight/finding";

/** A cell of the wall. */
export interface CellAt {
  readonly format: FormatName;
  /** Counted from 0. */
  readonly scene: number;
}

/** What was found in a cell: in its scene, in its format or in every one. */
export const findingsIn = (findings: readonly Finding[], scene: string, format: FormatName): Finding[] =>
  findings.filter(({ where }) => where.scene === scene && (where.format === null || where.format === format));

const STEPS: ReadonlyMap<string, { readonly down: number; readonly across: number }> = new Map([
  ["ArrowUp", { down: -1, across: 0 }],
  ["ArrowDown", { down: 1, across: 0 }],
  ["ArrowLeft", { down: 0, across: -1 }],
  ["ArrowRight", { down: 0, across: 1 }],
]);

/** The cell that an arrow key leads to; null for other keys and at the edges. */
export function cellBeside(
  { format, scene }: CellAt,
  key: string,
  { formats, scenes }: { readonly formats: readonly FormatName[]; readonly scenes: number },
): CellAt | null {
  const row = formats.indexOf(format);
  const step = STEPS.get(key);
  if (!step) return null;
  const [wanted, column] = [formats[row + step.down], scene + step.across];
  return wanted !== undefined && column >= 0 && column < scenes ? { format: wanted, scene: column } : null;
}
