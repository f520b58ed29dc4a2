import { randomUUID } from "node:crypto";
import { createReadStream } from "node:fs";
import { mkdtemp, rm } from "node:fs/promises";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { Readable } from "node:stream";
import { type Kysely } from "kysely";
import { readPromotion } from "../core/document/promotion";
import { instantOf, wallTime } from "../core/offer/validity";
import { DEMO_PASSWORD } from "../server/auth/demoPassword";
import { hashPassword } from "../server/auth/passwords";
import { type Database, type Role } from "../server/db/tables";
import { type TeamScope, teamScope } from "../server/db/teamScope";
import { ingestMedia } from "../server/media/ingest";
import { receiveMedia } from "../server/media/receive";
import { LOGO_FILE } from "./makeFile";
import { makeAll } from "./makeAll";

const PEOPLE: readonly { name: string; email: string; role: Role }[] = [
  { name: "Imre Vass", email: "imre@quillfern.example.com", role: "owner" },
  { name: "Delphine Orrow", email: "delphine@quillfern.example.com", role: "designer" },
  { name: "Tamsin Kell", email: "tamsin@quillfern.example.com", role: "marketer" },
  { name: "Bram Okoro", email: "bram@quillfern.example.com", role: "reviewer" },
];

const PRODUCTS = [
  { key: "pot", name: "Hand-thrown pot, 24 cm", line: "Frost-proof, thrown and fired in the next street", price_minor: 2400, picture: "bench-morning.jpg" },
  { key: "herbs", name: "Kitchen herb tray", line: "Six pots of herbs, grown without peat or plastic", price_minor: 1250, picture: "herb-tray.jpg" },
  { key: "can", name: "Long-spout watering can", line: "Pours softly, reaches the back of every shelf", price_minor: 3200, picture: "watering-can.jpg" },
  { key: "compost", name: "Peat-free compost, 40 l", line: "Dark, crumbly and made from last year’s leaves", price_minor: 980, picture: "compost-sack.jpg" },
  { key: "seeds", name: "Meadow seed mix", line: "Thirty flowers that bees ask for by name", price_minor: 450, picture: "seed-mixes.jpg" },
  { key: "planter", name: "River planter, glazed", line: "Deep blue, wide enough for a grown fern", price_minor: 3800, picture: "river-planter.jpg" },
] as const;

/** Loads the demo world into an empty database. Does nothing when there is any team already. */
export async function loadDemo(db: Kysely<Database>, tell: (step: string) => void): Promise<void> {
  if (await db.selectFrom("team").select("id").limit(1).executeTakeFirst()) return;
  tell("Making the demo world: pictures, clips, tunes …");
  const team = await db.insertInto("team").values({ name: "Quillfern", locale: "en-GB", zone: "Europe/London", currency: "GBP", is_demo: true }).returning("id").executeTakeFirstOrThrow();
  try {
    await fillTeam(db, teamScope(db, team.id), tell);
  } catch (error) {
    await db.deleteFrom("team").where("id", "=", team.id).execute();
    throw error;
  }
}

