import { type FormatName, formatOf, formatTitle } from "../../core/placement/formats";
import { shareOfRow } from "./standing";

/** A promotion's formats side by side at true shape, as stills from the renderer. */
export function TrioThumbs({
  slug,
  revision,
  formats,
  stamp,
}: {
  slug: string;
  revision: number;
  formats: readonly FormatName[];
  /** Names how they look besides the revision, so that a browser asks for each look once. */
  stamp: string;
}) {
  return (
    <span className="flex grow items-end gap-3 bg-proof p-4">
      {formats.map((format) => {
        const shape = formatOf(format);
        return (
          <img
            key={format}
            src={`/promotions/${slug}/still/${format}?revision=${revision}&as=${stamp}`}
            alt={`${formatTitle(format)} proof`}
            loading="lazy"
            className="block min-w-0 basis-0 bg-[#7b7d7a] object-cover shadow-md"
            style={{ aspectRatio: `${shape.width} / ${shape.height}`, flexGrow: shareOfRow(shape) }}
          />
        );
      })}
    </span>
  );
}
