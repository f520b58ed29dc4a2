import { arrange } from "../arrangement/arrange";
import { type Ground, type Layout, type PlacedPicture, type Rule, type WordsColumn } from "../arrangement/layout";
import { cutCard, ellipse, polygon } from "../type/outline";
import { withAlpha } from "../color/srgb";
import { wantedContrast } from "../color/legibility";
import { type BrandFacts, type ClipFacts, type PictureFacts } from "../document/facts";
import { type ResolvedScene } from "../document/resolve";
import { type MediaSlot, type SlotKey, slotKey } from "../document/template";
import { type Anchor } from "../geometry/column";
import { type Rect, evenInsets, inset, rect, union, wholeOf } from "../geometry/rect";
import { safeArea } from "../placement/formats";
import { STAGGER_MS, type MotionKind } from "../motion/wordMotion";
import { fitRule } from "../type/roles";
import { type BrandStyle, type GroundInks } from "./brandStyle";
import { type DisplayNode } from "./displayList";
import { entriesOf } from "./entries";
import { BLUR, legibleColumn } from "./legibleColumn";
import { containNode, coverNode } from "./pictureNodes";
import { logoNodes, logoSize, shownLogo } from "./plateLogo";
import { type ChosenBacking, type PlacedSlot, type PreparedScene, type ScenePart } from "./prepared";
import { type SetEntry, entryNodes, inkOf } from "./setEntry";
import { placedByHand } from "./placedByHand";
import { type SetColumn, columnLogo, setColumns } from "./setColumns";
import { type Typesetter, roleFace, still } from "./wordsBlock";
import { watermark } from "./watermark";

const LOGO: SlotKey = "brand.logo";
const FIRST_ENTRANCE_MS = 120;
/** How much of the words' ink is in an ornament: seen, not read. */
const ORNAMENT = 0.055;
const CARD_SHADOW = { ink: "rgba(0, 0, 0, 0.34)", blur: 46, down: 20 } as const;

/** A picture slot that is shown, with what is in it. */
interface ShownMedia {
  readonly slot: MediaSlot;
  readonly media: PictureFacts | ClipFacts | null;
}

/** Sets a scene in a shape: asks its arrangement for places, sets its words, makes them legible, and says how each part moves. */
export function prepareScene(
  scene: ResolvedScene,
  brand: BrandFacts,
  setter: Typesetter,
  isFirst: boolean,
  isLast: boolean,
): PreparedScene {
  const shown = shownMedia(scene);
  const entries = entriesOf(scene);
  const withLogo =
    scene.template.logo &&
    brand.logos.length > 0 &&
    !(brand.watermark && scene.template.arrangement.name !== "sign-off");
  const content = {
    shape: setter.shape,
    ground: scene.template.ground,
    entries,
    pictures: shown.map(({ media }) => media),
    logo: withLogo,
    rows: scene.rows,
  };
  const layout = placedByHand(
    arrange(scene.template.arrangement, content),
    setter.format === null ? undefined : scene.template.places[setter.format],
    shown.map(({ slot }) => slot),
    { place: wholeOf(setter.shape), ink: scene.template.ground },
  );
  const { style } = setter;
  const inks = style.on[scene.template.ground];

  const columns = setColumns(setter, brand, layout.columns);
  const legible = columns.map((_, at) => legibility(setter, columns, at, layout, shown));

  const parts: ScenePart[] = layout.grounds.map((ground) => groundPart(ground, style));
  if (layout.ornament)
    parts.push({
      kind: "fixed",
      node: still(
        [
          {
            kind: "shape",
            outline: cutCard(layout.ornament, Math.min(layout.ornament.width, layout.ornament.height) * 0.22),
            at: { x: 0, y: 0 },
            ink: withAlpha(inks.plain, ORNAMENT),
          },
        ],
        layout.ornament,
      ),
    });
  layout.pictures.forEach((placed, index) => {
    const media = shown[placed.index]?.media ?? null;
    parts.push(picturePart(placed, media, style, scene.template.length, setter.design.zoom));
    // What makes words legible lies on the picture they stand on, under whatever else is placed over it.
    columns.forEach(({ column }, at) => {
      if (column.on.kind === "picture" && column.on.picture === index)
        parts.push(...(legible[at]?.nodes ?? []).map((node): ScenePart => ({ kind: "fixed", node })));
    });
  });
  parts.push(...layout.rules.map((rule) => rulePart(rule, style)));

  const slots: PlacedSlot[] = pictureSlots(scene, shown, layout);
  const logo = layout.logo && withLogo ? placeLogo(brand, layout.logo, style) : null;
  if (logo) {
    parts.push({ kind: "fixed", node: still(logo.nodes, logo.place) });
    slots.push(logoSlot("logo", logo.place));
  }
  const length = scene.template.length;
  let enters = isFirst ? FIRST_ENTRANCE_MS : scene.template.overlap * 0.6;
  columns.forEach(({ column, entries: placed }, at) => {
    const inks = legible[at]?.inks ?? style.on.card;
    for (const { set, place } of placed) {
      if (place.width <= 0 && set.entry.look === "logo") continue;
      slots.push(entrySlot(setter, set, place, inks, column, legible[at]?.backing));
      if (set.words && set.words.lines.length === 0) continue;
      enters += STAGGER_MS;
      const stays = column.stays === true;
      const motion: MotionKind = stays
        ? "still"
        : set.entry.look === "badge" || set.entry.look === "logo"
          ? "pop"
          : setter.design.motion;
      parts.push({
        kind: "moving",
        motion,
        enters: enters + (set.entry.later ?? 0) * length,
        ...(set.entry.until === undefined ? {} : { until: set.entry.until * length }),
        atRest: still(entryNodes(setter, brand, columnLogo(brand, column, style), set, place, inks), place),
      });
    }
  });
  if (brand.watermark && scene.template.arrangement.name !== "sign-off") {
    const mark = watermark(brand, brand.watermark, setter.shape, slots);
    if (mark) {
      parts.push(mark.part);
      slots.push(logoSlot("watermark", mark.place));
    }
  }
  return { slots, parts, length, leaves: !isLast };
}