async function fillTeam(db: Kysely<Database>, scope: TeamScope, tell: (step: string) => void): Promise<void> {
  const password_hash = await hashPassword(DEMO_PASSWORD);
  await db.insertInto("member").values(PEOPLE.map((person) => ({ ...person, team_id: scope.teamId, password_hash }))).execute();
  const media = await loadMedia(db, scope, tell);
  const brand = await scope
    .addBrand({
      name: "Quillfern",
      palette: JSON.stringify({ ground: "#f4efe2", card: "#fffaf0", ink: "#1f2a24", primary: "#2b5f47", accent: "#c9603a" }),
      headline_family: "Bricolage Grotesque", text_family: "Instrument Sans",
      website: "quillfern.example.com", handle: "@quillfern", call: "Come and choose yours", logo_media_id: media.get(LOGO_FILE) ?? null,
    })
    .returning("id")
    .executeTakeFirstOrThrow();
  const products = new Map<string, string>();
  for (const { key, picture, ...product } of PRODUCTS) {
    const row = await scope.addProduct({ ...product, currency: "GBP", picture_media_id: media.get(picture) ?? null }).returning("id").executeTakeFirstOrThrow();
    products.set(key, row.id);
  }
  const pottingWeek = await addOffer(scope, { name: "Potting week", kind: "percent-off", percent: 15, price_minor: null }, -2, 6);
  const herbFriday = await addOffer(scope, { name: "Herb Friday", kind: "new-price", percent: null, price_minor: 950 }, -1, 4);
  await addOffer(scope, { name: "Spring compost", kind: "percent-off", percent: 20, price_minor: null }, 9, 23);

  const pick = (name: string): { kind: "media"; media: string } => ({ kind: "media", media: media.get(name) ?? "" });
  const words = (text: string): { kind: "words"; text: string } => ({ kind: "words", text });
  await addPromotion(scope, "potting-week-terracotta", {
    name: "Potting week, terracotta", product: products.get("pot"), offer: pottingWeek, tune: media.get("potting-bench.wav"), brand: brand.id,
    fills: {
      "hook.headline": words("Bring the bench to life"), "hook.picture": pick("bench-morning.jpg"), "product.picture": pick("pot-passing.mp4"),
      "offer.picture": pick("pots-stacked.jpg"), "offer.terms": words("While stocks last, in the shop only"), "sign-off.picture": pick("shop-shelves.jpg"),
    },
  });
  await addPromotion(scope, "herb-friday-tray", {
    name: "Herb Friday, the tray", product: products.get("herbs"), offer: herbFriday, tune: media.get("morning-watering.wav"), brand: brand.id,
    fills: { "hook.headline": words("Supper starts on the sill 🌿"), "product.picture": pick("watering-herbs.mp4"), "offer.picture": pick("herb-tray.jpg"), "sign-off.call": words("Pick yours on Friday"), "sign-off.picture": pick("shop-shelves.jpg") },
  });
  tell("The demo world is loaded.");
}

async function loadMedia(db: Kysely<Database>, scope: TeamScope, tell: (step: string) => void): Promise<Map<string, string>> {
  const ids = new Map<string, string>();
  const folder = await mkdtemp(join(tmpdir(), "stencilcraft-demo-"));
  try {
    await makeAll(folder, async (name) => {
      const { id } = await receiveMedia(scope, name, Readable.toWeb(createReadStream(join(folder, name))) as ReadableStream);
      await ingestMedia(db, id);
      ids.set(name, id);
      tell(`  ${name}`);
    });
    return ids;
  } finally {
    await rm(folder, { recursive: true, force: true });
  }
}

/** An offer whose window lies around today, in whole days of the team's zone. */
async function addOffer(scope: TeamScope, offer: { name: string; kind: "percent-off" | "new-price"; percent: number | null; price_minor: number | null }, startDay: number, endDay: number): Promise<string> {
  const zone = "Europe/London";
  const midnight = (days: number): Date => instantOf(`${wallTime(new Date(Date.now() + days * 86_400_000), zone).slice(0, 10)}T00:00`, zone);
  const row = await scope.addOffer({ ...offer, currency: "GBP", starts_at: midnight(startDay), ends_at: midnight(endDay + 1), zone }).returning("id").executeTakeFirstOrThrow();
  return row.id;
}

async function addPromotion(scope: TeamScope, slug: string, parts: { name: string; brand: string; product: string | undefined; offer: string; tune: string | undefined; fills: object }): Promise<void> {
  const document = readPromotion({ version: 1, template: "one-offer", ...parts, product: parts.product ?? null, tune: parts.tune ?? null });
  const json = JSON.stringify(document);
  const { id } = await scope.addPromotion({ id: randomUUID(), slug, name: document.name, document: json }).returning("id").executeTakeFirstOrThrow();
  await scope.addRevision({ promotion_id: id, revision: 1, document: json, member_id: null }).execute();
}
