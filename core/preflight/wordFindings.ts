import { type SlotKey } from "../document/template";
import { type FormatName } from "../placement/formats";
import { type PreparedPromotion } from "../scene/preparePromotion";
import { type ReadingVerdict, readingNeed, readingVerdict } from "../time/reading";

/** How a slot's words stand in one format. */
export interface WordFit {
  readonly format: FormatName;
  readonly size: number;
  readonly smallest: number;
  readonly fits: boolean;
  readonly missing: string;
}

/** What the copy deck says about a slot's words. */
export interface WordReport {
  readonly fits: readonly WordFit[];
  readonly reading: ReadingVerdict;
  /** Share of the time on screen that reading takes; above 1 is too short. */
  readonly load: number;
}

/** The report of every words slot, from the formats prepared. The parts of an offer are read as one text. */
export function wordReports(formats: readonly PreparedPromotion[]): Map<SlotKey, WordReport> {
  const reports = new Map<SlotKey, WordReport>();
  const first = formats[0];
  first?.scenes.forEach((scene, index) => {
    const span = first.spans[index];
    const next = first.spans[index + 1];
    const stays = span ? (next?.start ?? span.end) - span.start : 0;
    for (const { key, kind, part } of scene.slots) {
      if (kind !== "words" || reports.has(key)) continue;
      const text = scene.slots
        .filter((slot) => slot.key === key)
        .map((slot) => slot.text)
        .join(" ");
      const fits = formats.flatMap((format): WordFit[] => {
        const slot = format.scenes[index]?.slots.find((other) => other.key === key && other.part === part);
        return slot?.fitted
          ? [
              {
                format: format.format,
                size: slot.fitted.size,
                smallest: slot.smallest,
                fits: slot.fitted.fits,
                missing: slot.fitted.missing,
              },
            ]
          : [];
      });

      reports.set(key, { fits, reading: readingVerdict(text, stays), load: stays > 0 ? readingNeed(text) / stays : 0 });
    }
  });
  return reports;
}
