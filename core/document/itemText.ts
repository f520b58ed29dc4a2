import { plainWords } from "../type/emphasis";
import { COUNT, type Item } from "./items";

/** Digits stand in groups of three from this number on (ISO 80000-1, 7.3). */
const GROUPED_FROM = 10_000;
const GROUP = "\u00a0";

/** The words of a counter at a number: in the place meant for it, or before words that have none. */
export function countedText(text: string, count: number): string {
  const digits = String(count);
  const number = count < GROUPED_FROM ? digits : digits.replace(/\B(?=(\d{3})+$)/g, GROUP);
  return text.includes(COUNT) ? text.replace(COUNT, number) : `${number} ${text}`.trim();
}

/** What an item says, as it is written; null where it says nothing. Of a counter, where it ends. */
export function itemText(item: Item): string | null {
  if (item.kind === "words") return item.text;
  return item.kind === "counter" ? countedText(item.text, item.goal) : null;
}

/** The words of an item as they are read, without marks; empty where it says nothing. */
export const itemWords = (item: Item): string => plainWords(itemText(item) ?? "").trim();