/** The picture slots that have a place: required ones always, optional ones when something is in them. */
function shownMedia(scene: ResolvedScene): ShownMedia[] {
  return scene.template.slots.flatMap((slot) => {
    if (slot.kind !== "media") return [];
    const media = scene.media[slot.id] ?? null;
    return media || slot.required ? [{ slot, media }] : [];
  });
}

/**
 * Makes a column's words legible. Columns that share a picture get one ink and one band, or the shade for one would
 * darken the ground of another.
 */
function legibility(
  setter: Typesetter,
  columns: readonly SetColumn[],
  at: number,
  layout: Layout,
  shown: readonly ShownMedia[],
): { inks: GroundInks; nodes: readonly DisplayNode[]; backing?: ChosenBacking } {
  const { column } = columns[at] as SetColumn;
  const sharing = columns.filter(({ column: other }) => other === column || sharesBand(column, other));
  const own = legibilityOf(
    setter,
    column,
    sharing.flatMap(({ entries }) => entries),
    layout,
    shown,
    sharing.every(({ column: { anchor } }) => anchor === column.anchor) ? column.anchor : "middle",
  );
  return sharing[0]?.column === column ? own : { ...own, nodes: [] };
}

const sharesBand = ({ on: one }: WordsColumn, { on: other }: WordsColumn): boolean =>
  one.kind === "picture" &&
  other.kind === "picture" &&
  one.picture === other.picture &&
  one.shaded === "band" &&
  other.shaded === "band";

