import { editTo, rename, takeOutScene } from "../../core/document/edits";
import { type Edit } from "../../core/document/edit";
import { type TestTeam, testTeam } from "../testing/team";
import { type StoredPromotion, createPromotion, promotionBySlug, saveEdits } from "./promotionStore";
import { keepRevision, keptVersions } from "./revisions";

let team: TestTeam;
let other: TestTeam;
beforeAll(async () => {
  [team, other] = await Promise.all([testTeam(), testTeam()]);
  await team.brand("Quillfern");
});
afterAll(() => Promise.all([team.close(), other.close()]));

const made = async (name: string): Promise<StoredPromotion> =>
  createPromotion(
    team.scope,
    { template: "one-offer", product: await team.product(name, 900), offer: null },
    team.memberId,
  );
const save = (slug: string, edits: readonly Edit[]) =>
  saveEdits(team.scope, slug, { base: 1, edits, member: { id: team.memberId, name: "Tess", role: "owner" } });
const keep = async (slug: string, name: string): Promise<void> => {
  const { id, revision, document } = await promotionBySlug(team.scope, slug);
  await keepRevision(team.scope, { promotion: id, revision, document, member: team.memberId, name });
};

test("a version that is kept by name is there whole, whatever is done after it, and can be brought back in one step", async () => {
  const { id, slug } = await made("Pot");
  await save(slug, [rename("Before the sale")]);
  await keep(slug, "As approved");
  await save(slug, [rename("After the sale"), takeOutScene("offer")]);
  const [version, first] = await keptVersions(team.scope, id);
  expect(version).toMatchObject({ revision: 2, name: "As approved", document: { name: "Before the sale" } });
  expect(first).toMatchObject({ revision: 1, name: null });
  const { document } = await promotionBySlug(team.scope, slug);
  const { refused } = await save(slug, [editTo(document, version?.document ?? document, "Bring back")]);
  expect(refused).toEqual([]);
  expect((await promotionBySlug(team.scope, slug)).document).toEqual(version?.document);
});

test("a version that is kept already gets the name, and another name replaces it", async () => {
  const { id, slug } = await made("Jug");
  await keep(slug, "First");
  await keep(slug, "The very first");
  expect((await keptVersions(team.scope, id)).map(({ revision, name }) => [revision, name])).toEqual([
    [1, "The very first"],
  ]);
});

test("whole versions are kept now and then, without a name, and none is kept for the edits between", async () => {
  const { id, slug } = await made("Bowl");
  for (let index = 2; index <= 51; index++) await save(slug, [rename(`Bowl ${index}`)]);
  expect((await keptVersions(team.scope, id)).map(({ revision }) => revision)).toEqual([50, 1]);
});

test("another team sees none of them", async () => {
  const { id } = await made("Cup");
  expect(await keptVersions(other.scope, id)).toEqual([]);
});
