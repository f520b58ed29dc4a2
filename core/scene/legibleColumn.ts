import { type Backdrop, type PlacedPicture } from "../arrangement/layout";
import { type Backing } from "../document/arrangements";
import { type ColorRole, inkFor } from "../color/palette";
import { type InkChoice, contrastReached, solveLegibility } from "../color/legibility";
import { withAlpha } from "../color/srgb";
import { type Anchor, RHYTHM } from "../geometry/column";
import { type Rect, bottom, evenInsets, inset, rect } from "../geometry/rect";
import { cutCard } from "../type/outline";
import { type BrandStyle, type GroundInks } from "./brandStyle";
import { type DisplayNode } from "./displayList";
import { BLUR, coverNode } from "./pictureNodes";
import { type ChosenBacking } from "./prepared";
import { type ShownMedia } from "./sceneLayout";
import { momentsBehind } from "./tonesBehind";

/** Where nothing is known of a picture: a shade of about 60 % makes words stand out (common practice). */
const UNMEASURED = 0.6;
/** From here on a shade hides the picture: a panel is more honest. */
const MOST_BAND = 0.82;
/** From so much on, a blur makes even what lies under words. */
const LEAST_EVEN = 14;
/** How much shade a kind of backing always has. */
const LEAST_SHADES: Partial<Record<Backing, number>> = { scrim: 0.3, blur: 0.2 };

export interface LegibleColumn {
  readonly inks: GroundInks;
  /** What is painted between the picture and the words. */
  readonly nodes: readonly DisplayNode[];
  readonly backing: ChosenBacking;
}

/** What words over a picture need. */
export interface OverPicture {
  readonly on: Extract<Backdrop, { kind: "picture" }>;
  readonly placed: PlacedPicture;
  /** What is in the picture's slot; null where it has none. */
  readonly shown: ShownMedia | null;
  /** The scene's ground: it is seen where a picture leaves its place free. */
  readonly ground: ColorRole;
  /** Around all words that stand on the picture itself. */
  readonly words: Rect;
  readonly anchor: Anchor;
  readonly wanted: number;
  /** Whether the least shade was chosen by hand: it is kept then, however little of the picture it leaves. */
  readonly isShadeChosen?: boolean | undefined;
  /** How blurred a picture is behind words, where it is, in design units; as usual where it is not said. */
  readonly blur?: number | undefined;
  /** Where words may stand: a panel keeps to it. */
  readonly room: Rect;
}

/** Chooses inks for words over a picture and puts the least between them that is enough. */
export function legibleColumn(style: BrandStyle, over: OverPicture): LegibleColumn {
  const { on, wanted } = over;
  const light: InkChoice = { ink: style.onShade, shade: style.shade };
  const dark: InkChoice = { ink: inkFor(style.palette.card, style.palette, ["ink"]), shade: style.palette.card };
  if (on.backing === "panel") return onPanel(style, over);
  const shown = over.shown?.media ? over.shown : null;
  if (shown === null)
    return {
      inks: inksOver(style, style.onShade, style.shade),
      nodes: [],
      backing: { kind: "plain", alpha: 0, contrast: null, wanted },
    };
  const blurred = on.backing === "blur";
  // A little blur leaves light and dark where they were.
  const moments = momentsBehind({ ...over, style, shown }, blurred && (over.blur ?? BLUR) >= LEAST_EVEN);
  const least = over.isShadeChosen ? on.leastShade : Math.max(on.leastShade, LEAST_SHADES[on.backing] ?? 0);
  if (moments.length === 0) return shaded(style, over, light, { alpha: Math.max(least, UNMEASURED), contrast: null });
  const reached = (color: string, shade: string, alpha: number): number =>
    Math.min(...moments.map((samples) => contrastReached(samples, color, shade, alpha)));
  const readOver =
    ({ shade }: InkChoice, alpha: number) =>
    (color: string): boolean =>
      reached(color, shade, alpha) >= wanted;
  if (on.backing === "plain") {
    const best = [light, dark]
      .map((choice) => ({ choice, contrast: reached(choice.ink, choice.shade, 0) }))
      .reduce((best, tried) => (tried.contrast > best.contrast ? tried : best));
    const { choice, contrast } = best;
    return shaded(style, over, choice, { alpha: 0, contrast, isRead: readOver(choice, 0) });
  }
  // Blurred and scrimmed grounds are the design's own dark ones; only where it is left open may the words be dark.
  const solved = solveLegibility(moments, on.backing === "auto" ? [light, dark] : [light], wanted, least);
  const alpha = solved.treatment.kind === "shade" ? solved.treatment.alpha : 0;
  if (on.backing === "auto" && (alpha > Math.max(MOST_BAND, least) || solved.contrast < wanted))
    return onPanel(style, over);
  const choice = solved.ink === light.ink ? light : dark;
  return shaded(style, over, choice, { alpha, contrast: solved.contrast, isRead: readOver(choice, alpha) });
}

