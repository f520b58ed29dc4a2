import { FILE_KINDS } from "../../core/output/fileKinds";
import { type RenderWish } from "../../core/output/renderWish";
import { USUAL_RATE } from "../../core/output/rates";
import { type FormatName } from "../../core/placement/formats";
import { DRAFT } from "../../core/placement/quality";

/** What is chosen on the Send desk, as fields of a form. */
export interface RenderChoice extends Omit<RenderWish, "mostBytes" | "loudness" | "captions"> {
  /** In MB, as it is typed. */
  readonly most: string;
  /** In LUFS; "" for as it is. */
  readonly loudness: string;
  /** A language; "" for none. */
  readonly captions: string;
}

export const FIRST_CHOICE = (formats: readonly FormatName[]): RenderChoice => ({
  ...{ by: "formats", formats, placements: [], quality: "1080p", kind: "mp4", rate: USUAL_RATE },
  ...{ most: "", loudness: "", captions: "" },
});

/** A choice as it is sent: what does not belong to what is chosen is left out. */
export function fieldsOf(choice: RenderChoice): Record<string, string> {
  const { by, formats, placements, quality, kind, rate, most, loudness, captions } = choice;
  if (by === "placements")
    return { by, placements: placements.join(), quality: quality === DRAFT ? DRAFT : "1080p", captions };
  const { takesLimit, hasSound, isMoving } = FILE_KINDS[kind];
  return {
    ...{ by, formats: formats.join(), quality, kind },
    ...(isMoving ? { rate } : {}),
    ...(takesLimit ? { most, captions } : {}),
    ...(hasSound ? { loudness } : {}),
  };
}

/** What the button that renders says. */
export function renderInWords({ by, formats, placements }: RenderChoice): string {
  const [count, what] = by === "formats" ? [formats.length, "format"] : [placements.length, "placement"];
  return `Render ${count} ${what}${count === 1 ? "" : "s"}`;
}
