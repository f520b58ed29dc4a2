import { sql } from "kysely";
import { rename } from "../../core/document/edits";
import { type TestTeam, testTeam } from "../testing/team";
import { fileUnder, readCampaign } from "./campaigns";
import {
  ALL_PROMOTIONS,
  type PromotionQuery,
  listPromotions,
  promotionChoices,
  readPromotionQuery,
} from "./promotionList";
import { type StoredPromotion, copyPromotion, createPromotion, saveEdits } from "./promotionStore";

let team: TestTeam;
beforeEach(async () => {
  team = await testTeam();
  await team.brand("Quillfern");
});
afterEach(() => team.close());

const made = async (name: string, template = "one-offer"): Promise<StoredPromotion> =>
  createPromotion(team.scope, { template, product: await team.product(name, 900), offer: null, name }, team.memberId);
const listed = async (query: Partial<PromotionQuery>, zone = "UTC") =>
  (await listPromotions(team.scope, { ...ALL_PROMOTIONS, sort: "name", ...query }, { zone })).promotions;
const names = async (query: Partial<PromotionQuery>, zone?: string) =>
  (await listed(query, zone)).map(({ name }) => name);

test("promotions are filed under a campaign, found by it, and taken out of it; a copy stays in it", async () => {
  const [cup, jug] = [await made("Cup"), await made("Jug")];
  await made("Pot");
  expect(await fileUnder(team.scope, [cup.id, jug.id], readCampaign(" Spring "))).toBe(2);
  await copyPromotion(team.scope, jug.slug, null);
  expect(await names({ campaign: "Spring" })).toEqual(["Cup", "Jug", "Jug, copy"]);
  await fileUnder(team.scope, [cup.id], "");
  expect(await names({ campaign: "Spring" })).toEqual(["Jug", "Jug, copy"]);
  expect((await promotionChoices(team.scope)).campaigns).toEqual(["Spring"]);
  expect(() => readCampaign("x".repeat(61))).toThrow(/at most 60/);
});

test("another team's promotions can't be filed", async () => {
  const cup = await made("Cup");
  const other = await testTeam();
  expect(await fileUnder(other.scope, [cup.id], "Theirs")).toBe(0);
  expect((await listed({}))[0]?.campaign).toBe("");
  await other.close();
});

test("the list is narrowed by product, template and who made it; only what there is, is offered", async () => {
  const [cup, hours] = [await made("Cup"), await made("Hours", "opening-hours")];
  await copyPromotion(team.scope, cup.slug, null);
  const { products, templates, people } = await promotionChoices(team.scope);
  expect(products.map(([, name]) => name)).toEqual(["Cup", "Hours"]);
  expect(templates.map(([slug]) => slug)).toEqual(["one-offer", "opening-hours"]);
  expect(people.map(([id]) => id)).toEqual([team.memberId]);
  expect(await names({ product: cup.document.product ?? "" })).toEqual(["Cup", "Cup, copy"]);
  expect(await names({ template: "opening-hours" })).toEqual(["Hours"]);
  expect(await names({ by: team.memberId })).toEqual(["Cup", "Hours"]);
  expect(await names({ by: team.memberId, product: hours.document.product ?? "" })).toEqual(["Hours"]);
});

test("days are the team's: half past midnight in Sydney is still the day before in London", async () => {
  const cup = await made("Cup");
  const at = "2027-03-09T13:30:00Z";
  await team.scope
    .update("promotion")
    .set({ updated_at: sql<Date>`${at}::timestamptz` })
    .where("id", "=", cup.id)
    .execute();
  const day = { from: "2027-03-10", until: "2027-03-10" };
  expect(await names(day, "Australia/Sydney")).toEqual(["Cup"]);
  expect(await names(day, "Europe/London")).toEqual([]);
  expect(await names({ from: "2027-03-09", until: "2027-03-09" }, "Europe/London")).toEqual(["Cup"]);
});

test("each says how far it has come, and who made it", async () => {
  const cup = await made("Cup");
  const member = { id: team.memberId, name: "Tess", role: "owner" as const };
  await saveEdits(team.scope, cup.slug, { base: cup.revision, edits: [rename("Mug")], member });
  const [first] = await listed({});
  expect(first).toMatchObject({ name: "Mug", state: "not rendered", revision: 2 });
  expect(first?.by).not.toBeNull();
  await team.scope.update("promotion").set({ review: "approved" }).where("id", "=", cup.id).execute();
  expect((await listed({}))[0]?.state).toBe("approved");
});

test.each([
  ["product=1&by=x&from=2027-13-01&until=tomorrow&view=cloud&state=lost&page=-3", {}],
  ["from=2027-02-28&view=list&page=2", { from: "2027-02-28", view: "list", page: 2 }],
] as const)("what an address can't ask for is as if it were not asked: %s", (address, read) => {
  expect(readPromotionQuery(new URLSearchParams(address))).toEqual({ ...ALL_PROMOTIONS, ...read });
});
