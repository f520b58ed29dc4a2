import { clsx } from "clsx";
import { captionNeed } from "../../core/document/captionEdits";
import { type Caption } from "../../core/document/captionsPart";
import { type TimeSpan } from "../../core/pace/timeEdits";
import { plainWords } from "../../core/type/emphasis";
import { Lane } from "./Lane";
import { TimeBar } from "./TimeBar";
import { inRows } from "./timeShare";

const ROW = 27;

/** Captions as bars with their words in them. */
export function CaptionLane({
  captions,
  length,
  snaps,
  chosen,
  onChoose,
  onTime,
}: {
  captions: readonly (Caption & { readonly id: string })[];
  /** Milliseconds. */
  length: number;
  snaps: readonly number[];
  chosen: string | null;
  onChoose: (id: string) => void;
  onTime: (id: string, time: TimeSpan) => void;
}) {
  const rows = inRows(captions);
  return (
    <Lane title="Captions" height={Math.max(1, rows.length) * ROW + 6}>
      {rows.flatMap((row, index) =>
        row.map((caption) => {
          const words = plainWords(caption.text);
          const isShort = captionNeed(caption) > caption.to - caption.from;
          return (
            <TimeBar
              key={caption.id}
              time={caption}
              length={length}
              snaps={snaps}
              top={index * ROW + 3}
              label={`Caption “${words}”`}
              pressed={caption.id === chosen}
              className={clsx(
                "truncate border-x-4 px-1 text-[11.5px] leading-[24px]",
                caption.id === chosen
                  ? "border-accent bg-ink text-card"
                  : "border-ink/50 bg-[#d5dcd6] hover:bg-[#c5d0c8]",
                isShort && caption.id !== chosen && "text-wrong",
              )}
              onChoose={() => onChoose(caption.id)}
              onTime={(time) => onTime(caption.id, time)}
            >
              {words.replaceAll("\n", " / ")}
            </TimeBar>
          );
        }),
      )}
    </Lane>
  );
}
