import { type FoundByWords, findByWords } from "../../core/text/findByWords";
import { type EffectName } from "./effects";
import { type MotifColors, type MotifName } from "./motifs";

export const SHELF_CATEGORIES = ["backgrounds", "textures", "clips", "tunes", "sound effects"] as const;
export type ShelfCategory = (typeof SHELF_CATEGORIES)[number];

/** How an item of the starter shelf is made. */
export type ShelfRecipe =
  | { readonly kind: "picture"; readonly motif: MotifName; readonly colors: MotifColors; readonly seed: number }
  | { readonly kind: "clip"; readonly motif: MotifName; readonly colors: MotifColors; readonly seed: number }
  | { readonly kind: "tune"; readonly tune: string; readonly seed: number }
  | { readonly kind: "effect"; readonly effect: EffectName; readonly seed: number };

export interface ShelfItem {
  readonly slug: string;
  readonly name: string;
  readonly category: ShelfCategory;
  /** What it is found by, besides its name. */
  readonly words: readonly string[];
  readonly recipe: ShelfRecipe;
}

const colors = (ground: string, deep: string, main: string, accent: string): MotifColors => ({
  ground,
  deep,
  main,
  accent,
});
const PALETTES = {
  meadow: colors("#f3f0d9", "#1f4a37", "#5b8f63", "#e0a52e"),
  clay: colors("#f6e9db", "#5a2a1a", "#c2714a", "#e3b36a"),
  harbour: colors("#eaf1f2", "#163548", "#4d8199", "#e0885a"),
  dusk: colors("#f4dfd6", "#3a2348", "#8a5a86", "#e58a6b"),
  oat: colors("#f3eee2", "#57493a", "#b79d7c", "#c96f4a"),
  frost: colors("#eef3f7", "#2b4460", "#8fb0cc", "#c9d9a8"),
  berry: colors("#f9e7ea", "#57142f", "#b3395f", "#f0a35a"),
  night: colors("#d8dcec", "#131a38", "#3b4a86", "#f2c25b"),
  moss: colors("#e8ebdc", "#26341f", "#7c8f52", "#c4682f"),
  citrus: colors("#fdf6dc", "#4d4a12", "#d3b52e", "#e5703a"),
} as const;

const picture = (
  category: "backgrounds" | "textures",
  name: string,
  motif: MotifName,
  palette: keyof typeof PALETTES,
  seed: number,
  words: readonly string[],
): ShelfItem => ({
  slug: slugged(name),
  name,
  category,
  words: [motif, palette, ...words],
  recipe: { kind: "picture", motif, colors: PALETTES[palette], seed },
});
const clip = (
  name: string,
  motif: MotifName,
  palette: keyof typeof PALETTES,
  seed: number,
  words: readonly string[],
): ShelfItem => ({
  slug: slugged(name),
  name,
  category: "clips",
  words: [motif, palette, "loop", "moving", ...words],
  recipe: { kind: "clip", motif, colors: PALETTES[palette], seed },
});
const tune = (name: string, of: string, seed: number, words: readonly string[]): ShelfItem => ({
  slug: slugged(name),
  name,
  category: "tunes",
  words: ["music", ...words],
  recipe: { kind: "tune", tune: of, seed },
});
const effect = (name: string, of: EffectName, seed: number, words: readonly string[]): ShelfItem => ({
  slug: slugged(name),
  name,
  category: "sound effects",
  words: [of, ...words],
  recipe: { kind: "effect", effect: of, seed },
});
const slugged = (name: string): string => name.toLowerCase().replaceAll(" ", "-");