function legibilityOf(
  setter: Typesetter,
  column: WordsColumn,
  placed: SetColumn["entries"],
  layout: Layout,
  shown: readonly ShownMedia[],
  anchor: Anchor,
): { inks: GroundInks; nodes: readonly DisplayNode[]; backing?: ChosenBacking } {
  const { style } = setter;
  const { on } = column;
  if (on.kind === "ground") return { inks: style.on[on.role], nodes: [] };
  const picture = layout.pictures[on.picture];
  const bare = placed.filter(
    ({ set, place }) =>
      place.width > 0 && set.words !== null && set.entry.look !== "badge" && set.entry.look !== "plate",
  );
  if (!picture || bare.length === 0) return { inks: style.on.ink, nodes: [] };
  const words = bare.map(({ place }) => place).reduce(union);
  const wanted = Math.max(
    ...bare.map(({ set }) => wantedContrast(set.words?.size ?? 0, style.weights[roleFace(setter, set.entry.role)])),
  );
  return legibleColumn(style, {
    on,
    placed: picture,
    media: shown[picture.index]?.media ?? null,
    words,
    anchor,
    wanted,
    room: safeArea(setter.shape),
  });
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

const DOT = 3;
const DOT_STEP = 14;

function rulePart({ place, ink, dotted }: Rule, { palette }: BrandStyle): ScenePart {
  if (!dotted) return { kind: "fixed", node: { kind: "fill", place, ink: palette[ink] } };
  const dots = Array.from({ length: Math.max(1, Math.floor(place.width / DOT_STEP)) }, (_, index): DisplayNode => ({
    kind: "fill",
    place: rect(place.x + index * DOT_STEP, place.y, DOT * 2, DOT),
    ink: palette[ink],
  }));
  return { kind: "fixed", node: still(dots, place) };
}

function picturePart(
  placed: PlacedPicture,
  media: PictureFacts | ClipFacts | null,
  style: BrandStyle,
  length: number,
  zoom: boolean,
): ScenePart {
  const { place } = placed;
  if (!media) return { kind: "fixed", node: { kind: "fill", place, ink: style.blank } };
  if (placed.blurred)
    return { kind: "fixed", node: { kind: "still", bounds: place, children: [coverNode(media, place, 1, BLUR)] } };
  if (placed.shadow && media.kind === "picture") return { kind: "fixed", node: still(onGround(media, place), place) };
  // What stands free is shown whole, on the brand's ground.
  if (media.kind === "picture" && media.cutOut)
    return {
      kind: "fixed",
      node: {
        kind: "still",
        bounds: place,
        children: [
          { kind: "fill", place, ink: style.palette.ground },
          { ...containNode(media, inset(place, evenInsets(Math.min(place.width, place.height) * 0.06))) },
        ],
      },
    };
  const drift = zoom ? placed.drift : "none";
  return {
    kind: "media",
    media,
    place,
    drift,
    enters: placed.arrives === undefined ? null : placed.arrives * length,
    wipes: placed.wipes ?? null,
    atRest: coverNode(media, place),
  };
}

/** A picture with its shadow. Shapes cast it, not pictures: those of pictures differ between platforms by a few steps. */
function onGround(media: PictureFacts, place: Rect): DisplayNode[] {
  const at = { x: 0, y: 0 };
  if (!media.cutOut)
    return [
      {
        kind: "shape",
        outline: polygon(
          place.x,
          place.y,
          place.x + place.width,
          place.y,
          place.x + place.width,
          place.y + place.height,
          place.x,
          place.y + place.height,
        ),
        at,
        ink: "#000000",
        shadow: CARD_SHADOW,
      },
      coverNode(media, place),
    ];
  // What stands free stands on a pool of shade.
  const node = containNode(media, place);
  const { x, y, width, height } = node.place;
  return [
    {
      kind: "shape",
      outline: ellipse(rect(x + width * 0.16, y + height * 0.93, width * 0.68, height * 0.055)),
      at,
      ink: "rgba(0, 0, 0, 0.18)",
      shadow: CARD_SHADOW,
    },
    node,
  ];
}

function placeLogo(
  brand: BrandFacts,
  { box, on, align }: NonNullable<Layout["logo"]>,
  style: BrandStyle,
): { place: Rect; nodes: DisplayNode[] } | null {
  const logo = shownLogo(brand, on === null ? null : style.palette[on]);
  if (!logo) return null;
  const { width, height } = logoSize(brand, logo, box);
  const free = box.width - width;
  const place = rect(box.x + (align === "centre" ? free / 2 : align === "end" ? free : 0), box.y, width, height);
  return { place, nodes: logoNodes(brand, logo, place, box.height) };
}

const logoSlot = (part: string, place: Rect): PlacedSlot => ({
  key: LOGO,
  part,
  kind: "logo",
  place,
  text: "",
  fitted: null,
  smallest: 0,
});

function pictureSlots(scene: ResolvedScene, shown: readonly ShownMedia[], { pictures }: Layout): PlacedSlot[] {
  return shown.flatMap(({ slot }, index) => {
    const own = pictures.filter((placed) => placed.index === index);
    const placed = own.find(({ blurred }) => !blurred) ?? own[0];
    return placed
      ? [
          {
            key: slotKey(scene.template, slot),
            part: "picture",
            kind: "picture" as const,
            place: placed.place,
            text: "",
            fitted: null,
            smallest: 0,
          },
        ]
      : [];
  });
}

function entrySlot(
  setter: Typesetter,
  set: SetEntry,
  place: Rect,
  inks: GroundInks,
  { align }: WordsColumn,
  backing: ChosenBacking | undefined,
): PlacedSlot {
  const { entry, words } = set;
  if (entry.look === "logo") return logoSlot("logo", place);
  const smallest = words ? fitRule(entry.role, setter.shape, align).smallest : 0;
  const part =
    entry.look === "stars" || entry.look === "code" || entry.look === "rule" || entry.look === "mark"
      ? entry.look
      : entry.id.startsWith("number-")
        ? "number"
        : entry.role;
  return {
    key: entry.key,
    part,
    kind: "words",
    place,
    text: entry.text,
    fitted: words,
    smallest,
    ink: inkOf(setter, set, inks),
    backing,
  };
}
