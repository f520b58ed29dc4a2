import { type FormatName } from "../../core/placement/formats";

/** How tall each format stands beside the others in a row of all three, so that none of them looks small. */
export const STANDING: Readonly<Record<FormatName, number>> = { square: 0.74, vertical: 1, widescreen: 0.6 };
