import { type TestTeam, testTeam } from "../testing/team";
import { archivePromotions, removeArchived, restorePromotions } from "./archived";
import { ALL_PROMOTIONS, type PromotionState, listPromotions } from "./promotionList";
import { type StoredPromotion, createPromotion, promotionBySlug } from "./promotionStore";

let team: TestTeam;
beforeEach(async () => {
  team = await testTeam();
  await team.brand("Quillfern");
});
afterEach(() => team.close());

const made = async (name: string): Promise<StoredPromotion> =>
  createPromotion(
    team.scope,
    { template: "one-offer", product: await team.product(name, 900), offer: null, name },
    team.memberId,
  );
const listed = async (state: PromotionState, words = ""): Promise<readonly string[]> =>
  (await listPromotions(team.scope, { ...ALL_PROMOTIONS, words, state, sort: "name" })).promotions.map(
    ({ name }) => name,
  );

test("what is archived is out of every list of work, found among the archived, and comes back as it was", async () => {
  const [cup, jug] = [await made("Cup"), await made("Jug")];
  expect(await archivePromotions(team.scope, [cup.id])).toBe(1);
  expect(await listed("all")).toEqual(["Jug"]);
  expect(await listed("not rendered")).toEqual(["Jug"]);
  expect(await listed("archived")).toEqual(["Cup"]);
  expect(await listed("archived", "jug")).toEqual([]);
  expect((await promotionBySlug(team.scope, cup.slug)).document).toEqual(cup.document);
  expect(await restorePromotions(team.scope, [cup.id, jug.id])).toBe(2);
  expect(await listed("all")).toEqual(["Cup", "Jug"]);
  expect(await listed("archived")).toEqual([]);
});

test("only what was archived can be removed for good, with all that hangs on it; another team's is not touched", async () => {
  const [cup, jug] = [await made("Cup"), await made("Jug")];
  await archivePromotions(team.scope, [cup.id]);
  const other = await testTeam();
  expect(await removeArchived(other.scope, [cup.id])).toBe(0);
  expect(await archivePromotions(other.scope, [jug.id])).toBe(0);
  await other.close();
  expect(await removeArchived(team.scope, [cup.id, jug.id])).toBe(1);
  expect(await listed("all")).toEqual(["Jug"]);
  expect(await listed("archived")).toEqual([]);
  const revisions = await team.scope.select("promotion_revision").select("promotion_id").execute();
  expect(revisions.map(({ promotion_id }) => promotion_id)).toEqual([jug.id]);
  expect(await removeArchived(team.scope, [])).toBe(0);
});
