import { FORMAT_NAMES, FORMATS } from "../../core/placement/formats";

/** A promotion's three formats side by side at true shape, as stills from the renderer. */
export function TrioThumbs({ slug, revision, height = 132 }: { slug: string; revision: number; height?: number }) {
  return (
    <div className="flex items-end gap-2 bg-proof p-3">
      {FORMAT_NAMES.map((format) => {
        const { width, height: tall } = FORMATS[format];
        const shown = format === "vertical" ? height : format === "square" ? height * 0.74 : height * 0.6;
        return (
          <img
            key={format} src={`/promotions/${slug}/still/${format}?revision=${revision}`} alt={`${format} proof`} loading="lazy"
            className="block bg-[#7b7d7a] object-cover shadow-md" style={{ height: shown, width: (shown * width) / tall }}
          />
        );
      })}
    </div>
  );
}
