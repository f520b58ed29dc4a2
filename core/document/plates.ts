/** What words of one's own can stand on. */
export const PLATES = ["card", "round", "badge", "ribbon", "price tag"] as const;
export type Plate = (typeof PLATES)[number];
