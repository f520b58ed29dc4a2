import { type Entry } from "../arrangement/layout";
import { contrastRatio } from "../color/contrast";
import { wantedContrast } from "../color/legibility";
import { withAlpha } from "../color/srgb";
import { type BrandFacts } from "../document/facts";
import { RHYTHM } from "../geometry/column";
import { type Point, type Rect, type Size, rect } from "../geometry/rect";
import { type FittedWords } from "../type/fit";
import { type Outline, cutCard } from "../type/outline";
import { type GroundInks } from "./brandStyle";
import { codeOutline, codedLink } from "./codeOutline";
import { type DisplayNode } from "./displayList";
import { type ShownLogo, logoNodes, logoSize, padOf } from "./plateLogo";
import { markOutline } from "./markOutline";
import { MOST_STARS, starCount, starOutline } from "./starOutline";
import { type Typesetter, type WordsToSet, roleFace, setWords, wordNodes } from "./wordsBlock";

/** An entry with its size known: ready to be packed and drawn. */
export interface SetEntry extends Size {
  readonly entry: Entry;
  /** Null for what is not made of words. */
  readonly words: FittedWords | null;
  /** From the place's corner to that of the words, or of the logo: the pad of a card. */
  readonly inside: { readonly x: number; readonly y: number };
}

const RULE = { width: RHYTHM * 9, height: RHYTHM } as const;
const MARK = { width: RHYTHM * 10, height: RHYTHM * 7 } as const;
const LOGO_HEIGHT = 0.14;
const STAR_GAP = 0.18;
const MOST_CODE = RHYTHM * 26;
const CARD_PAD = { x: RHYTHM * 2, y: RHYTHM * 1.5 } as const;

const onCard = ({ look }: Entry): boolean => look === "badge" || look === "plate";

/** The most height that an entry can make use of in a column of a width. */
export function mostHeight(entry: Entry, setter: Typesetter): number | undefined {
  switch (entry.look) {
    case "rule":
      return RULE.height;
    case "mark":
      return MARK.height;
    case "stars":
      return starSide(setter);
    case "logo":
      return setter.shape.height * LOGO_HEIGHT;
    case "code":
      return MOST_CODE;
    default:
      return undefined;
  }
}

const starSide = ({ shape }: Typesetter): number =>
  (Math.min(shape.width, shape.height) / 1080) * (shape.width === shape.height ? 60 : 72);

/** What the entries of a column have in common. */
export interface InColumn {
  readonly brand: BrandFacts;
  /** The logo as it is shown on the column's ground. */
  readonly logo: ShownLogo | null;
}

/** Sets an entry into its box. @param words how its words are to be set */
export function setEntry(
  setter: Typesetter,
  entry: Entry,
  box: Size,
  { brand, logo, ...words }: InColumn & Pick<WordsToSet, "align" | "largest">,
): SetEntry {
  const bare = { entry, words: null, inside: { x: 0, y: 0 } };
  switch (entry.look) {
    case "rule":
      return { ...bare, width: Math.min(box.width, RULE.width), height: RULE.height };
    case "mark": {
      const scale = Math.min(1, box.height / MARK.height, box.width / MARK.width);
      return { ...bare, width: MARK.width * scale, height: MARK.height * scale };
    }
    case "stars": {
      const side = Math.min(starSide(setter), box.height, box.width / (MOST_STARS + (MOST_STARS - 1) * STAR_GAP));
      return { ...bare, width: side * (MOST_STARS + (MOST_STARS - 1) * STAR_GAP), height: side };
    }
    case "logo": {
      if (!logo) return { ...bare, width: 0, height: 0 };
      const { width, height } = logoSize(brand, logo, { width: box.width * 0.62, height: box.height });
      const pad = padOf(brand, logo.plated, mostHeight(entry, setter) ?? height);
      return { ...bare, width, height, inside: { x: pad, y: pad } };
    }
    case "code": {
      const side = Math.min(box.width, box.height, MOST_CODE);
      return { ...bare, width: side, height: side };
    }
    default: {
      const toSet = { ...words, role: entry.role, text: entry.text };
      if (onCard(entry)) return { entry, ...setOnCard(setter, toSet, box) };
      const set = setWords(setter, toSet, { width: Math.max(1, box.width), height: Math.max(1, box.height) });
      return { entry, words: set, inside: { x: 0, y: 0 }, width: set.width, height: set.height };
    }
  }
}

/** The largest words whose card goes into the box: where it does not, they are set again into what that leaves. */
function setOnCard(setter: Typesetter, toSet: WordsToSet, box: Size): Omit<SetEntry, "entry"> {
  const pad = { x: CARD_PAD.x, y: Math.min(CARD_PAD.y, box.height * 0.28) };
  // Room over capitals and under the baseline counts as pad, so the words may be higher than what two pads leave.
  let height = box.height - pad.y;
  for (;;) {
    const words = setWords(setter, toSet, { width: Math.max(1, box.width - 2 * pad.x), height: Math.max(1, height) });
    const card = cardAround(words, pad);
    if (card.height <= box.height || height < 2) return { words, ...card };
    height -= Math.max(1, card.height - box.height);
  }
}

