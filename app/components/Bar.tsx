/** How far something has got, 0 to 1. */
export function Bar({ share, label }: { share: number; label: string }) {
  return (
    <div
      role="progressbar"
      aria-label={label}
      aria-valuemin={0}
      aria-valuemax={100}
      aria-valuenow={Math.round(share * 100)}
      className="h-1.5 flex-1 bg-rule"
    >
      <div className="h-full bg-ready transition-[width]" style={{ width: `${share * 100}%` }} />
    </div>
  );
}
