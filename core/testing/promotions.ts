import { NO_STANDING } from "../document/standing";
import { type BrandFacts, type ClipFacts, type Facts, type MediaFacts, type PictureFacts } from "../document/facts";
import { newPromotion } from "../document/newPromotion";
import { type Template } from "../document/template";
import { ONE_OFFER } from "../templates/priceDrops";
import { SHIPPED_BY_REF, shippedRef } from "../templates/shipped";
import { type Promotion } from "../document/promotion";
import { CENTRE } from "../geometry/framing";

const id = (number: number): string => `00000000-0000-4000-8000-${String(number).padStart(12, "0")}`;

export const BRAND_ID = id(1);
export const PRODUCT_ID = id(2);
export const PICTURE_ID = id(4);
export const CLIP_ID = id(5);
const LOGO_ID = id(6);

export const testPicture = (change: Partial<PictureFacts> = {}): PictureFacts => ({
  kind: "picture",
  id: PICTURE_ID,
  name: "pot.jpg",
  width: 1600,
  height: 1200,
  levels: 6,
  focal: CENTRE,
  ...change,
});

export const testClip = (change: Partial<ClipFacts> = {}): ClipFacts => ({
  kind: "clip",
  id: CLIP_ID,
  name: "pot.mp4",
  width: 1280,
  height: 720,
  levels: 5,
  focal: CENTRE,
  frames: 120,
  rate: { numerator: 30, denominator: 1 },
  hasSound: false,
  ...change,
});

export const TEST_LOGO = testPicture({
  id: LOGO_ID,
  name: "logo.svg",
  width: 1200,
  height: 300,
  colors: [{ hex: "#20382c", share: 1 }],
});

export const TEST_BRAND: BrandFacts = {
  id: BRAND_ID,
  name: "Quillfern",
  palette: {
    ground: "#f4efe2",
    card: "#fffaf0",
    ink: "#1f2a24",
    primary: "#2b5f47",
    accent: "#c9603a",
    sale: "#b3261e",
  },
  faces: {
    headline: { family: "Bricolage Grotesque", weight: 800 },
    text: { family: "Instrument Sans", weight: 400 },
    figures: { family: "Bricolage Grotesque", weight: 800 },
  },
  ownFaces: [],
  signOff: { first: "quillfern.example.com", second: "@quillfern" },
  call: "Come and choose yours",
  website: "quillfern.example.com",
  handle: "@quillfern",
  logos: [{ variant: "full", picture: TEST_LOGO }],
  logoRules: { clearSpace: 0.25, leastWidth: 160 },
  watermark: null,
};

export function testFacts(change: Partial<Facts> = {}): Facts {
  const media: readonly MediaFacts[] = [testPicture(), testClip(), TEST_LOGO];
  return {
    brand: TEST_BRAND,
    product: {
      id: PRODUCT_ID,
      name: "Hand-thrown pot, 24 cm",
      line: "Frost-proof, thrown and fired in the next street",
      price: "£24.00",
      picture: PICTURE_ID,
    },
    offer: {
      was: "£24.00",
      now: "£20.40",
      badge: "15\u00a0% off",
      saving: "You save £3.60",
      saved: "£3.60",
      percent: "15\u00a0%",
      lastDay: "Sunday 29 November",
      until: "Until Sunday 29 November",
      short: "£24.00 → £20.40",
      long: "Hand-thrown pot: £20.40 instead of £24.00, until Sunday 29 November",
      plain: "Hand-thrown pot: £20.40 instead of £24.00, until Sunday 29 November",
    },
    products: {},
    listed: [],
    templates: SHIPPED_BY_REF,
    media: Object.fromEntries(media.map((item) => [item.id, item])),
    standing: NO_STANDING,
    ...change,
  };
}

export const testDocument = (change: Partial<Promotion> = {}): Promotion => ({ ...promotionOf(ONE_OFFER), ...change });

/** A promotion of a shipped template, nothing filled. */
export const promotionOf = (template: Template): Promotion =>
  newPromotion(shippedRef(template), template, {
    name: "Potting week",
    brand: BRAND_ID,
    product: PRODUCT_ID,
    offer: id(3),
  });
