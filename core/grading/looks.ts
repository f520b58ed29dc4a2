import { keysOf } from "../records";
import { parseHex } from "../color/srgb";
import { type Grade, gradeChange } from "./grade";
import { type Channels } from "./lookupTable";

/** A look of our own: a grade, and what dark and light tones lean to. */
interface Recipe {
  readonly grade: Grade;
  /** Two colours and how far tones go toward them. */
  readonly lean?: { readonly dark: string; readonly light: string; readonly by: number };
}

const RECIPES = {
  morning: { grade: { exposure: 0.25, contrast: -0.08, warmth: 0.15, saturation: -0.05, fade: 0.15 } },
  noon: { grade: { contrast: 0.18, saturation: 0.18, highlights: 0.1, warmth: 0.05 } },
  "late sun": {
    grade: { warmth: 0.55, contrast: 0.08, shadows: 0.15, saturation: 0.1 },
    lean: { dark: "#5b2c1a", light: "#ffd9a0", by: 0.12 },
  },
  overcast: { grade: { saturation: -0.32, contrast: -0.12, warmth: -0.25, shadows: 0.2 } },
  greenhouse: {
    grade: { tint: -0.3, saturation: 0.12, shadows: 0.2, contrast: 0.06 },
    lean: { dark: "#123a2a", light: "#f3f7dc", by: 0.14 },
  },
  terracotta: {
    grade: { saturation: -0.1, contrast: 0.1, warmth: 0.25 },
    lean: { dark: "#4a2018", light: "#f6d6bd", by: 0.24 },
  },
  slate: {
    grade: { saturation: -0.35, contrast: 0.18, warmth: -0.2 },
    lean: { dark: "#1a2a36", light: "#e8edf0", by: 0.22 },
  },
  linen: { grade: { exposure: 0.3, saturation: -0.25, contrast: -0.18, warmth: 0.12, fade: 0.35 } },
  harvest: {
    grade: { saturation: 0.22, warmth: 0.3, contrast: 0.14, highlights: -0.15 },
    lean: { dark: "#3a2a08", light: "#fff0c0", by: 0.1 },
  },
  dusk: {
    grade: { exposure: -0.35, warmth: -0.3, tint: 0.25, contrast: 0.1 },
    lean: { dark: "#1b1440", light: "#ffc9b8", by: 0.2 },
  },
  "old print": {
    grade: { saturation: -0.3, fade: 0.8, contrast: -0.05, warmth: 0.2 },
    lean: { dark: "#3c3350", light: "#fbe9c4", by: 0.16 },
  },
  ink: { grade: { saturation: -1, contrast: 0.22, shadows: 0.08 } },
} as const satisfies Record<string, Recipe>;

export type LookName = keyof typeof RECIPES;
export const LOOK_NAMES = keysOf(RECIPES);

const toChannels = (hex: string): Channels => {
  const { r, g, b } = parseHex(hex);
  return [r, g, b];
};
const between = (from: Channels, to: Channels, share: number): Channels => [
  from[0] + (to[0] - from[0]) * share,
  from[1] + (to[1] - from[1]) * share,
  from[2] + (to[2] - from[2]) * share,
];

/** The change that a look makes. @param strength 0 changes nothing, 1 is the whole look */
export function lookChange(name: LookName, strength: number): (color: Channels) => Channels {
  const recipe: Recipe = RECIPES[name];
  const graded = gradeChange(recipe.grade);
  const { lean } = recipe;
  const tones = lean && { dark: toChannels(lean.dark), light: toChannels(lean.light), by: lean.by };
  return (color) => {
    const now = graded(color);
    const [red, green, blue] = now;
    const tone = Math.min(1, Math.max(0, 0.299 * red + 0.587 * green + 0.114 * blue));
    const leaning = tones ? between(now, between(tones.dark, tones.light, tone), tones.by) : now;
    return between(color, leaning, strength);
  };
}
