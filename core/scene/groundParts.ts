import { type Ground, type Layout, type Rule } from "../arrangement/layout";
import { withAlpha } from "../color/srgb";
import { type ColorRole } from "../color/palette";
import { type Rect, rect } from "../geometry/rect";
import { cutCard } from "../type/outline";
import { type BrandStyle } from "./brandStyle";
import { type DisplayNode } from "./displayList";
import { type ScenePart } from "./prepared";
import { still } from "./wordsBlock";

/** How much of the words' ink is in an ornament: seen, not read. */
const ORNAMENT = 0.055;
const DOT = 3;
const DOT_STEP = 14;

/** What lies under a scene's pictures: its grounds and its ornament. @param on the ground the scene stands on */
export function groundParts({ grounds, ornament }: Layout, style: BrandStyle, on: ColorRole): ScenePart[] {
  const parts = grounds.map((ground) => groundPart(ground, style));
  return ornament ? [...parts, ornamentPart(ornament, style.on[on].plain)] : parts;
}

function ornamentPart(place: Rect, ink: string): ScenePart {
  const outline = cutCard(place, Math.min(place.width, place.height) * 0.22);
  const card: DisplayNode = { kind: "shape", outline, at: { x: 0, y: 0 }, ink: withAlpha(ink, ORNAMENT) };
  return { kind: "fixed", node: still([card], place) };
}

function groundPart({ place, ink }: Ground, { palette }: BrandStyle): ScenePart {
  if (typeof ink === "string") return { kind: "fixed", node: { kind: "fill", place, ink: palette[ink] } };
  const to =
    ink.way === "across" ? { x: place.x + place.width, y: place.y } : { x: place.x, y: place.y + place.height };
  return {
    kind: "fixed",
    node: {
      kind: "still",
      bounds: place,
      children: [
        {
          kind: "fill",
          place,
          ink: {
            from: { x: place.x, y: place.y },
            to,
            stops: [
              [0, palette[ink.from]],
              [1, palette[ink.to]],
            ],
          },
        },
      ],
    },
  };
}

/** A line over the grounds, plain or of dots. */
export function rulePart({ place, ink, dotted }: Rule, { palette }: BrandStyle): ScenePart {
  if (!dotted) return { kind: "fixed", node: { kind: "fill", place, ink: palette[ink] } };
  const dots = Array.from({ length: Math.max(1, Math.floor(place.width / DOT_STEP)) }, (_, index): DisplayNode => ({
    kind: "fill",
    place: rect(place.x + index * DOT_STEP, place.y, DOT * 2, DOT),
    ink: palette[ink],
  }));
  return { kind: "fixed", node: still(dots, place) };
}
