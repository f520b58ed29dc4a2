import { type ResolvedPromotion } from "../../core/document/resolve";
import { itemKey } from "../../core/document/itemKey";
import { itemWords } from "../../core/document/itemText";
import { FIRST_LOOKS } from "../../core/document/items";
import { type PlacedKey } from "../../core/document/placedKey";
import { type TimeSpan } from "../../core/pace/timeEdits";
import { msOf } from "../../core/time/ticks";
import { Lane } from "./Lane";
import { TimeBar } from "./TimeBar";
import { inRows } from "./timeShare";

const ROW = 27;

/** What lies over scenes, as bars with their words in them. */
export function ItemLane({
  items,
  length,
  snaps,
  onLookAt,
  onTime,
}: {
  items: ResolvedPromotion["items"];
  /** Milliseconds. */
  length: number;
  snaps: readonly number[];
  onLookAt: (time: number) => void;
  onTime: (key: PlacedKey, time: TimeSpan) => void;
}) {
  const bars = items.map(({ from, to, what: { id, item } }) => ({
    key: itemKey(id),
    words: itemWords(item) || FIRST_LOOKS[item.kind].title,
    from: msOf(from),
    to: msOf(to),
  }));
  const rows = inRows(bars);
  return (
    <Lane title="Items" height={rows.length * ROW + 6}>
      {rows.flatMap((row, index) =>
        row.map((bar) => (
          <TimeBar
            key={bar.key}
            time={bar}
            length={length}
            snaps={snaps}
            top={index * ROW + 3}
            label={`Item “${bar.words}”, ${timeInWords(bar)}`}
            className="truncate bg-[#d8cfb9] px-1.5 text-[11.5px] leading-[24px] hover:bg-[#cbbf9f]"
            onChoose={() => onLookAt(bar.from + (bar.to - bar.from) / 2)}
            onTime={(time) => onTime(bar.key, time)}
          >
            {bar.words}
          </TimeBar>
        )),
      )}
    </Lane>
  );
}

const timeInWords = ({ from, to }: TimeSpan): string => `${(from / 1000).toFixed(2)} s to ${(to / 1000).toFixed(2)} s`;
