import { usualOutput } from "../../core/output/output";
import { sql } from "kysely";
import { loadRenderInput } from "./loadFacts";
import { compareRenders, markOutdated } from "./outdated";
import { createPromotion } from "./promotionStore";
import { type TestTeam, testTeam } from "../testing/team";

let team: TestTeam;
beforeEach(async () => {
  team = await testTeam();
});
afterEach(() => team.close());

/** A promotion that was rendered so many times, in square. */
async function rendered(times: number) {
  await team.brand("Ash");
  const product = await team.product("Pot", 2400);
  const made = await createPromotion(team.scope, { template: "one-offer", product, offer: null }, null);
  const input = JSON.stringify(await loadRenderInput(team.scope, made.document));
  for (let time = 0; time < times; time++) {
    const { id } = await team.scope
      .insert("render", { promotion_id: made.id, revision: 1, quality: "480p", input, passed: null })
      .returning("id")
      .executeTakeFirstOrThrow();
    await team.scope
      .insert("rendition", {
        output: JSON.stringify(usualOutput("480p")),
        render_id: id,
        format: "square",
        file: "{}",
        file_key: `renditions/${id}`,
        state: "ready",
        problem: null,
      })
      .execute();
  }
  return { promotion: made.id, product };
}
const marks = async (): Promise<(string | null)[]> =>
  (await team.scope.select("rendition").select("outdated_by").execute()).map(({ outdated_by }) => outdated_by);
const waiting = async (): Promise<number> =>
  (
    await sql`select id from graphile_worker._private_jobs where payload ->> 'team' = ${team.scope.teamId}`.execute(
      team.scope.connection,
    )
  ).rows.length;

test("a few renders are compared at once, and told of", async () => {
  const { promotion, product } = await rendered(2);
  expect(await markOutdated(team.scope, [promotion], "nothing was changed")).toBe(0);
  await team.scope.update("product").set({ name: "Another pot" }).where("id", "=", product).execute();
  expect(await markOutdated(team.scope, [promotion], "the product was changed")).toBe(2);
  expect(await marks()).toEqual(["the product was changed", "the product was changed"]);
  expect(await waiting()).toBe(0);
});

test("many renders are compared by one job, however often it is asked for while it waits", async () => {
  const { promotion, product } = await rendered(13);
  await team.scope.update("product").set({ name: "Another pot" }).where("id", "=", product).execute();
  expect(await markOutdated(team.scope, [promotion], "the product was changed")).toBe("later");
  expect(await markOutdated(team.scope, [promotion], "the product was changed")).toBe("later");
  expect(await waiting()).toBe(1);
  expect((await marks()).every((mark) => mark === null)).toBe(true);
  expect(await compareRenders(team.scope, [promotion], "the product was changed")).toBe(13);
});
