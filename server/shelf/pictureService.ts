import { type Palette } from "../../core/color/palette";
import { MOTIF_NAMES, type MotifName } from "./motifs";
import { type ShelfRecipe } from "./shelfItems";

/**
 * A stand-in for a service that makes pictures from words: it understands a few hundred everyday words, chooses four
 * different motifs that go with them, and draws them in the brand's colours. The same words and colours give the same four.
 */
export type Backdrop = Extract<ShelfRecipe, { kind: "picture" }>;

const UNDERSTOOD: readonly (readonly [MotifName, string])[] = [
  ["foliage", "leaf leaves plant garden green spring fern herb forest jungle nature fresh grow nursery pot tree"],
  ["petals", "flower flowers blossom petal rose spring mother bouquet wedding bloom summer bee"],
  ["waves", "sea water wave waves river beach swim fish boat harbour blue summer lake pool clean wash"],
  [
    "lights",
    "night evening light lights party festive christmas winter star stars candle bokeh glow city dinner dance",
  ],
  ["scraps", "confetti party celebrate celebration birthday sale win fun carnival year festive anniversary opening"],
  ["rays", "sun sunny sale bold burst big summer energy price bright now new hot"],
  ["hills", "hill hills mountain landscape country travel walk calm morning autumn field farm sunset view"],
  ["glow", "soft calm quiet gentle warm gradient dream spa rest relax cream cosy beauty"],
  ["boards", "wood table bread bakery workshop craft tool rustic board kitchen oven loaf handmade coffee"],
  ["weave", "cloth linen fabric textile sewing knit cotton home natural oat flour"],
  ["plaster", "wall stone clay studio plain concrete pottery lime paper simple"],
  ["terrazzo", "floor tile stone cafe modern ice cream chips sprinkle playful"],
  ["lattice", "geometric pattern tiles retro modern bold shape game school"],
  ["stripes", "market awning stripe shop stall ice beach fair picnic"],
];

const MOST_LETTERS = 120;

/** A number that stands for a text (FNV-1a, 32 bits). */
function numberOf(text: string): number {
  let hash = 0x811c9dc5;
  for (const letter of text) hash = Math.imul(hash ^ (letter.codePointAt(0) ?? 0), 0x01000193);
  return hash >>> 0;
}

/** Words as the service takes them: trimmed, lower case, of a length it reads. */
export const readWords = (typed: string): string =>
  Array.from(typed.trim().toLowerCase().replace(/\s+/g, " ")).slice(0, MOST_LETTERS).join("");

/** Four different backdrops for words, in a brand's colours. `round` asks for other ones of the same words. */
export function backdropsFor(typed: string, palette: Palette, round = 0): readonly Backdrop[] {
  const words = readWords(typed).split(" ").filter(Boolean);
  const score = (motif: MotifName): number => {
    const known = UNDERSTOOD.find(([name]) => name === motif)?.[1].split(" ") ?? [];
    return words.filter((word) =>
      known.some(
        (one) =>
          one === word || (word.length > 3 && (one.startsWith(word) || (word.startsWith(one) && one.length > 3))),
      ),
    ).length;
  };
  const text = `${words.join(" ")}|${Object.values(palette).join()}|${round}`;
  const order = [...MOTIF_NAMES].sort((a, b) => score(b) - score(a) || numberOf(text + a) - numberOf(text + b));
  const lit = { ground: palette.ground, deep: palette.ink, main: palette.primary, accent: palette.accent };
  const turned = { ground: palette.card, deep: palette.primary, main: palette.accent, accent: palette.sale };
  return order.slice(0, 4).map((motif, at) => ({
    kind: "picture",
    motif,
    colors: at % 2 === 0 ? lit : turned,
    seed: numberOf(`${text}#${at}`),
  }));
}

const MOST_ROUNDS = 1000;

/** One of the four; null when the words are empty or there is no such one. */
export function backdropRecipe(typed: string, palette: Palette, round: number, which: number): Backdrop | null {
  if (readWords(typed) === "" || !Number.isInteger(round) || round < 0 || round > MOST_ROUNDS) return null;
  return backdropsFor(typed, palette, round)[which] ?? null;
}
