import { type Fill } from "../core/document/promotion";
import { mediaFill } from "../core/document/shots";
import { randomUUID } from "node:crypto";
import { copyFile } from "node:fs/promises";
import { join } from "node:path";
import { type Kysely } from "kysely";
import { addPlacement, applyEdit } from "../core/document/edits";
import { newPromotion } from "../core/document/newPromotion";
import { type Promotion, readPromotion } from "../core/document/promotion";
import { shippedRef, shippedTemplate } from "../core/templates/shipped";
import { money } from "../core/offer/money";
import { type OfferScope } from "../core/offer/scope";
import { type OfferTerms } from "../core/offer/terms";
import { instantOf, wallTime } from "../core/offer/validity";
import { DEMO_PASSWORD } from "../server/auth/demoPassword";
import { hashPassword } from "../server/auth/passwords";
import { setPictures } from "../server/catalogue/productPictures";
import { type Database, type Role } from "../server/db/tables";
import { type TeamScope, teamScope } from "../server/db/teamScope";
import { ingestMedia } from "../server/media/ingest";
import { receiveMedia } from "../server/media/receive";
import { mediaFacts } from "../server/media/storedFacts";
import { withTones } from "../server/media/tones";
import { inWorkFolder } from "../server/workFolder";
import { LOGOS } from "./art/logo";
import { quillfernBook, tallowbyBook } from "./brandBooks";
import { BAKEHOUSE_LOGO } from "./makeFile";
import { withDemoFiles } from "./demoFiles";

const PEOPLE: readonly { name: string; email: string; role: Role; operates?: boolean }[] = [
  { name: "Imre Vass", email: "imre@quillfern.example.com", role: "owner", operates: true },
  { name: "Delphine Orrow", email: "delphine@quillfern.example.com", role: "designer" },
  { name: "Tamsin Kell", email: "tamsin@quillfern.example.com", role: "marketer" },
  { name: "Bram Okoro", email: "bram@quillfern.example.com", role: "reviewer" },
];

const PRODUCTS = [
  {
    key: "pot",
    name: "Hand-thrown pot, 24 cm",
    line: "Frost-proof, thrown and fired in the next street",
    price_minor: 2400,
    picture: "bench-morning.jpg",
    code: "POT-24",
    tags: ["nursery", "pots", "potting"],
  },
  {
    key: "herbs",
    name: "Kitchen herb tray",
    line: "Six pots of herbs, grown without peat or plastic",
    price_minor: 1250,
    picture: "herb-tray.jpg",
    code: "HERB-6",
    tags: ["nursery", "herbs"],
  },
  {
    key: "can",
    name: "Long-spout watering can",
    line: "Pours softly, reaches the back of every shelf",
    price_minor: 3200,
    picture: "watering-can.jpg",
    code: "CAN-1",
    tags: ["nursery", "tools"],
  },
  {
    key: "compost",
    name: "Peat-free compost, 40 l",
    content_quantity: 40,
    content_unit: "l",
    line: "Dark, crumbly and made from last year’s leaves",
    price_minor: 980,
    picture: "compost-sack.jpg",
    code: "6291041500213",
    tags: ["nursery", "soil", "potting"],
  },
  {
    key: "seeds",
    name: "Meadow seed mix",
    line: "Thirty flowers that bees ask for by name",
    price_minor: 450,
    picture: "seed-mixes.jpg",
    code: "SEED-30",
    tags: ["nursery", "seeds", "potting"],
  },
  {
    key: "loaf",
    name: "Rye loaf, two days old dough",
    line: "Dark crust, keeps for a week",
    price_minor: 420,
    picture: "rye-loaf.jpg",
    code: "LOAF-R",
    tags: ["bakehouse"],
  },
  {
    key: "buns",
    name: "Sesame buns, six",
    line: "Out of the oven at seven and at noon",
    price_minor: 360,
    content_quantity: 6,
    content_unit: "piece",
    picture: "sesame-buns.jpg",
    code: "BUN-6",
    tags: ["bakehouse"],
  },
  {
    key: "box",
    name: "The Friday box",
    line: "Bread and buns for a whole weekend",
    price_minor: 1400,
    picture: "friday-box.jpg",
    code: "BOX-F",
    tags: ["bakehouse"],
  },
  {
    key: "planter",
    name: "River planter, glazed",
    line: "Deep blue, wide enough for a grown fern",
    price_minor: 3800,
    picture: "river-planter.jpg",
    code: "PLANTER-B",
    tags: ["nursery", "pots", "potting"],
  },
] as const;

