import { type WordReport } from "../../core/preflight/wordFindings";
import { formatTitle } from "../../core/placement/formats";
import { FormatMark } from "../components/FormatMark";

const READING = {
  fine: ["bg-ready", "text-ready", "reads well"],
  tight: ["bg-warn", "text-warn", "tight to read"],
  short: ["bg-wrong", "text-wrong", "too short to read"],
} as const;

/** Under a words field: the size in each format and whether it fits, and whether it can be read while it stays. */
export function WordsMeters({ report }: { report: WordReport | undefined }) {
  if (!report) return <div className="mt-1 h-5" />;
  const [bar, text, verdict] = READING[report.reading];
  const missing = report.fits[0]?.missing;
  return (
    <div className="mt-1 flex h-5 items-center gap-3 overflow-hidden text-[12px]" data-testid="meters">
      {report.fits.map(({ format, size, fits }) => (
        <span
          key={format}
          className={`flex items-center gap-1 figures ${fits ? "text-ready" : "font-bold text-wrong"}`}
          title={
            fits
              ? `${formatTitle(format)}: set at ${size}`
              : `${formatTitle(format)}: too long for this design, set at ${size}. Shorten the words.`
          }
        >
          <FormatMark format={format} size={9} /> {Math.round(size)}
          {!fits && " too long"}
          <span className="sr-only">
            {" "}
            in {formatTitle(format)}, {fits ? "fits" : "too long"}
          </span>
        </span>
      ))}
      <span aria-hidden className="h-[3px] max-w-28 min-w-8 flex-1 bg-rule">
        <span className={`block h-full ${bar}`} style={{ width: `${Math.min(1, report.load) * 100}%` }} />
      </span>
      <span className={`whitespace-nowrap ${text}`}>{missing ? `no typeface has “${missing}”` : verdict}</span>
    </div>
  );
}
