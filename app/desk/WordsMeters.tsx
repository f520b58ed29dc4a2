import { type Edit } from "../../core/document/edit";
import { formatTitle } from "../../core/placement/formats";
import { type Finding } from "../../core/preflight/finding";
import { type WordMeasures } from "../../core/preflight/wordMeasures";
import { FormatMark } from "../components/FormatMark";

const LOOKS = {
  fine: { bar: "bg-ready", text: "text-ready" },
  warning: { bar: "bg-warn", text: "text-warn" },
  wrong: { bar: "bg-wrong", text: "text-wrong" },
  advice: { bar: "bg-ready", text: "text-soft" },
} as const;

/** Under a words field: the size in each format and whether it fits, and what was found about reading it, with a cure. */
export function WordsMeters({
  measures,
  findings,
  onEdit,
}: {
  measures: WordMeasures | undefined;
  findings: readonly Finding[];
  onEdit: (edit: Edit) => void;
}) {
  if (!measures) return <div className="mt-1 h-5" />;
  const fitsEverywhere = measures.sizes.every(({ fits }) => fits);
  // What is too long is said beside the sizes.
  const told = findings.filter(({ rule }) => rule !== "words-fit");
  const [first] = told;
  const reading = told.find(({ rule }) => rule === "reading-time");
  const cure = first?.cures[0];
  const mend = (): void => {
    if (cure) onEdit(cure);
  };
  return (
    <div className="mt-1 flex h-5 items-center gap-3 overflow-hidden text-[12px]" data-testid="meters">
      {measures.sizes.map(({ format, size, fits }) => (
        <span
          key={format}
          className={`flex items-center gap-1 figures whitespace-nowrap ${fits ? "text-ready" : "font-bold text-wrong"}`}
          title={
            fits
              ? `${formatTitle(format)}: set at ${size}`
              : `${formatTitle(format)}: too long for this design, set at ${size}. Shorten the words.`
          }
        >
          <FormatMark format={format} size={9} /> {Math.round(size)}
          <span className="sr-only">
            {" "}
            in {formatTitle(format)}, {fits ? "fits" : "too long"}
          </span>
        </span>
      ))}
      {fitsEverywhere ? (
        <span aria-hidden className="h-[3px] max-w-28 min-w-8 flex-1 bg-rule">
          <span
            className={`block h-full ${LOOKS[reading?.severity ?? "fine"].bar}`}
            style={{ width: `${Math.min(1, measures.load) * 100}%` }}
          />
        </span>
      ) : (
        <span aria-hidden className="font-bold whitespace-nowrap text-wrong">
          too long
        </span>
      )}
      <span className={`truncate whitespace-nowrap ${LOOKS[first?.severity ?? "fine"].text}`} title={first?.words}>
        {first?.words ?? "reads well"}
      </span>
      {cure && (
        <button type="button" onClick={mend} className="whitespace-nowrap underline hover:text-accent">
          make it longer
        </button>
      )}
    </div>
  );
}
