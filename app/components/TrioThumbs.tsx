import { FORMAT_NAMES, FORMATS } from "../../core/placement/formats";
import { STANDING } from "./standing";

/** A promotion's three formats side by side at true shape, as stills from the renderer. */
export function TrioThumbs({ slug, revision }: { slug: string; revision: number }) {
  return (
    <span className="flex items-end gap-3 bg-proof p-4">
      {FORMAT_NAMES.map((format) => {
        const { width, height } = FORMATS[format];
        return (
          <img
            key={format}
            src={`/promotions/${slug}/still/${format}?revision=${revision}`}
            alt={`${format} proof`}
            loading="lazy"
            className="block min-w-0 basis-0 bg-[#7b7d7a] object-cover shadow-md"
            style={{ aspectRatio: `${width} / ${height}`, flexGrow: (STANDING[format] * width) / height }}
          />
        );
      })}
    </span>
  );
}
