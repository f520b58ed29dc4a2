import { addPlacement } from "../../core/document/edits";
import { PLACEMENTS } from "../../core/placement/placements";
import { loadRenderInput } from "../promotions/loadFacts";
import { createPromotion, promotionBySlug, saveEdits } from "../promotions/promotionStore";
import { preflight } from "../promotions/preflight";
import { type TestTeam, testTeam } from "../testing/team";
import { asItShips, importPlacements, savePlacements, takeOutPlacement } from "./placementChanges";
import { ownPlacements, teamPlacements } from "./ownPlacements";

let team: TestTeam;
beforeEach(async () => {
  team = await testTeam();
});
afterEach(() => team.close());

const titles = async (): Promise<readonly string[]> =>
  (await teamPlacements(team.scope)).placements.map(({ title }) => title);
const [square] = PLACEMENTS;
if (!square) throw new Error("None ships.");

test("a team has those that ship, changes one, adds one, takes one out, and has it back as it came", async () => {
  expect(await ownPlacements(team.scope)).toBeUndefined();
  await savePlacements(team.scope, [
    { ...square, title: "Our feed" },
    { ...square, id: "notice-board", title: "Notice board" },
  ]);
  await takeOutPlacement(team.scope, "banner");
  const changed = await titles();
  expect(changed).toHaveLength(PLACEMENTS.length);
  expect([changed[0], changed.at(-1)]).toEqual(["Our feed", "Notice board"]);
  expect(changed).not.toContain("Banner still");
  await asItShips(team.scope, square.id);
  await asItShips(team.scope, "banner");
  await takeOutPlacement(team.scope, "notice-board");
  expect(await titles()).toEqual(PLACEMENTS.map(({ title }) => title));
});

test("another team's are not touched", async () => {
  const other = await testTeam();
  await savePlacements(other.scope, [{ ...square, title: "Theirs" }]);
  expect(await ownPlacements(team.scope)).toBeUndefined();
  await other.close();
});

test("a promotion is looked at by what its team says of a placement", async () => {
  await team.brand("Ash");
  const product = await team.product("Pot", 2400);
  const { slug } = await createPromotion(team.scope, { template: "opening-hours", product, offer: null }, null);
  const { document, revision } = await promotionBySlug(team.scope, slug);
  const member = { id: team.memberId, name: "Tess", role: "owner" as const };
  await saveEdits(team.scope, slug, { base: revision, edits: [addPlacement(document, "square-feed")], member });
  const found = async (): Promise<readonly string[]> => {
    const { findings } = await preflight(
      await loadRenderInput(team.scope, (await promotionBySlug(team.scope, slug)).document),
    );
    return findings.filter(({ rule }) => rule === "fits-placements").map(({ words }) => words);
  };
  expect(await found()).toEqual([]);
  await savePlacements(team.scope, [{ ...square, title: "Our feed", longest: 2 }]);
  expect(await found()).toEqual([expect.stringMatching(/longer than Our feed allows: 2 s/)]);
  await savePlacements(team.scope, [{ ...square, title: "Our feed", longest: null, shortest: 300 }]);
  expect(await found()).toEqual([expect.stringMatching(/shorter than Our feed allows: 300 s/)]);
});

test("a file is brought in as a whole or not at all", async () => {
  const mine = { ...square, id: "mine", title: "Mine" };
  expect(await importPlacements(team.scope, JSON.stringify({ placements: [mine] }))).toBe(1);
  const wrong = JSON.stringify({
    placements: [
      { ...mine, title: "Changed" },
      { ...square, longest: -1 },
    ],
  });
  await expect(importPlacements(team.scope, wrong)).rejects.toThrow(/“Square feed”, longest/);
  await expect(importPlacements(team.scope, "{")).rejects.toThrow(/not JSON/);
  expect((await titles()).filter((title) => /Mine|Changed/.test(title))).toEqual(["Mine"]);
});
