import { seconds } from "../components/mediaLook";
import { clsx } from "clsx";
import { type PlacedKey } from "../../core/document/placedKey";
import { type ReadText } from "../../core/pace/readTexts";
import { type TimeSpan } from "../../core/pace/timeEdits";
import { readingVerdict } from "../../core/time/reading";
import { Lane } from "./Lane";
import { TimeBar } from "./TimeBar";
import { inRows } from "./timeShare";

const ROW = 27;
const LOOKS = { fine: "bg-ready/25", tight: "bg-warn/35", short: "bg-wrong/40" };

/** Every text as the span in which it can be read, filled as far as it needs to be read in. */
export function WordLane({
  texts,
  length,
  snaps,
  chosen,
  onChoose,
  onTime,
}: {
  texts: readonly ReadText[];
  /** Milliseconds. */
  length: number;
  snaps: readonly number[];
  chosen: PlacedKey | null;
  onChoose: (text: ReadText) => void;
  onTime: (key: PlacedKey, time: TimeSpan) => void;
}) {
  const rows = inRows(texts);
  return (
    <Lane title="Words" height={Math.max(1, rows.length) * ROW + 6}>
      {rows.flatMap((row, index) =>
        row.map((text) => {
          const stays = text.to - text.from;
          return (
            <TimeBar
              key={text.key}
              time={text}
              length={length}
              snaps={snaps}
              top={index * ROW + 3}
              label={`“${text.text}” needs ${seconds(text.need)} of ${seconds(stays)}`}
              pressed={text.key === chosen}
              className={clsx(
                "border bg-card hover:border-ink",
                text.key === chosen ? "border-ink outline-2 outline-accent" : "border-ink/25",
              )}
              onChoose={() => onChoose(text)}
              onTime={(time) => onTime(text.key, time)}
            >
              <span
                aria-hidden
                className={clsx("absolute inset-y-0 left-0", LOOKS[readingVerdict(text.text, stays)])}
                style={{ width: `${Math.min(1, text.need / stays) * 100}%` }}
              />
              <span className="relative block truncate px-1.5 text-[12px] leading-[22px]">{text.text}</span>
            </TimeBar>
          );
        }),
      )}
    </Lane>
  );
}
