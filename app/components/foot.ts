/** What a route says of its page, for what stands above its foot. */
export interface PageHandle {
  /** How high what always stands at the foot of the page is, in pixels. */
  readonly foot: number;
}

/** The strip of time at the foot of a desk. */
export const DESK_FOOT: PageHandle = { foot: 58 };

/** The foot of the page that is shown. @param handles of the routes that make it up, the innermost last */
export function footOf(handles: readonly unknown[]): number {
  const last = handles.at(-1);
  return typeof last === "object" && last !== null && "foot" in last && typeof last.foot === "number" ? last.foot : 0;
}