/** Pictures and clips of a product besides its main one. */
const MORE_PICTURES: Readonly<Record<string, readonly string[]>> = {
  pot: ["pot-cut-out.png", "pots-stacked.jpg", "pot-passing.mp4"],
  herbs: ["watering-herbs.mp4"],
  seeds: ["corner-in-march.jpg", "corner-in-june.jpg"],
  loaf: ["loaf-cut-out.png", "bread-morning.jpg"],
};

/**
 * Loads the demo world into an empty database. Does nothing when there is any team already; one whose loading was cut short
 * is loaded anew, from the files that were made by then.
 */
export async function loadDemo(db: Kysely<Database>, tell: (step: string) => void): Promise<void> {
  await db.deleteFrom("team").where("is_demo", "=", true).where("loaded", "=", false).execute();
  if (await db.selectFrom("team").select("id").limit(1).executeTakeFirst()) return;
  tell("Making the demo world: pictures, clips, tunes …");
  const team = await db
    .insertInto("team")
    .values({
      ...{ name: "Quillfern", locale: "en-GB", zone: "Europe/London", currency: "GBP" },
      ...{ is_demo: true, loaded: false },
    })
    .returning("id")
    .executeTakeFirstOrThrow();
  try {
    await fillTeam(db, teamScope(db, team.id), tell);
    await db.updateTable("team").set({ loaded: true }).where("id", "=", team.id).execute();
    tell("The demo world is loaded.");
  } catch (error) {
    await db.deleteFrom("team").where("id", "=", team.id).execute();
    throw error;
  }
}

