import { renditionTitle, unusualRate } from "../../core/output/renditionTitle";
import { type FormatName } from "../../core/placement/formats";
import { type QueueItem } from "../../server/jobs/queuePage";

/** A piece of work as it is shown: what is made, and when that ended, are said in words. */
export interface QueuedItem extends Omit<QueueItem, "endedAt" | "of"> {
  /** Of a rendition: the promotion's slug, its format, what it is told from the others by, and that with how it is made. */
  readonly of: {
    readonly slug: string;
    readonly format: FormatName;
    readonly title: string;
    readonly about: string;
  } | null;
  readonly ended: string | null;
}

/** @param when writes a moment @param placements the titles of placements, by id */
export const queuedItem = (
  { endedAt, of, ...item }: QueueItem,
  when: Intl.DateTimeFormat,
  placements: Readonly<Record<string, string>>,
): QueuedItem => ({
  ...item,
  of: of && { slug: of.slug, format: of.format, ...inWords(of, placements) },
  ended: endedAt && when.format(endedAt),
});

function inWords({ format, output }: NonNullable<QueueItem["of"]>, placements: Readonly<Record<string, string>>) {
  const title = renditionTitle(format, output, placements);
  const quality = output.kind === "sound" ? [] : [output.quality];
  return { title, about: [title, ...quality, ...unusualRate(output)].join(" · ") };
}
