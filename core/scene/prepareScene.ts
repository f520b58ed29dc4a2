import { type ResolvedScene } from "../document/resolve";
import { logoFor } from "../brand/logoChoice";
import { type BrandFacts, type PictureFacts } from "../document/facts";
import { type SlotKey, type WordsSlot, slotKey } from "../document/template";
import { type Arrangement, arrange } from "../geometry/arrangement";
import { type PackItem, RHYTHM, allotColumn, packColumn } from "../geometry/column";
import { containPlace } from "../geometry/framing";
import { type Rect, rect } from "../geometry/rect";
import { STAGGER_MS, type MotionKind } from "../motion/wordMotion";
import { cutCard } from "../type/outline";
import { type FittedWords } from "../type/fit";
import { type TypeRole, fitRule } from "../type/roles";
import { withAlpha } from "../color/srgb";
import { type DisplayNode } from "./displayList";
import { containNode, coverNode } from "./pictureNodes";
import { watermark } from "./watermark";
import { type PlacedSlot, type PreparedScene, type ScenePart } from "./prepared";
import { type Typesetter, setWords, still, wordNodes } from "./wordsBlock";

const LOGO: SlotKey = "brand.logo";
const BADGE_PAD = { x: RHYTHM * 2, y: RHYTHM } as const;
const FIRST_ENTRANCE_MS = 120;
const BLUR = 28;

/** One thing in a scene's column, before its words are set. */
interface ColumnEntry {
  readonly id: string;
  readonly key: SlotKey;
  readonly role: TypeRole;
  readonly text: string;
  readonly share: number;
  readonly ink: string;
  readonly motion: MotionKind;
  readonly card?: string;
  readonly struck?: boolean;
}

/** Sets a scene in a format: solves its places, sets its words, and says how each part moves. */
export function prepareScene(scene: ResolvedScene, brand: BrandFacts, setter: Typesetter, isFirst: boolean, isLast: boolean): PreparedScene {
  const logo = plateLogo(brand);
  const arrangement = arrange(scene.template.arrangement, setter.format);
  const entries = columnEntries(scene, setter);
  const centred = scene.template.arrangement === "sign-off";
  const logoBox = centred ? rect(0, 0, arrangement.column.width * 0.62, setter.format.height * 0.14) : arrangement.logo;
  const pad = padAround(brand.logoRules.clearSpace, logoBox?.height ?? 0);
  const logoSize = centred && logo && logoBox ? platedLogo(logo, pad, logoBox) : null;
  const shares = [...(logoSize ? [{ key: LOGO as string, share: 0.5, most: logoSize.height }] : []), ...entries.map(({ id, share }) => ({ key: id, share }))];
  const allotted = allotColumn(arrangement.column, shares, arrangement.gap);
  const set = entries.map((entry) => ({ entry, words: setEntry(setter, entry, allotted[entry.id], arrangement) }));
  const items: PackItem<string>[] = [
    ...(logoSize ? [{ key: LOGO as string, ...logoSize }] : []),
    ...set.filter(({ words }) => words.lines.length > 0).map(({ entry, words }) => ({ key: entry.id, ...padded(entry, words) })),
  ];
  const places = packColumn(arrangement.column, items, arrangement.gap, arrangement.anchor, arrangement.align);

  const firstLine = Math.min(...items.map((item) => places[item.key]?.y ?? Infinity), arrangement.column.y + arrangement.column.height);
  const parts: ScenePart[] = groundParts(scene, arrangement, setter, firstLine);
  const slots: PlacedSlot[] = pictureSlots(scene, arrangement);
  let enters = isFirst ? FIRST_ENTRANCE_MS : scene.template.overlap * 0.6;

  const logoPlace = logo && (logoSize ? places[LOGO] : !brand.watermark && logoBox && fitPlate(logo, pad, logoBox));
  if (logo && logoPlace) {
    parts.push({ kind: "moving", motion: centred ? "pop" : "still", enters, atRest: still(logoNodes(logo, pad, logoPlace, setter.style.plate), logoPlace) });
    slots.push({ key: LOGO, part: "logo", kind: "logo", place: logoPlace, text: "", fitted: null, smallest: 0 });
  }
  for (const { entry, words } of set) {
    const place = places[entry.id];
    const { smallest } = fitRule(entry.role, setter.format.name, arrangement.align);
    slots.push({ key: entry.key, part: entry.role, kind: "words", place: place ?? rect(arrangement.column.x, arrangement.column.y, 0, 0), text: entry.text, fitted: words, smallest });
    if (!place) continue;
    enters += STAGGER_MS;
    parts.push({ kind: "moving", motion: entry.motion, enters, atRest: still(entryNodes(entry, words, place), place) });
  }
  if (brand.watermark && !centred) {
    const mark = watermark(brand, brand.watermark, setter.format, slots);
    if (mark) {
      parts.push(mark.part);
      slots.push({ key: LOGO, part: "watermark", kind: "logo", place: mark.place, text: "", fitted: null, smallest: 0 });
    }
  }
  return { slots, parts, length: scene.template.length, leaves: !isLast };
}

