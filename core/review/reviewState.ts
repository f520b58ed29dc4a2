/** How the review of a promotion stands, and what people read of it. */
export const REVIEW_STATES = {
  none: "Nobody was asked",
  asked: "Waits for approval",
  changes: "Changes are asked for",
  approved: "Approved",
  lapsed: "Approved, but changed since",
} as const;
export type ReviewState = keyof typeof REVIEW_STATES;

export const DECISIONS = ["approved", "changes"] as const;
export type Decision = (typeof DECISIONS)[number];

/** What decides all that is seen of a promotion, by format, and all that is heard of it. */
export interface Shown {
  readonly pictures: Readonly<Record<string, string>>;
  readonly heard: string;
}

/** What of a promotion is not as it was approved; null where all is, and the approval holds. */
export function lapsedBy(approved: Shown, now: Shown): "formats" | "pictures" | "sound" | null {
  const formats = ({ pictures }: Shown): string => Object.keys(pictures).toSorted().join();
  if (formats(approved) !== formats(now)) return "formats";
  const changed = Object.entries(now.pictures).some(([format, painted]) => approved.pictures[format] !== painted);
  if (changed) return "pictures";
  return approved.heard === now.heard ? null : "sound";
}
