import { mediaFill } from "../core/document/shots";
import { awaitedBy, fillAwaiting } from "../server/promotions/awaitedFills";
import { type StoredPromotion, promotionBySlug } from "../server/promotions/promotionStore";
import { type TestTeam, testTeam } from "../server/testing/team";
import { addOffers } from "./offers";
import { addPromotions } from "./promotions";

let team: TestTeam;
const media = new Map<string, string>();
beforeAll(async () => {
  team = await testTeam();
  for (const name of ["Tamsin Kell", "Delphine Orrow", "Imre Vass"])
    await team.scope
      .insert("member", { name, email: `${name}-${team.memberId}@example.com`, role: "marketer", password_hash: "x" })
      .execute();
  for (const name of ["corner-in-march.jpg", "corner-in-june.jpg", "shop-shelves.jpg", "herb-tray.jpg", "rye-loaf.jpg"])
    media.set(name, await team.picture(name));
  for (const name of ["bench-morning.jpg", "pots-stacked.jpg", "friday-box.jpg", "sesame-buns.jpg"])
    media.set(name, await team.picture(name));
  for (const name of ["morning-watering.wav", "potting-bench.wav"])
    media.set(name, await team.picture(name, { kind: "sound" }));
  const facts = JSON.stringify({
    ...{ width: 1280, height: 1080, levels: 5, focal: { x: 0.5, y: 0.5 } },
    ...{ frames: 135, rate: { numerator: 30, denominator: 1 }, hasSound: false },
  });
  const clip = { kind: "clip", facts } as const;
  media.set("pot-passing.mp4", await team.picture("pot-passing.mp4", clip));
  media.set("watering-herbs.mp4", await team.picture("watering-herbs.mp4", { ...clip, state: "waiting" }));
  const products = new Map<string, string>();
  for (const key of ["pot", "herbs", "compost", "seeds", "box"]) products.set(key, await team.product(key, 1200));
  const brands = { nursery: await team.brand("Quillfern"), bakehouse: await team.brand("Tallowby Bakehouse") };
  const offers = await addOffers(team.scope, products);
  const unread = new Set([media.get("watering-herbs.mp4") ?? ""]);
  await addPromotions(team.scope, { media, unread, products, offers, brands });
});
afterAll(() => team.close());

const made = (slug: string): Promise<StoredPromotion> => promotionBySlug(team.scope, slug);

test("a clip that was read in is shown from the start", async () => {
  const { document, revision, id } = await made("potting-week-terracotta");
  expect(document.fills["product.picture"]).toEqual(mediaFill(media.get("pot-passing.mp4") ?? ""));
  expect(revision).toBe(1);
  expect(await awaitedBy(team.scope, id)).toEqual([]);
});

test("one that is read in later is awaited, and shown from then on, as somebody of the team had dropped it", async () => {
  const clip = media.get("watering-herbs.mp4") ?? "";
  const before = await made("herb-friday-tray");
  expect(before.document.fills["product.picture"]).toBeUndefined();
  expect(await awaitedBy(team.scope, before.id)).toEqual(["watering-herbs.mp4"]);
  await team.scope.update("media").set({ state: "ready" }).where("id", "=", clip).execute();
  await fillAwaiting(team.scope, clip);
  const after = await made("herb-friday-tray");
  expect(after.document.fills).toEqual({ ...before.document.fills, "product.picture": mediaFill(clip) });
  expect(await awaitedBy(team.scope, before.id)).toEqual([]);
});
