import { setPictures } from "../server/catalogue/productPictures";
import { type TeamScope } from "../server/db/teamScope";

/** What the made-up shops sell. */
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
 * Adds what the made-up shops sell. Gives the products' ids by their keys.
 *
 * @param media ids of pictures and clips by the names of their files
 */
export async function addProducts(
  scope: TeamScope,
  media: ReadonlyMap<string, string>,
): Promise<ReadonlyMap<string, string>> {
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
  return products;
}
