import { fillSlot, applyEdit } from "../../core/document/edits";
import { type Promotion } from "../../core/document/promotion";
import { createPromotion } from "../promotions/promotionStore";
import { type TestTeam, testTeam } from "../testing/team";
import { readReason } from "./passed";
import { filesIn, rendersOf, requestRender } from "./renditions";

let team: TestTeam;
beforeEach(async () => {
  team = await testTeam();
});
afterEach(() => team.close());

async function promotion(headline: string) {
  await team.brand("Ash");
  const product = await team.product("Pot", 2400);
  const made = await createPromotion(team.scope, { template: "opening-hours", product, offer: null }, team.memberId);
  const document: Promotion = applyEdit(made.document, fillSlot("notice.headline", { kind: "words", text: headline }));
  return { ...made, document };
}
const WISH = { files: filesIn(["square"], "480p") };
const LONG =
  "Open again on Monday and on Tuesday, and closed on the three days after that for the stock count and the fair";

test("what must be mended blocks a render, with its place in words, and nothing is queued", async () => {
  const made = await promotion(LONG);
  const answer = await requestRender(team.scope, made, { ...WISH, letPass: null });
  expect(answer).toEqual({
    blocked: expect.arrayContaining([expect.stringMatching(/^Scene 1 · Headline/)]) as unknown,
  });
  expect(await rendersOf(team.scope, made.id)).toEqual([]);
});

test("let pass by somebody with a reason it is rendered, and who, why and what are kept with the render", async () => {
  const made = await promotion(LONG);
  const letPass = { by: "Imre Vass", reason: "It stands on a printed poster too" };
  expect(await requestRender(team.scope, made, { ...WISH, letPass })).toHaveProperty("render");
  const [render] = await rendersOf(team.scope, made.id);
  expect(render?.passed).toMatchObject(letPass);
  expect(render?.passed?.found.length).toBeGreaterThan(0);
});

test("where nothing must be mended there is nothing to let pass", async () => {
  const made = await promotion("Closed on Monday");
  const answer = await requestRender(team.scope, made, { ...WISH, letPass: { by: "Imre Vass", reason: "In a hurry" } });
  expect(answer).toHaveProperty("render");
  expect((await rendersOf(team.scope, made.id))[0]?.passed).toBeNull();
});

test("a reason is a few words", () => {
  expect(readReason("  Agreed with the shop ")).toBe("Agreed with the shop");
  for (const given of ["", "  ", "ok", "x".repeat(401), null]) expect(() => readReason(given)).toThrow(/reason|why/i);
});

test("a team can't have more waiting than is good for the others, and is told what to do", async () => {
  const made = await promotion("Closed on Sunday");
  await requestRender(team.scope, made, { ...WISH, letPass: null });
  const many = Array.from({ length: 300 }, () => WISH.files).flat();
  const answer = await requestRender(team.scope, made, { files: many, letPass: null });
  expect(answer).toEqual({
    tooMany: expect.stringMatching(/^One file of your team is still to be rendered.*over 300.*“Queue”/) as unknown,
  });
  expect(await rendersOf(team.scope, made.id)).toHaveLength(1);
});
