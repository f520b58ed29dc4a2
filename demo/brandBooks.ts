import { type BrandBook, newBrandBook } from "../core/brand/book";
import { BAKEHOUSE_LOGO } from "./makeFile";

/** The made-up bakehouse's book: the other brand that every template is seen in. */
export function tallowbyBook(media: ReadonlyMap<string, string>): BrandBook {
  const color = (name: string, hex: string): { name: string; hex: string } => ({ name, hex });
  const book = newBrandBook();
  return {
    ...book,
    colors: {
      ground: color("Dough", "#f6ead8"),
      card: color("Flour", "#fffaf2"),
      ink: color("Crust", "#2e1a14"),
      primary: color("Brick oven", "#7a2436"),
      accent: color("Honey", "#d98a2b"),
      sale: color("Oven glow", "#a83a1c"),
    },
    faces: {
      headline: { family: "Fraunces", weight: null },
      text: { family: "Work Sans", weight: null },
      figures: { family: "Fraunces", weight: null },
    },
    logos: [{ variant: "full", media: media.get(BAKEHOUSE_LOGO) ?? "" }],
    // A sign as wide as it is high, which can be read when it is smaller than a line of letters.
    logoRules: { ...book.logoRules, leastWidth: 120 },
    contact: {
      website: "tallowby.example.com",
      phone: "01632 960 777",
      address: "1 Mill Steps",
      handles: ["@tallowby"],
    },
    calls: ["Come in, it is warm", "Order your Friday box"],
    legal: ["While the oven is hot."],
    tune: media.get("morning-watering.wav") ?? null,
    form: "arch",
    watermark: { ...book.watermark, on: true, corner: "top-left", size: 0.113 },
  };
}

/** The made-up nursery's book. */
export function quillfernBook(media: ReadonlyMap<string, string>): BrandBook {
  const color = (name: string, hex: string): { name: string; hex: string } => ({ name, hex });
  return {
    ...newBrandBook(),
    colors: {
      ground: color("Paper", "#f4efe2"),
      card: color("Cream", "#fffaf0"),
      ink: color("Wet bark", "#1f2a24"),
      primary: color("Fern", "#2b5f47"),
      accent: color("Terracotta", "#c9603a"),
      sale: color("Rosehip", "#b3402a"),
    },
    extras: [color("Glaze blue", "#4f7f93"), color("Straw", "#e3c878")],
    logos: (
      [
        ["full", "quillfern-logo.svg"],
        ["mark", "quillfern-mark.svg"],
        ["light", "quillfern-logo-light.svg"],
      ] as const
    ).map(([variant, file]) => ({ variant, media: media.get(file) ?? "" })),
    contact: {
      website: "quillfern.example.com",
      phone: "01632 960 140",
      address: "3 Fern Lane, by the old kiln",
      handles: ["@quillfern"],
    },
    calls: ["Come and choose yours", "Ask us on the bench", "Order by Thursday"],
    legal: ["While stocks last. In the shop only."],
    tune: media.get("potting-bench.wav") ?? null,
    form: "leaf",
  };
}
