import { FILE_KINDS } from "../../core/output/fileKinds";
import { type Output } from "../../core/output/output";
import { USUAL_RATE } from "../../core/output/rates";
import { renditionTitle } from "../../core/output/renditionTitle";
import { type FormatName } from "../../core/placement/formats";
import { type QueueItem } from "../../server/jobs/queuePage";

/** A piece of work as it is shown: what is made, and when that ended, are said in words. */
export interface QueuedItem extends Omit<QueueItem, "endedAt" | "of"> {
  /** Of a rendition: the promotion's slug, its format, what it is told from the others by, and how it is made. */
  readonly of: {
    readonly slug: string;
    readonly format: FormatName;
    readonly title: string;
    readonly how: string;
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
  of: of && {
    ...{ slug: of.slug, format: of.format },
    title: renditionTitle(of.format, of.output, placements),
    how: howMade(of.output),
  },
  ended: endedAt && when.format(endedAt),
});

/** How a file is made, as far as its title does not say and it is not as usual. */
const howMade = ({ kind, quality, rate }: Output): string =>
  [
    ...(kind === "sound" ? [] : [quality]),
    ...(FILE_KINDS[kind].takesLimit && rate !== USUAL_RATE ? [`${rate} fps`] : []),
  ].join(" · ");
