import { applyEdit, fillSlot } from "../../core/document/edits";
import { mediaFill } from "../../core/document/shots";
import { saveOffer } from "../catalogue/offers";
import { type TestTeam, formOf, testTeam } from "../testing/team";
import { filesIn, requestRender } from "../render/renditions";
import { loadRenderInput } from "./loadFacts";
import { createPromotion } from "./promotionStore";

const DAY_MS = 86_400_000;
let team: TestTeam;
beforeEach(async () => {
  team = await testTeam();
});
afterEach(() => team.close());

const inDays = (days: number): string => new Date(Date.now() + days * DAY_MS).toISOString().slice(0, 16);

/** A promotion of an offer that runs between two days, counted from today, on a product that costs £12. */
async function promotionOfOffer({ from, to }: { readonly from: number; readonly to: number }) {
  await team.brand("Ash");
  const product = await team.product("Pot", 1200);
  const window = { starts: inDays(from), ends: inDays(to), zone: "UTC" };
  const form = { name: "Pot week", kind: "percent-off", percent: "10", on: "all", ...window };
  const offer = await saveOffer(team.scope, team.team, formOf(form));
  if (!offer.ok) throw new Error(JSON.stringify(offer.problems));
  const made = await createPromotion(
    team.scope,
    { template: "one-offer", product, offer: offer.values.id },
    team.memberId,
  );
  return { ...made, product, offer: offer.values.id };
}
const offerOf = async ({ document }: Awaited<ReturnType<typeof promotionOfOffer>>) =>
  (await loadRenderInput(team.scope, document)).facts.standing.offer;

test.each([
  [{ from: -5, to: 5 }, "running"],
  [{ from: 5, to: 10 }, "coming"],
  [{ from: -10, to: -1 }, "ended"],
] as const)("an offer of %o is %s", async (window, state) => {
  expect(await offerOf(await promotionOfOffer(window))).toMatchObject({ state, claim: null });
});

test("a price that was lower in the month before the offer may not be claimed, and blocks the render", async () => {
  const made = await promotionOfOffer({ from: -1, to: 5 });
  const { product } = made;
  const step = { product_id: product, from_at: new Date(Date.now() - 10 * DAY_MS), currency: "GBP" };
  await team.scope.insert("price_step", [{ ...step, price_minor: 900 }]).execute();
  expect((await offerOf(made))?.claim).toContain("at most £9.00");
  expect(await requestRender(team.scope, made, { files: filesIn(["square"], "480p"), letPass: null })).toEqual({
    blocked: expect.arrayContaining([expect.stringContaining("at most £9.00")]) as unknown,
  });
});

test("a reduction of another offer shortly before counts as a price too", async () => {
  const made = await promotionOfOffer({ from: -1, to: 5 });
  const before = { starts: inDays(-20), ends: inDays(-10), zone: "UTC" };
  await saveOffer(
    team.scope,
    team.team,
    formOf({ name: "Last week", kind: "new-price", price: "8", on: "products", products: made.product, ...before }),
  );
  expect((await offerOf(made))?.claim).toContain("at most £8.00");
});

test("the right to each thing that is shown is looked up for today, and one that has ended blocks the render", async () => {
  const made = await promotionOfOffer({ from: -1, to: 5 });
  const note = { licence: "By contract" };
  const [clear, ended, bare] = [
    await team.picture("clear.jpg", note),
    await team.picture("ended.jpg", { ...note, rights_to: "2020-01-01" }),
    await team.picture("bare.jpg"),
  ];
  const withPicture = (media: string) => applyEdit(made.document, fillSlot("hook.picture", mediaFill(media)));
  const rightsTo = async (media: string) =>
    (await loadRenderInput(team.scope, withPicture(media))).facts.standing.rights[media];
  expect([await rightsTo(clear), await rightsTo(ended), await rightsTo(bare)]).toEqual(["clear", "ended", "missing"]);
  const wish = { files: filesIn(["square"], "480p"), letPass: null };
  expect(await requestRender(team.scope, { ...made, document: withPicture(ended) }, wish)).toEqual({
    blocked: expect.arrayContaining([expect.stringContaining("may not be used any more")]) as unknown,
  });
});