/** A card around words, with capitals in its optical middle: as much room above them as below the last baseline. */
function cardAround(words: FittedWords, pad: Point): Size & Pick<SetEntry, "inside"> {
  const above = pad.y - words.overCapitals;
  const below = pad.y - words.underBaseline;
  const missing = Math.max(0, -Math.min(above, below));
  return {
    width: words.width + 2 * pad.x,
    height: words.height + above + below + 2 * missing,
    inside: { x: pad.x, y: above + missing },
  };
}

/** The ink of an entry on a ground: what was chosen for it if that can be read there, else by its look. */
export function inkOf(setter: Typesetter, set: SetEntry, on: GroundInks): string {
  const { entry } = set;
  const [wanted, ground] = [contrastOf(setter, set), groundOf(setter, set, on)];
  const chosen = entry.color && setter.style.palette[entry.color];
  if (chosen && contrastRatio(chosen, ground) >= wanted) return chosen;
  switch (entry.look) {
    case "badge":
      return on.onBadge;
    case "plate":
      return setter.style.onPlate;
    case "strong":
      return on.strong;
    case "accent":
    case "stars":
    case "rule":
    case "mark":
      return contrastRatio(on.accent, ground) >= wanted ? on.accent : on.strong;
    default:
      return on.plain;
  }
}

/** Colours for words that stand out, the best first. */
const SECONDS = ["accent", "sale", "primary"] as const;

/** The ink of the words that stand out: the one asked for, else the accent; where none can be read, that of the others. */
function markedInk(setter: Typesetter, set: SetEntry, on: GroundInks): string {
  const { emphasis } = set.entry;
  const { palette } = setter.style;
  const ink = inkOf(setter, set, on);
  const onGround = (color: string): boolean =>
    contrastRatio(color, groundOf(setter, set, on)) >= contrastOf(setter, set);
  const isRead = (onCard(set.entry) ? undefined : on.isRead) ?? onGround;
  const found = (emphasis ? [emphasis] : SECONDS).find((role) => palette[role] !== ink && isRead(palette[role]));
  return found ? palette[found] : ink;
}

/** The contrast that an entry needs at its size. */
const contrastOf = (setter: Typesetter, { entry, words }: SetEntry): number =>
  words ? wantedContrast(words.size, setter.style.weights[roleFace(setter, entry.role)]) : 3;

/** What an entry stands on. */
function groundOf({ style }: Typesetter, { entry: { look } }: SetEntry, on: GroundInks): string {
  if (look === "badge") return on.badge;
  return look === "plate" ? style.plate : on.ground;
}

/** What an entry looks like in its place. @param on the inks of the ground it stands on */
export function entryNodes(
  setter: Typesetter,
  set: SetEntry,
  place: Rect,
  { brand, logo, on }: InColumn & { readonly on: GroundInks },
): DisplayNode[] {
  const { entry, words, inside } = set;
  const ink = inkOf(setter, set, on);
  const letters = (): DisplayNode[] => {
    const at = { x: place.x + inside.x, y: place.y + inside.y };
    if (!words) return [];
    const isMarked = words.lines.some(({ stretches }) => stretches.length > 0);
    return wordNodes(words, at, { ink, marked: isMarked ? markedInk(setter, set, on) : ink });
  };
  const shape = (outline: Outline, color: string): DisplayNode => ({
    kind: "shape",
    outline,
    at: { x: 0, y: 0 },
    ink: color,
  });
  switch (entry.look) {
    case "rule":
      return [{ kind: "fill", place, ink }];
    case "mark":
      return [shape(markOutline(place), ink)];
    case "stars": {
      const step = place.height * (1 + STAR_GAP);
      const lit = starCount(entry.text);
      return Array.from({ length: MOST_STARS }, (_, index) =>
        shape(starOutline(place.x + index * step, place.y, place.height), index < lit ? ink : withAlpha(ink, 0.28)),
      );
    }
    case "logo":
      return logo ? logoNodes(brand, logo, place, inside.x) : [];
    case "code": {
      const [dark, light] = codeInks(setter);
      return [shape(cutCard(place, RHYTHM), light), shape(codeOutline(codedLink(entry.text), place), dark)];
    }
    case "badge":
      return [shape(cutCard(place, RHYTHM), on.badge), ...letters()];
    case "plate":
      return [shape(cutCard(place, RHYTHM), setter.style.plate), ...letters()];
    case "struck":
      return [...letters(), ...strike(words, place, ink)];
    default:
      return letters();
  }
}

function strike(words: FittedWords | null, place: Rect, ink: string): DisplayNode[] {
  if (!words) return [];
  const thickness = Math.max(3, words.size * 0.07);
  const middle = (words.lines[0]?.baseline ?? 0) - words.size * 0.3;
  return [
    { kind: "fill", place: rect(place.x - 6, place.y + middle - thickness / 2, words.width + 12, thickness), ink },
  ];
}

/** Readers need dark modules on a light ground: the brand's own where they are far enough apart. */
function codeInks({ style: { palette } }: Typesetter): readonly [dark: string, light: string] {
  return contrastRatio(palette.ink, palette.card) >= 7 &&
    contrastRatio(palette.card, "#000000") > contrastRatio(palette.ink, "#000000")
    ? [palette.ink, palette.card]
    : ["#000000", "#ffffff"];
}
