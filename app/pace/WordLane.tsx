import { seconds } from "../components/mediaLook";
import { clsx } from "clsx";
import { type ReadText } from "../../core/pace/readTexts";
import { readingVerdict } from "../../core/time/reading";
import { Lane } from "./Lane";
import { inRows, stretchStyle } from "./timeShare";

const ROW = 27;
const LOOKS = { fine: "bg-ready/25", tight: "bg-warn/35", short: "bg-wrong/40" };

/** Every text as the span in which it can be read, filled as far as it needs to be read in. */
export function WordLane({
  texts,
  length,
  onLookAt,
}: {
  texts: readonly ReadText[];
  length: number;
  onLookAt: (text: ReadText) => void;
}) {
  const rows = inRows(texts);
  return (
    <Lane title="Words" height={Math.max(1, rows.length) * ROW + 6}>
      {rows.flatMap((row, index) =>
        row.map((text) => {
          const stays = text.to - text.from;
          const said = `“${text.text}” needs ${seconds(text.need)} of ${seconds(stays)}`;
          return (
            <button
              key={text.key}
              type="button"
              title={said}
              aria-label={said}
              onClick={() => onLookAt(text)}
              className="absolute h-[24px] overflow-hidden border border-ink/25 bg-card text-left hover:border-ink"
              style={{ ...stretchStyle(text.from, text.to, length), top: index * ROW + 3 }}
            >
              <span
                aria-hidden
                className={clsx("absolute inset-y-0 left-0", LOOKS[readingVerdict(text.text, stays)])}
                style={{ width: `${Math.min(1, text.need / stays) * 100}%` }}
              />
              <span className="relative block truncate px-1.5 text-[12px] leading-[22px]">{text.text}</span>
            </button>
          );
        }),
      )}
    </Lane>
  );
}