/** The logo that is shown on a plate in the card's colour. */
function plateLogo({ logos, palette }: BrandFacts): PictureFacts | null {
  return logoFor(logos.map(({ variant, picture }) => ({ variant, picture, colors: picture.colors ?? [] })), palette.card)?.picture ?? null;
}

function columnEntries(scene: ResolvedScene, { style }: Typesetter): ColumnEntry[] {
  const onPicture = scene.template.arrangement === "full-picture" || scene.template.arrangement === "sign-off";
  const onOffer = scene.template.arrangement === "offer";
  return scene.template.slots.flatMap((slot): ColumnEntry[] => {
    if (slot.kind === "media") return [];
    const key = slotKey(scene.template, slot);
    if (slot.kind === "words") {
      const text = scene.words[slot.id] ?? "";
      const strong = slot.role === "name";
      const ink = onPicture ? style.onShade : onOffer ? style.onOffer : strong ? style.onPanelStrong : style.onPanel;
      return text.trim() === "" ? [] : [{ id: slot.id, key, role: slot.role, text, share: shareOf(slot), ink, motion: "rise" }];
    }
    const offer = scene.offer;
    if (!offer) return [];
    return [
      { id: "badge", key, role: "badge", text: offer.badge, share: 0.9, ink: style.onBadge, motion: "pop", card: style.badge },
      { id: "price", key, role: "price", text: offer.now, share: 2, ink: style.onOffer, motion: "rise" },
      { id: "was", key, role: "was", text: offer.was, share: 0.7, ink: style.onOffer, motion: "rise", struck: true },
      { id: "until", key, role: "until", text: offer.until, share: 0.8, ink: style.onOffer, motion: "rise" },
    ];
  });
}

function shareOf(slot: WordsSlot): number {
  switch (slot.role) {
    case "headline":
      return 1;
    case "name":
      return 1.1;
    case "line":
      return 1;
    case "call":
      return 1.6;
    case "contact":
      return 0.5;
    case "small":
      return 0.8;
  }
}

function setEntry(setter: Typesetter, entry: ColumnEntry, box: Rect | undefined, { align }: Arrangement): FittedWords {
  if (!box) throw new Error(`The column has no box for ${entry.id}.`);
  const room = entry.card ? rect(box.x, box.y, box.width - 2 * BADGE_PAD.x, Math.max(RHYTHM, box.height - 2 * BADGE_PAD.y)) : box;
  return setWords(setter, entry.role, entry.text, room, align);
}

const padded = (entry: ColumnEntry, words: FittedWords): { width: number; height: number } =>
  entry.card ? { width: words.width + 2 * BADGE_PAD.x, height: words.height + 2 * BADGE_PAD.y } : { width: words.width, height: words.height };

function entryNodes(entry: ColumnEntry, words: FittedWords, place: Rect): DisplayNode[] {
  if (entry.card) {
    const card: DisplayNode = { kind: "shape", outline: cutCard(place, RHYTHM), at: { x: 0, y: 0 }, ink: entry.card };
    return [card, ...wordNodes(words, { x: place.x + BADGE_PAD.x, y: place.y + BADGE_PAD.y }, entry.ink)];
  }
  const nodes = wordNodes(words, place, entry.ink);
  if (!entry.struck) return nodes;
  const thickness = Math.max(3, words.size * 0.07);
  const middle = (words.lines[0]?.baseline ?? 0) - words.size * 0.3;
  return [...nodes, { kind: "fill", place: rect(place.x - 6, place.y + middle - thickness / 2, words.width + 12, thickness), ink: entry.ink }];
}

