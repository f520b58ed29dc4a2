import { randomUUID } from "node:crypto";
import { addPlacement, applyEdit } from "../core/document/edits";
import { newPromotion } from "../core/document/newPromotion";
import { type Fill, type Promotion, readPromotion } from "../core/document/promotion";
import { type SlotKey } from "../core/document/sceneTemplate";
import { mediaFill } from "../core/document/shots";
import { shippedRef, shippedTemplate } from "../core/templates/shipped";
import { type TeamScope } from "../server/db/teamScope";
import { awaitFill } from "../server/promotions/awaitedFills";
import { type DemoOffers } from "./offers";

/** What the made-up team's promotions are made of, by ids. */
interface DemoParts {
  /** By the names of their files. */
  readonly media: ReadonlyMap<string, string>;
  /** Items that are read in later: what shows them does so from then on. */
  readonly unread: ReadonlySet<string>;
  /** By their keys. */
  readonly products: ReadonlyMap<string, string>;
  readonly offers: DemoOffers;
  readonly brands: { readonly nursery: string; readonly bakehouse: string };
}

/** A clip and the slot that shows it, at once or as soon as it is read in. */
interface DemoClip {
  readonly slot: SlotKey;
  readonly media: string;
  readonly isReadIn: boolean;
}

export async function addPromotions(
  scope: TeamScope,
  { media, unread, products, offers, brands }: DemoParts,
): Promise<void> {
  const pick = (name: string): Fill => mediaFill(media.get(name) ?? "");
  const clip = (slot: SlotKey, name: string): DemoClip => {
    const id = media.get(name) ?? "";
    return { slot, media: id, isReadIn: !unread.has(id) };
  };
  const words = (text: string): { kind: "words"; text: string } => ({ kind: "words", text });
  await addPromotion(scope, "shed-corner-spring", {
    name: "The shed corner, March to June",
    ...{ campaign: "Spring", by: "Tamsin Kell" },
    template: "before-and-after",
    product: products.get("seeds"),
    tune: media.get("morning-watering.wav"),
    brand: brands.nursery,
    fills: {
      "change.headline": words("March to June, one corner"),
      "change.before": words("March"),
      "change.after": words("June"),
      "change.first": pick("corner-in-march.jpg"),
      "change.second": pick("corner-in-june.jpg"),
      "sign-off.picture": pick("corner-in-june.jpg"),
    },
  });
  await addPromotion(scope, "potting-week-terracotta", {
    name: "Potting week, terracotta",
    ...{ campaign: "Spring", by: "Tamsin Kell" },
    template: "one-offer",
    product: products.get("pot"),
    offer: offers.pottingWeek,
    placements: ["square-feed", "vertical-full-screen", "widescreen-player"],
    tune: media.get("potting-bench.wav"),
    brand: brands.nursery,
    fills: {
      "hook.headline": words("Bring the bench to life"),
      "hook.picture": pick("bench-morning.jpg"),
      "offer.picture": pick("pots-stacked.jpg"),
      "offer.terms": words("While stocks last, in the shop only"),
      "sign-off.picture": pick("shop-shelves.jpg"),
    },
    clip: clip("product.picture", "pot-passing.mp4"),
  });
  await addPromotion(scope, "herb-friday-tray", {
    name: "Herb Friday, the tray",
    ...{ campaign: "Fridays", by: "Delphine Orrow" },
    template: "one-offer",
    product: products.get("herbs"),
    offer: offers.herbFriday,
    tune: media.get("morning-watering.wav"),
    brand: brands.nursery,
    fills: {
      "hook.headline": words("Supper starts on the sill 🌿"),
      "offer.picture": pick("herb-tray.jpg"),
      "sign-off.call": words("Pick yours on Friday"),
      "sign-off.picture": pick("shop-shelves.jpg"),
    },
    clip: clip("product.picture", "watering-herbs.mp4"),
  });
  await addPromotion(scope, "friday-box-warm-week", {
    name: "The Friday box, warm week",
    ...{ campaign: "Fridays", by: "Imre Vass" },
    template: "one-offer",
    product: products.get("box"),
    offer: offers.warmWeek,
    tune: media.get("morning-watering.wav"),
    brand: brands.bakehouse,
    fills: {
      "hook.headline": words("The weekend comes in a box"),
      "hook.picture": pick("rye-loaf.jpg"),
      "product.picture": pick("friday-box.jpg"),
      "offer.picture": pick("sesame-buns.jpg"),
      "offer.terms": words("While the oven is hot"),
      "sign-off.call": words("Order your Friday box"),
      "sign-off.picture": pick("rye-loaf.jpg"),
    },
  });
}

async function addPromotion(
  scope: TeamScope,
  slug: string,
  parts: {
    name: string;
    campaign: string;
    /** Who made it. */
    by: string;
    template: string;
    brand: string;
    product: string | undefined;
    offer?: string;
    tune: string | undefined;
    fills: Promotion["fills"];
    clip?: DemoClip;
    placements?: readonly string[];
  },
): Promise<void> {
  const template = shippedTemplate(parts.template);
  if (!template) throw new RangeError(`There is no template “${parts.template}”.`);
  const ref = shippedRef(template);
  const { name, brand, product, offer, tune, clip } = parts;
  const fills = { ...parts.fills, ...(clip?.isReadIn && { [clip.slot]: mediaFill(clip.media) }) };
  const chosen = { name, brand, product: product ?? null, offer: offer ?? null, tune: tune ?? null, fills };
  const blank = newPromotion(ref, template, chosen);
  const placed = (parts.placements ?? []).reduce(
    (now, placement) => applyEdit(now, addPlacement(now, placement)),
    blank,
  );
  const document = readPromotion(placed);
  const json = JSON.stringify(document);
  const { id: made_by } = await scope
    .select("member")
    .select("id")
    .where("name", "=", parts.by)
    .executeTakeFirstOrThrow();
  const { id } = await scope
    .insert("promotion", {
      ...{ id: randomUUID(), slug, name: document.name, document: json },
      ...{ campaign: parts.campaign, made_by },
    })
    .returning("id")
    .executeTakeFirstOrThrow();
  await scope
    .insert("promotion_revision", { promotion_id: id, revision: 1, document: json, member_id: made_by })
    .execute();
  if (clip && !clip.isReadIn) await awaitFill(scope, clip.media, { promotion: slug, slot: clip.slot }, made_by);
}
