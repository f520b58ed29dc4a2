import { megabytes } from "../components/mediaLook";
import { useEstimate } from "./useEstimate";

/** What a render would take, before it is asked for. */
export function EstimateLine({
  slug,
  fields,
  standing,
}: {
  slug: string;
  fields: Readonly<Record<string, string>>;
  /** Changes whenever something was rendered or changed. */
  standing: string;
}) {
  const isAny = (fields["formats"] ?? fields["placements"] ?? "") !== "";
  const estimate = useEstimate(slug, isAny ? new URLSearchParams(fields).toString() : null, standing);
  return (
    <p className="mt-3 min-h-10 text-sm text-soft" role="status" aria-label="What it takes">
      {estimate === null ? (isAny ? "…" : "") : inWords(estimate)}
    </p>
  );
}

function inWords({ frames, fresh, seconds, bytes }: NonNullable<ReturnType<typeof useEstimate>>): string {
  const size = `about ${megabytes(bytes)}`;
  if (frames === 0) return `${size}, in a moment.`;
  const much =
    fresh === 0 ? "Nothing has to be painted again" : `${Math.round((100 * fresh) / frames)} % has to be painted`;
  return `${much}: ${lengthInWords(seconds)}, ${size}.`;
}

const lengthInWords = (seconds: number): string =>
  seconds < 90 ? `about ${Math.max(5, Math.ceil(seconds / 5) * 5)} s` : `about ${Math.ceil(seconds / 60)} min`;
