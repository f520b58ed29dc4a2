import { type FormatName, formatOf } from "../../core/placement/formats";

/** A format's shape at its true ratio: the sign for it everywhere, always beside its name. */
export function FormatMark({
  format,
  size = 13,
  className = "",
}: {
  format: FormatName;
  size?: number;
  className?: string;
}) {
  const { width, height } = formatOf(format);
  const scale = size / Math.sqrt(width * height);
  return (
    <span
      aria-hidden
      className={`inline-block shrink-0 border-[1.5px] border-current ${className}`}
      style={{ width: width * scale, height: height * scale }}
    />
  );
}
