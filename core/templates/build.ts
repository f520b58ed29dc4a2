import { USUAL_FORMATS } from "../placement/formats";
import { newArrangement, type Arrangement, type ArrangementName, type ArrangementOf } from "../document/arrangements";
import {
  type MediaSlot,
  type OfferSlot,
  type ProductsSlot,
  type SceneAllows,
  type SceneTemplate,
  type Slot,
  type SlotAllows,
  type TemplateStyle,
  type WordsSlot,
} from "../document/sceneTemplate";
import { type Template, TEMPLATE_VERSION } from "../document/template";
import { type WordsRole } from "../document/wordsRole";
import { millis } from "../units";

/** Short ways to write the shipped templates down. */

/** A filler may change what is in a slot, and take an optional one out. */
const slotAllows = (required: boolean, more: Partial<SlotAllows> = {}): SlotAllows => ({
  content: true,
  color: false,
  position: false,
  remove: !required,
  ...more,
});
const SCENE_ALLOWS: SceneAllows = { arrangement: true, color: true, timing: true, remove: true };

/** What most slots of a role are called and made for. */
const ROLE_DEFAULTS: Readonly<
  Record<WordsRole, { readonly label: string; readonly hint: string; readonly budget: number }>
> = {
  headline: { label: "Headline", hint: "Few words, read in a second", budget: 36 },
  name: { label: "Name", hint: "What it is called", budget: 32 },
  line: { label: "Line", hint: "One thing to know", budget: 64 },
  small: { label: "Small print", hint: "Terms, in few words", budget: 60 },
  call: { label: "Call to action", hint: "What to do now", budget: 28 },
  contact: { label: "Contact", hint: "From the brand book", budget: 32 },
  figure: { label: "Figure", hint: "A number on its own", budget: 4 },
  quote: { label: "Quote", hint: "What somebody said, in their words", budget: 120 },
  label: { label: "Label", hint: "One word", budget: 14 },
  step: { label: "Step", hint: "What to do, as an order", budget: 48 },
  stars: { label: "Stars", hint: "0 to 5", budget: 1 },
  link: { label: "Link as a code", hint: "Where the code leads", budget: 80 },
};

type WordsMore = Partial<
  Pick<
    WordsSlot,
    "label" | "hint" | "required" | "budget" | "binding" | "fallback" | "color" | "capitals" | "numbered" | "emphasis"
  >
> & { readonly allows?: Partial<SlotAllows> };

/** A words slot. Required unless said otherwise. */
export function words(id: string, role: WordsRole, { allows, required = true, ...more }: WordsMore = {}): WordsSlot {
  return { kind: "words", id, role, ...ROLE_DEFAULTS[role], ...more, required, allows: slotAllows(required, allows) };
}

type MediaMore = Partial<Pick<MediaSlot, "label" | "hint" | "required" | "accepts" | "from">> &
  Partial<MediaSlot["needs"]>;

/** A slot for a picture or a clip, taken from the product until one is chosen. */
export function picture(
  id: string,
  {
    label = "Picture",
    hint = "Fills its place; the subject stays in sight",
    required = true,
    accepts = ["picture", "clip"],
    from = "product",
    shape = "any",
    leastPixels = 720,
    leastSeconds = 0,
  }: MediaMore = {},
): MediaSlot {
  return {
    kind: "media",
    id,
    label,
    hint,
    required,
    allows: slotAllows(required),
    accepts,
    from,
    needs: { shape, leastPixels, leastSeconds },
  };
}

export const offer = (): OfferSlot => ({
  kind: "offer",
  id: "offer",
  label: "Offer",
  hint: "From the catalogue",
  required: true,
  allows: slotAllows(true),
});
export const products = (most: number): ProductsSlot => ({
  kind: "products",
  id: "products",
  label: "Products",
  hint: `Up to ${most} rows from the catalogue`,
  required: true,
  most,
  allows: slotAllows(true),
});

/** An arrangement by its name, with what is to be other than usual. */
export function by<Name extends ArrangementName>(name: Name, more: Partial<ArrangementOf<Name>> = {}): Arrangement {
  return { ...newArrangement(name), ...more };
}

type SceneParts = Partial<Pick<SceneTemplate, "ground" | "logo" | "places">> & {
  /** Milliseconds. */
  readonly length: number;
  readonly arrangement: Arrangement;
  readonly slots: readonly Slot[];
  /** Milliseconds of transition in. */
  readonly overlap?: number;
  readonly allows?: Partial<SceneAllows>;
};

export function scene(
  id: string,
  name: string,
  { length, arrangement, slots, ground = "card", logo = false, overlap = 500, allows = {}, places = {} }: SceneParts,
): SceneTemplate {
  return {
    id,
    name,
    arrangement,
    length: millis(length),
    overlap: millis(overlap),
    ground,
    logo,
    slots,
    allows: { ...SCENE_ALLOWS, ...allows },
    places,
  };
}

/** The end of most templates: who and where. A filler can't take it away. */
export function signOff(
  length: number,
  more: {
    readonly code?: boolean;
    readonly overlap?: number;
    readonly from?: MediaSlot["from"];
    readonly picture?: boolean;
    readonly ground?: SceneTemplate["ground"];
    readonly call?: string;
  } = {},
): SceneTemplate {
  const slots: Slot[] = [
    words("call", "call", more.call === undefined ? { binding: "brand.call" } : { fallback: more.call }),
    words("website", "contact", { label: "First line", binding: "brand.sign-off.first", required: false }),
    words("handle", "contact", { label: "Second line", binding: "brand.sign-off.second", required: false, budget: 24 }),
  ];
  if (more.code) slots.push(words("link", "link", { binding: "brand.website", required: false }));
  if (more.picture !== false)
    slots.push(
      picture("picture", {
        label: "Picture behind",
        hint: "Blurred and shaded",
        from: more.from ?? "product",
        leastPixels: 0,
      }),
    );
  return scene("sign-off", "Sign-off", {
    length,
    arrangement: by("sign-off", { code: more.code ?? false }),
    slots,
    ground: more.ground ?? "primary",
    logo: true,
    overlap: more.overlap ?? 500,
    allows: { remove: false, arrangement: false },
  });
}

type TemplateParts = Pick<Template, "slug" | "name" | "purpose" | "about" | "scenes"> & {
  readonly formats?: Template["formats"];
  readonly style?: Partial<TemplateStyle>;
};

export function template({ style = {}, ...parts }: TemplateParts): Template {
  return {
    version: TEMPLATE_VERSION,
    formats: USUAL_FORMATS,
    ...parts,
    style: { motion: "rise", transition: "crossfade", zoom: true, faces: {}, ...style },
    sound: { fadeIn: millis(1000), fadeOut: millis(1500), loudness: -14 },
    items: {},
    adjustments: {},
  };
}