/** What ships with the application to start from: all made by its own code, free to use. */
export const SHELF: readonly ShelfItem[] = [
  picture("backgrounds", "Meadow glow", "glow", "meadow", 11, ["soft", "green", "spring"]),
  picture("backgrounds", "Dusk glow", "glow", "dusk", 12, ["soft", "purple", "evening"]),
  picture("backgrounds", "Harbour waves", "waves", "harbour", 13, ["sea", "blue", "summer"]),
  picture("backgrounds", "Clay waves", "waves", "clay", 14, ["warm", "terracotta"]),
  picture("backgrounds", "Garden frame", "foliage", "meadow", 15, ["leaves", "plants", "spring"]),
  picture("backgrounds", "Autumn frame", "foliage", "moss", 16, ["leaves", "harvest"]),
  picture("backgrounds", "Evening lights", "lights", "night", 17, ["festive", "party", "winter"]),
  picture("backgrounds", "Candle lights", "lights", "clay", 18, ["warm", "festive"]),
  picture("backgrounds", "Paper scraps", "scraps", "berry", 19, ["party", "sale", "celebration"]),
  picture("backgrounds", "Sun rays", "rays", "citrus", 20, ["sale", "summer", "bold"]),
  picture("backgrounds", "Far hills", "hills", "harbour", 21, ["landscape", "calm"]),
  picture("backgrounds", "Evening hills", "hills", "dusk", 22, ["landscape", "sunset"]),
  picture("backgrounds", "Blossom", "petals", "berry", 23, ["flowers", "spring", "pink"]),
  picture("backgrounds", "Quarter turns", "lattice", "oat", 24, ["tiles", "geometric", "bold"]),
  picture("textures", "Oat linen", "weave", "oat", 31, ["cloth", "fabric", "calm"]),
  picture("textures", "Frost linen", "weave", "frost", 32, ["cloth", "fabric", "winter"]),
  picture("textures", "Scrubbed boards", "boards", "oat", 33, ["wood", "table"]),
  picture("textures", "Dark boards", "boards", "clay", 34, ["wood", "table", "warm"]),
  picture("textures", "Lime plaster", "plaster", "oat", 35, ["wall", "calm"]),
  picture("textures", "Moss plaster", "plaster", "moss", 36, ["wall", "green"]),
  picture("textures", "Terrazzo", "terrazzo", "harbour", 37, ["stone", "floor"]),
  picture("textures", "Awning stripes", "stripes", "berry", 38, ["market", "shop", "bold"]),
  clip("Drifting lights", "lights", "night", 41, ["festive", "evening"]),
  clip("Slow glow", "glow", "dusk", 42, ["soft", "calm"]),
  clip("Green glow", "glow", "meadow", 43, ["soft", "spring"]),
  clip("Rolling waves", "waves", "harbour", 44, ["sea", "summer"]),
  clip("Leaves in the breeze", "foliage", "meadow", 45, ["plants", "garden"]),
  clip("Falling paper", "scraps", "citrus", 46, ["party", "sale", "celebration"]),
  clip("Turning rays", "rays", "clay", 47, ["sale", "bold"]),
  clip("Clouds over hills", "hills", "frost", 48, ["landscape", "winter"]),
  tune("Potting bench", "potting-bench.wav", 51, ["lively", "acoustic", "picked strings", "104 beats"]),
  tune("Morning watering", "morning-watering.wav", 52, ["calm", "acoustic", "picked strings", "84 beats"]),
  tune("Market square", "market-square.wav", 53, ["bright", "quick", "picked strings", "118 beats"]),
  tune("Slow oven", "slow-oven.wav", 54, ["warm", "slow", "picked strings", "72 beats"]),
  tune("First frost", "first-frost.wav", 55, ["quiet", "winter", "picked strings", "66 beats"]),
  tune("Saturday table", "saturday-table.wav", 56, ["easy", "food", "keys", "drums", "92 beats"]),
  tune("Street lights", "street-lights.wav", 57, ["driving", "evening", "electronic", "strings", "122 beats"]),
  tune("Big opening", "big-opening.wav", 58, ["bold", "sale", "brass", "drums", "126 beats"]),
  tune("Paper boats", "paper-boats.wav", 59, ["playful", "children", "waltz", "bells", "132 beats"]),
  tune("Late counter", "late-counter.wav", 60, ["evening", "swing", "keys", "bass", "100 beats"]),
  tune("Wide field", "wide-field.wav", 71, ["hopeful", "wide", "strings", "80 beats"]),
  tune("Winter fair", "winter-fair.wav", 72, ["festive", "winter", "bells", "112 beats"]),
  effect("Tick", "tick", 61, ["click", "short"]),
  effect("Pop", "pop", 62, ["badge", "price"]),
  effect("Whoosh", "whoosh", 63, ["change", "swipe"]),
  effect("Chime", "chime", 64, ["bell", "good news"]),
  effect("Page turn", "page", 65, ["paper"]),
  effect("Water drop", "drop", 66, ["garden"]),
  effect("Rise", "rise", 67, ["before"]),
  effect("Soft thud", "thud", 68, ["landing", "low"]),
  effect("Shimmer", "shimmer", 69, ["festive", "sparkle"]),
  effect("Knock", "knock", 70, ["wood", "door"]),
  effect("Coin", "coin", 73, ["price", "money", "badge"]),
  effect("Shop bell", "shopBell", 74, ["door", "welcome"]),
  effect("Shutter", "shutter", 75, ["camera", "picture"]),
  effect("Applause", "applause", 76, ["clapping", "celebration"]),
  effect("Bubbles", "bubbles", 77, ["water", "playful"]),
  effect("Fall", "fall", 78, ["down", "end"]),
  effect("Gong", "gong", 79, ["metal", "low", "opening"]),
  effect("Typing", "typing", 80, ["keys", "words"]),
  effect("Countdown", "countdown", 81, ["three", "counter", "last days"]),
  effect("Tear", "tear", 82, ["paper", "price cut"]),
];

export const shelfItem = (slug: string): ShelfItem | null => SHELF.find((item) => item.slug === slug) ?? null;

/** Items that answer words and a category; where none does, words that are near. */
export const searchShelf = (words: string, category: string): FoundByWords<ShelfItem> =>
  findByWords(
    SHELF.filter((item) => category === "" || item.category === category),
    (item) => [item.name, item.category, ...item.words],
    words,
  );
