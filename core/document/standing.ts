import { type OfferState } from "../offer/validity";
import { type RightsState } from "./rights";

/** How it stands with an offer on a product on a day. */
export interface OfferStanding {
  readonly state: OfferState;
  /** Its first and its last day, in words. */
  readonly from: string;
  readonly until: string;
  /** How many days it still runs, today and its last one among them, in words: `3 days`. Empty when it is over. */
  readonly daysLeft: string;
  /** What is wrong with the price before that it claims, in words; null where nothing is. */
  readonly claim: string | null;
}

/** Whether what a promotion shows may be shown, on the day that its facts were looked up. */
export interface Standing {
  /** Of the right to use media items, by id. */
  readonly rights: Readonly<Record<string, RightsState>>;
  /** Null where no offer is chosen. */
  readonly offer: OfferStanding | null;
  /** That day in the team's zone, as `2026-12-24`; null where none is meant. */
  readonly today: string | null;
}

export const NO_STANDING: Standing = { rights: {}, offer: null, today: null };
