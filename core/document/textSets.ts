import { millis } from "../units";
import { type Edit } from "./edit";
import { applyEdit, editTo } from "./edits";
import { type Facts } from "./facts";
import { type Adjustment } from "./fields";
import { addItem } from "./itemEdits";
import { type ItemPreset } from "./itemPresets";
import { type ItemRole } from "./items";
import { type Promotion } from "./promotion";

/** Words that belong together, ready to be put over a scene. */
export interface TextSet {
  readonly title: string;
  readonly presets: readonly ItemPreset[];
}

const words = (role: ItemRole, text: string, set: Adjustment): ItemPreset => ({
  title: text,
  item: { kind: "words", role, text },
  set,
});

const POINTS = ["The first point", "The second point", "The third point"] as const;
/** Between one point and the next, in milliseconds. */
const POINT_MS = 700;
const FIRST_POINT = 0.32;
const POINT_STEP = 0.16;

/** Sets of words, with what the brand book and the catalogue say put in. */
export function textSets({ brand, product, offer }: Pick<Facts, "brand" | "product" | "offer">): TextSet[] {
  const price = offer?.now || product?.price || "9.50";
  const note = offer?.until || product?.name || "each";
  const points = POINTS.map((text, index) =>
    words("name", text, {
      at: { x: 0.5, y: FIRST_POINT + index * POINT_STEP },
      size: 0.72,
      plate: "card",
      ink: "ink",
      starts: millis(index * POINT_MS),
    }),
  );
  return [
    {
      title: "Headline with line",
      presets: [
        words("headline", brand.name, { at: { x: 0.5, y: 0.3 }, size: 0.84, plate: "nothing", ink: "primary" }),
        words("line", brand.call || "One thing to know", {
          at: { x: 0.5, y: 0.5 },
          size: 0.7,
          plate: "card",
          ink: "ink",
        }),
      ],
    },
    {
      title: "Price with note",
      presets: [
        words("name", price, {
          at: { x: 0.7, y: 0.66 },
          size: 0.42,
          plate: "sale",
          plateShape: "price tag",
          ink: "card",
        }),
        words("small", note, { at: { x: 0.7, y: 0.8 }, size: 0.42, plate: "card", ink: "ink" }),
      ],
    },
    { title: "Three points", presets: points },
    {
      title: "Handle lines",
      presets: [brand.signOff.first || brand.website || "@yourname", brand.signOff.second || "@yourname"].map(
        (text, index) =>
          words("contact", text, {
            at: { x: 0.5, y: 0.74 + index * 0.13 },
            size: 0.6,
            plate: "primary",
            plateShape: "round",
            ink: "card",
          }),
      ),
    },
    {
      title: "Thank-you card",
      presets: [
        {
          title: "Card",
          item: { kind: "shape", shape: "card" },
          set: { at: { x: 0.5, y: 0.5 }, size: 0.8, tall: 0.5, ink: "primary" },
        },
        words("name", "Thank you", { at: { x: 0.5, y: 0.46 }, size: 0.66, plate: "nothing", ink: "card" }),
        words("line", brand.name, { at: { x: 0.5, y: 0.55 }, size: 0.6, plate: "nothing", ink: "card" }),
      ],
    },
  ];
}

/** Puts a set over a scene, as one step. Throws, naming the limit, when there would be too many items. */
export function addTextSet(
  document: Promotion,
  scene: string,
  { title, presets }: TextSet,
): { readonly ids: readonly string[]; readonly edit: Edit } {
  const ids: string[] = [];
  const after = presets.reduce((made, preset) => {
    // They lie on one another as they were made to.
    const { id, edit } = addItem(made, scene, preset, { isPlacedSo: true });
    ids.push(id);
    return applyEdit(made, edit);
  }, document);
  return { ids, edit: editTo(document, after, `Add: ${title}`) };
}
