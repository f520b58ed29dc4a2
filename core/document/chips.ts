import { type Facts } from "./facts";

/** Something of the catalogue, the offer or the brand that stands in words and follows its source. */
export interface Chip {
  /** How it is written in words: between braces. */
  readonly name: string;
  /** What it stands for now; empty where there is nothing. */
  readonly of: (facts: Facts) => string | undefined;
  /** What would have to be there, where it stands for nothing. */
  readonly needs: string;
}

const NEEDS_OFFER = "an offer that changes the price";
export const CHIPS: readonly Chip[] = [
  { name: "product", of: ({ product }) => product?.name, needs: "a product" },
  { name: "price now", of: ({ offer, product }) => offer?.now ?? product?.price, needs: "a product" },
  { name: "price before", of: ({ offer }) => offer?.was, needs: NEEDS_OFFER },
  { name: "saving", of: ({ offer }) => offer?.saved, needs: NEEDS_OFFER },
  { name: "percent", of: ({ offer }) => offer?.percent, needs: NEEDS_OFFER },
  { name: "last day", of: ({ offer }) => offer?.lastDay, needs: "an offer" },
  { name: "days left", of: ({ standing }) => standing.offer?.daysLeft, needs: "an offer that is not over" },
  { name: "website", of: ({ brand }) => brand.website, needs: "a website in the brand book" },
  { name: "handle", of: ({ brand }) => brand.handle, needs: "a handle in the brand book" },
];

export const chipText = ({ name }: Chip): string => `{${name}}`;

const WRITTEN = new RegExp(`\\{(${CHIPS.map(({ name }) => name).join("|")})\\}`, "g");

/** Words as they are read: with what their chips stand for. Other braces stay as they are. */
export const withChips = (words: string, facts: Facts): string =>
  words.includes("{")
    ? words.replace(WRITTEN, (_, name: string) => CHIPS.find((chip) => chip.name === name)?.of(facts) ?? "")
    : words;

export const hasChips = (words: string): boolean => words.search(WRITTEN) >= 0;

/** The chips in some words that stand for nothing now. */
export const emptyChips = (words: string, facts: Facts): Chip[] =>
  CHIPS.filter((chip) => words.includes(chipText(chip)) && (chip.of(facts) ?? "") === "");
