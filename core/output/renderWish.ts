import { type FormatName } from "../placement/formats";
import { type Placement, outputFor } from "../placement/placements";
import { DRAFT, type Quality } from "../placement/quality";
import { type FileKindName } from "./fileKinds";
import { type Output } from "./output";
import { type RateName } from "./rates";

/** What somebody chose to have rendered: formats alike, or placements as each asks. */
export interface RenderWish {
  readonly by: "formats" | "placements";
  readonly formats: readonly FormatName[];
  readonly placements: readonly string[];
  /** Of formats; of placements, drafts alone say something. */
  readonly quality: Quality;
  readonly kind: FileKindName;
  readonly rate: RateName;
  readonly mostBytes: number | null;
  readonly loudness: number | null;
  readonly captions: string | null;
}

/** A file that is to be made. */
export interface WantedFile {
  readonly format: FormatName;
  readonly output: Output;
}

/** The files that a wish is of: a file for each format, or for each placement, in its shape and as it takes them. */
export function wantedFiles(wish: RenderWish, placements: readonly Placement[]): WantedFile[] {
  const { quality, kind, rate, mostBytes, loudness, captions } = wish;
  if (wish.by === "formats")
    return wish.formats.map((format) => ({
      format,
      output: { quality, kind, rate, mostBytes, loudness, captions, placement: null },
    }));
  return placements
    .filter(({ id }) => wish.placements.includes(id))
    .map((placement) => ({
      format: placement.format,
      output: { ...outputFor(placement, quality === DRAFT ? DRAFT : null), captions },
    }));
}