async function fillTeam(db: Kysely<Database>, scope: TeamScope, tell: (step: string) => void): Promise<void> {
  const password_hash = await hashPassword(DEMO_PASSWORD);
  await db
    .insertInto("member")
    .values(PEOPLE.map((person) => ({ ...person, team_id: scope.teamId, password_hash })))
    .execute();
  const media = await loadMedia(db, scope, tell);
  const brand = await scope
    .insert("brand", {
      name: "Quillfern",
      book: JSON.stringify(quillfernBook(media)),
    })
    .returning("id")
    .executeTakeFirstOrThrow();
  const bakehouse = await scope
    .insert("brand", { name: "Tallowby Bakehouse", book: JSON.stringify(tallowbyBook(media)) })
    .returning("id")
    .executeTakeFirstOrThrow();
  const products = new Map<string, string>();
  for (const { key, picture, ...product } of PRODUCTS) {
    const row = await scope
      .insert("product", { ...product, tags: [...product.tags], currency: "GBP" })
      .returning("id")
      .executeTakeFirstOrThrow();
    products.set(key, row.id);
    await setPictures(
      scope,
      row.id,
      [picture, ...(MORE_PICTURES[key] ?? [])].flatMap((name) => media.get(name) ?? []),
    );
    await scope
      .insert("price_step", [
        {
          product_id: row.id,
          from_at: new Date(Date.now() - 90 * 86_400_000),
          price_minor: product.price_minor,
          currency: "GBP",
        },
      ])
      .execute();
  }
  const pottingWeek = await addOffer(
    scope,
    "Potting week",
    { kind: "percent-off", percent: 15, ending: "exact" },
    { on: "tags", tags: ["potting"] },
    -2,
    6,
  );
  const herbFriday = await addOffer(
    scope,
    "Herb Friday",
    { kind: "new-price", price: money(950, "GBP") },
    { on: "products", products: [products.get("herbs") ?? ""] },
    -1,
    4,
  );
  await addOffer(
    scope,
    "Spring compost",
    { kind: "buy-x-get-y", buy: 2, free: 1 },
    { on: "products", products: [products.get("compost") ?? ""] },
    9,
    23,
  );

  const warmWeek = await addOffer(
    scope,
    "Warm week",
    { kind: "money-off", amount: money(150, "GBP"), ending: "exact" },
    { on: "tags", tags: ["bakehouse"] },
    -3,
    3,
  );

  const pick = (name: string): Fill => mediaFill(media.get(name) ?? "");
  const words = (text: string): { kind: "words"; text: string } => ({ kind: "words", text });
  await addPromotion(scope, "shed-corner-spring", {
    name: "The shed corner, March to June",
    ...{ campaign: "Spring", by: "Tamsin Kell" },
    template: "before-and-after",
    product: products.get("seeds"),
    tune: media.get("morning-watering.wav"),
    brand: brand.id,
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
    offer: pottingWeek,
    placements: ["square-feed", "vertical-full-screen", "widescreen-player"],
    tune: media.get("potting-bench.wav"),
    brand: brand.id,
    fills: {
      "hook.headline": words("Bring the bench to life"),
      "hook.picture": pick("bench-morning.jpg"),
      "product.picture": pick("pot-passing.mp4"),
      "offer.picture": pick("pots-stacked.jpg"),
      "offer.terms": words("While stocks last, in the shop only"),
      "sign-off.picture": pick("shop-shelves.jpg"),
    },
  });
  await addPromotion(scope, "herb-friday-tray", {
    name: "Herb Friday, the tray",
    ...{ campaign: "Fridays", by: "Delphine Orrow" },
    template: "one-offer",
    product: products.get("herbs"),
    offer: herbFriday,
    tune: media.get("morning-watering.wav"),
    brand: brand.id,
    fills: {
      "hook.headline": words("Supper starts on the sill 🌿"),
      "product.picture": pick("watering-herbs.mp4"),
      "offer.picture": pick("herb-tray.jpg"),
      "sign-off.call": words("Pick yours on Friday"),
      "sign-off.picture": pick("shop-shelves.jpg"),
    },
  });
  await addPromotion(scope, "friday-box-warm-week", {
    name: "The Friday box, warm week",
    ...{ campaign: "Fridays", by: "Imre Vass" },
    template: "one-offer",
    product: products.get("box"),
    offer: warmWeek,
    tune: media.get("morning-watering.wav"),
    brand: bakehouse.id,
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

async function loadMedia(
  db: Kysely<Database>,
  scope: TeamScope,
  tell: (step: string) => void,
): Promise<Map<string, string>> {
  const ids = new Map<string, string>();
  const take = async (name: string, path: string): Promise<string> => {
    const isLogo = name in LOGOS || name === BAKEHOUSE_LOGO;
    const { id } = await inWorkFolder("demo", async (folder) => {
      // The file itself is kept for the next demo world.
      const copy = join(folder, "file");
      await copyFile(path, copy);
      return receiveMedia(scope, name, copy, { isLogo });
    });
    await noteOrigin(scope, id, name);
    await ingestMedia(db, id);
    ids.set(name, id);
    tell(`  ${name}`);
    const row = await scope.media().selectAll().where("id", "=", id).executeTakeFirstOrThrow();
    // Measured now, so that the first desk that is opened need not wait for it.
    const facts = mediaFacts(row);
    if (facts) await withTones(facts, row.sha256);
    return row.sha256;
  };
  await withDemoFiles(take);
  return ids;
}

/** Everything of the demo is the team's own work. */
async function noteOrigin(scope: TeamScope, id: string, name: string): Promise<void> {
  const tags = name
    .replace(/\.\w+$/, "")
    .split("-")
    .filter((word) => word.length > 3);
  await scope
    .update("media")
    .set({ tags, source: "made in the potting shed", licence: "own work", holder: "Quillfern" })
    .where("id", "=", id)
    .execute();
}

/** An offer whose window lies around today, in whole days of the team's zone. */
async function addOffer(
  scope: TeamScope,
  name: string,
  terms: OfferTerms,
  on: OfferScope,
  startDay: number,
  endDay: number,
): Promise<string> {
  const zone = "Europe/London";
  const midnight = (days: number): Date =>
    instantOf(`${wallTime(new Date(Date.now() + days * 86_400_000), zone).slice(0, 10)}T00:00`, zone);
  const row = await scope
    .insert("offer", {
      name,
      terms: JSON.stringify(terms),
      scope: JSON.stringify(on),
      currency: "GBP",
      starts_at: midnight(startDay),
      ends_at: midnight(endDay + 1),
      zone,
    })
    .returning("id")
    .executeTakeFirstOrThrow();
  return row.id;
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
    placements?: readonly string[];
  },
): Promise<void> {
  const template = shippedTemplate(parts.template);
  if (!template) throw new RangeError(`There is no template “${parts.template}”.`);
  const ref = shippedRef(template);
  const { name, brand, product, offer, tune, fills } = parts;
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
}