/** What lies behind the words: the picture, its shade or blur, and the panel. */
function groundParts(scene: ResolvedScene, arrangement: Arrangement, { style, format }: Typesetter, firstLine: number): ScenePart[] {
  const media = Object.values(scene.media)[0] ?? null;
  const { picture: place, panel } = arrangement;
  const parts: ScenePart[] = [];
  const blank = (): ScenePart => ({ kind: "fixed", node: { kind: "fill", place, ink: style.shade } });
  if (scene.template.arrangement === "sign-off") {
    const shade: DisplayNode = { kind: "fill", place, ink: withAlpha(style.shade, 0.66) };
    const behind: DisplayNode = media ? coverNode(media, place, 1, BLUR) : { kind: "fill", place, ink: style.shade };
    return [{ kind: "fixed", node: { kind: "still", bounds: place, children: [behind, shade] } }];
  }
  if (!media) parts.push(blank());
  else if (media.kind === "clip") parts.push({ kind: "clip", clip: media, place });
  else parts.push({ kind: "picture", picture: media, place, outwards: scene.template.arrangement === "offer" });
  if (panel) {
    const ink = scene.template.arrangement === "offer" ? style.offerGround : style.panel;
    parts.push({ kind: "fixed", node: { kind: "fill", place: panel, ink } }, { kind: "fixed", node: { kind: "fill", place: edgeRule(place, panel), ink: style.rule } });
  } else parts.push({ kind: "fixed", node: shadeBelow(format.width, format.height, firstLine, style.shade) });
  return parts;
}

/** A thin rule in the accent colour along the edge where picture and panel meet, on the panel's side. */
function edgeRule(picture: Rect, panel: Rect): Rect {
  const thickness = RHYTHM;
  if (panel.y >= picture.y + picture.height) return rect(panel.x, panel.y, panel.width, thickness);
  return rect(panel.x + panel.width - thickness, panel.y, thickness, panel.height);
}

/** A shade that is dark enough for light words from `from` down, and fades out above it. About 60 % (common practice). */
function shadeBelow(width: number, height: number, from: number, ink: string): DisplayNode {
  const fade = height * 0.2;
  const top = Math.max(0, from - fade);
  const bounds = rect(0, top, width, height - top);
  const at = (from - top) / (height - top);
  const gradient = {
    from: { x: 0, y: top },
    to: { x: 0, y: height },
    stops: [[0, withAlpha(ink, 0)], [at * 0.5, withAlpha(ink, 0.26)], [at, withAlpha(ink, 0.6)], [1, withAlpha(ink, 0.82)]] as const,
  };
  return { kind: "still", bounds, children: [{ kind: "fill", place: bounds, ink: gradient }] };
}

function pictureSlots(scene: ResolvedScene, { picture }: Arrangement): PlacedSlot[] {
  return scene.template.slots
    .filter((slot) => slot.kind === "media")
    .map((slot) => ({ key: slotKey(scene.template, slot), part: "picture", kind: "picture", place: picture, text: "", fitted: null, smallest: 0 }));
}

/** The size of a logo on its plate, as large as fits with the clear space around it. */
function platedLogo(logo: PictureFacts, pad: number, most: Rect): { width: number; height: number } {
  const inside = containPlace(logo, rect(0, 0, most.width - 2 * pad, most.height - 2 * pad));
  return { width: inside.width + 2 * pad, height: inside.height + 2 * pad };
}

/** The pad that leaves the clear space around the highest logo in a box of this height. */
const padAround = (clearSpace: number, height: number): number => Math.max(RHYTHM * 2, (height * clearSpace) / (1 + 2 * clearSpace));

function fitPlate(logo: PictureFacts, pad: number, box: Rect): Rect {
  return { ...box, ...platedLogo(logo, pad, box) };
}

function logoNodes(logo: PictureFacts, pad: number, place: Rect, plate: string): DisplayNode[] {
  const inside = rect(place.x + pad, place.y + pad, place.width - 2 * pad, place.height - 2 * pad);
  return [{ kind: "shape", outline: cutCard(place, RHYTHM), at: { x: 0, y: 0 }, ink: plate }, containNode(logo, inside)];
}