/** How an ink stands on a shade, and which other colours would. */
interface Reached extends Pick<ChosenBacking, "alpha" | "contrast"> {
  readonly isRead?: (color: string) => boolean;
}

const inksOver = (style: BrandStyle, ink: string, ground: string): GroundInks => ({
  ground,
  plain: ink,
  strong: ink,
  accent: ink,
  badge: style.on.ink.badge,
  onBadge: style.on.ink.onBadge,
});

function shaded(
  style: BrandStyle,
  over: OverPicture,
  { ink, shade }: InkChoice,
  { alpha, contrast, isRead = () => false }: Reached,
): LegibleColumn {
  const { on, placed, shown, words, anchor, wanted } = over;
  const media = shown?.media ?? null;
  const blurred = on.backing === "blur";
  const inks = { ...inksOver(style, ink, shade), isRead };
  if (on.shaded !== "band") {
    const nodes: DisplayNode[] = alpha > 0 ? [{ kind: "fill", place: on.shaded, ink: withAlpha(shade, alpha) }] : [];
    return { inks, nodes, backing: { kind: blurred ? "blur" : shadeKind(alpha), alpha, contrast, wanted } };
  }
  if (blurred && media) {
    const band = bandOf(placed.place, words, anchor);
    const frost: DisplayNode = {
      kind: "still",
      bounds: band,
      children: [
        { kind: "clipped", place: band, children: [coverNode(media, placed.place, 1, over.blur ?? BLUR)] },
        { kind: "fill", place: band, ink: withAlpha(shade, alpha) },
      ],
    };
    return { inks, nodes: [frost], backing: { kind: "blur", alpha, contrast, wanted } };
  }
  return {
    inks,
    nodes: alpha > 0 ? [shadeBand(over, shade, alpha)] : [],
    backing: { kind: shadeKind(alpha), alpha, contrast, wanted },
  };
}

const shadeKind = (alpha: number): "shade" | "plain" => (alpha > 0 ? "shade" : "plain");

/** Across the whole picture, from the words to the edge they are anchored to. */
function bandOf(picture: Rect, words: Rect, anchor: Anchor): Rect {
  const top = anchor === "top" ? picture.y : Math.max(picture.y, words.y - RHYTHM * 3);
  const foot = anchor === "bottom" ? bottom(picture) : Math.min(bottom(picture), bottom(words) + RHYTHM * 3);
  return rect(picture.x, top, picture.width, foot - top);
}

/** An even shade behind the words that fades out where the band does not end at the picture's edge. */
function shadeBand({ placed, words, anchor }: OverPicture, color: string, alpha: number): DisplayNode {
  const picture = placed.place;
  const fade = picture.height * 0.18;
  const before = anchor === "top" ? 0 : fade;
  const after = anchor === "bottom" ? 0 : fade;
  const even = inset(words, evenInsets(-RHYTHM));
  const top = anchor === "top" ? picture.y : Math.max(picture.y, even.y - before);
  const foot = anchor === "bottom" ? bottom(picture) : Math.min(bottom(picture), bottom(even) + after);
  const bounds = rect(picture.x, top, picture.width, foot - top);
  const at = (y: number): number => Math.min(1, Math.max(0, (y - top) / bounds.height));
  const ink = (share: number): string => withAlpha(color, alpha * share);
  // Where the picture ends sooner than the fade would, the shade goes on to its edge: a light strip there would be seen.
  const [fadesIn, fadesOut] = [before > 0 && top > picture.y, after > 0 && foot < bottom(picture)];
  const [start, end] = [at(even.y), at(bottom(even))];
  const stops: (readonly [number, string])[] = [
    [0, ink(fadesIn ? 0 : 1)],
    [start / 2, ink(fadesIn ? 0.42 : 1)],
    [start, ink(1)],
    [end, ink(1)],
    [(end + 1) / 2, ink(fadesOut ? 0.42 : 1)],
    [1, ink(fadesOut ? 0 : 1)],
  ];
  return {
    kind: "still",
    bounds,
    children: [{ kind: "fill", place: bounds, ink: { from: { x: 0, y: top }, to: { x: 0, y: foot }, stops } }],
  };
}

/** A card in the brand's colour behind the words. */
function onPanel(style: BrandStyle, { words, room, wanted }: OverPicture): LegibleColumn {
  const pad = RHYTHM * 3;
  const place = inset(words, evenInsets(-pad));
  const left = Math.max(room.x - pad, place.x);
  const panel = rect(left, place.y, Math.min(room.x + room.width + pad, place.x + place.width) - left, place.height);
  return {
    inks: style.on.card,
    nodes: [
      {
        kind: "still",
        bounds: panel,
        children: [{ kind: "shape", outline: cutCard(panel, RHYTHM * 2), at: { x: 0, y: 0 }, ink: style.plate }],
      },
    ],
    backing: { kind: "panel", alpha: 1, contrast: null, wanted },
  };
}
