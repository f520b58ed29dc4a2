import { adjust, applyEdit, fillSlot } from "../../core/document/edits";
import { type Promotion } from "../../core/document/promotion";
import { millis } from "../../core/units";
import { type TestTeam, testTeam } from "../testing/team";
import { createPromotion, promotionBySlug, saveEdits } from "./promotionStore";
import { linkedVersions, makeShorter, takeOverLonger } from "./shorterVersions";

let team: TestTeam;
let other: TestTeam;
beforeAll(async () => {
  [team, other] = await Promise.all([testTeam(), testTeam()]);
  await team.brand("Quillfern");
});
afterAll(() => Promise.all([team.close(), other.close()]));

const member = () => ({ id: team.memberId, name: "Tess", role: "marketer" as const });
const skipped = (document: Promotion): Promotion =>
  [
    adjust("skipped", true, { target: { scene: "product" } }),
    adjust("held", millis(9000), { target: { scene: "" }, layer: "@all" }),
  ].reduce(applyEdit, document);

async function longAndShort(product: string) {
  const long = await createPromotion(
    team.scope,
    { template: "one-offer", product: await team.product(product, 1900), offer: null },
    team.memberId,
  );
  const sent = { intent: "make", seconds: 9, document: skipped(long.document), revision: long.revision };
  const short = await makeShorter(team.scope, long.slug, sent, member());
  return { long, short, sent };
}

test("a shorter version is a promotion of its own, named by its length, and each knows of the other", async () => {
  const { long, short } = await longAndShort("Vase");
  expect(short.name).toBe(`${long.document.name}, 9 s`);
  const { document } = await promotionBySlug(team.scope, short.slug);
  expect(document).toEqual({
    ...skipped(long.document),
    name: short.name,
    longer: { promotion: long.id, revision: long.revision },
  });
  expect(await linkedVersions(team.scope, long.slug)).toEqual({
    longer: null,
    shorter: [{ slug: short.slug, name: short.name, held: 9000 }],
  });
  expect((await linkedVersions(team.scope, short.slug)).longer).toEqual({
    slug: long.slug,
    name: long.document.name,
    isNewer: false,
  });
});

test("what is changed in the longer one is told, and comes in when it is asked for: once", async () => {
  const { long, short } = await longAndShort("Bowl");
  const words = fillSlot("hook.headline", { kind: "words", text: "New words" });
  await saveEdits(team.scope, long.slug, { base: long.revision, edits: [words], member: member() });
  expect((await linkedVersions(team.scope, short.slug)).longer?.isNewer).toBe(true);
  await takeOverLonger(team.scope, short.slug, member());
  const { document } = await promotionBySlug(team.scope, short.slug);
  expect(document.fills["hook.headline"]).toEqual({ kind: "words", text: "New words" });
  expect(document.adjustments).toEqual(skipped(long.document).adjustments);
  expect((await linkedVersions(team.scope, short.slug)).longer?.isNewer).toBe(false);
  expect(await takeOverLonger(team.scope, short.slug, member())).toBeNull();
});

test("what is made of an older state, is no promotion, or would touch another team's, is refused in words", async () => {
  const { long, sent } = await longAndShort("Jug");
  const make = (change: object) => makeShorter(team.scope, long.slug, { ...sent, ...change }, member());
  await expect(make({ revision: long.revision + 1 })).rejects.toThrow("has just been changed");
  await expect(make({ seconds: 0 })).rejects.toThrow("a second at least");
  await expect(make({ document: { version: 6 } })).rejects.toThrow();
  await expect(makeShorter(other.scope, long.slug, sent, member())).rejects.toMatchObject({ status: 404 });
  const foreign = { ...long.document, product: await other.product("Foreign", 100) };
  await expect(make({ document: foreign })).rejects.toThrow();
  await expect(takeOverLonger(team.scope, long.slug, member())).rejects.toThrow("not a shorter version");
});
