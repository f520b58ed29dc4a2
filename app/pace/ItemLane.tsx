import { type ResolvedPromotion } from "../../core/document/resolve";
import { itemWords } from "../../core/document/itemText";
import { FIRST_LOOKS } from "../../core/document/items";
import { msOf } from "../../core/time/ticks";
import { Lane } from "./Lane";
import { inRows, stretchStyle } from "./timeShare";

const ROW = 27;

/** What lies over scenes, as bars with their words in them. */
export function ItemLane({
  items,
  length,
  onLookAt,
}: {
  items: ResolvedPromotion["items"];
  length: number;
  onLookAt: (time: number) => void;
}) {
  const bars = items.map(({ from, to, what: { id, item } }) => ({
    id,
    words: itemWords(item) || FIRST_LOOKS[item.kind].title,
    from: msOf(from),
    to: msOf(to),
  }));
  const rows = inRows(bars);
  return (
    <Lane title="Items" height={rows.length * ROW + 6}>
      {rows.flatMap((row, index) =>
        row.map(({ id, words, from, to }) => (
          <button
            key={id}
            type="button"
            onClick={() => onLookAt(from + (to - from) / 2)}
            className="absolute h-[24px] truncate bg-[#d8cfb9] px-1.5 text-left text-[11.5px] leading-[24px] hover:bg-[#cbbf9f]"
            style={{ ...stretchStyle(from, to, length), top: index * ROW + 3 }}
          >
            {words}
          </button>
        )),
      )}
    </Lane>
  );
}
