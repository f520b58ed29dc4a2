import { fillSlot } from "../../core/document/edits";
import { mediaFill } from "../../core/document/shots";
import { type SlotKey } from "../../core/document/sceneTemplate";
import { type TestTeam, testTeam } from "../testing/team";
import { awaitFill, awaitedBy, fillAwaiting, forgetAwaiting } from "./awaitedFills";
import { type StoredPromotion, createPromotion, promotionBySlug, saveEdits } from "./promotionStore";

const SLOT: SlotKey = "hook.picture";
let team: TestTeam;
beforeAll(async () => {
  team = await testTeam();
  await team.brand("Quillfern");
});
afterAll(() => team.close());

const made = async (name: string): Promise<StoredPromotion> =>
  createPromotion(
    team.scope,
    { template: "one-offer", product: await team.product(name, 900), offer: null },
    team.memberId,
  );
const shownIn = async (slug: string): Promise<unknown> =>
  (await promotionBySlug(team.scope, slug)).document.fills[SLOT] ?? null;
const become = (state: "ready" | "failed", id: string) =>
  team.scope.update("media").set({ state }).where("id", "=", id).execute();
const ready = (id: string) => become("ready", id);
const drop = async (slug: string, name: string): Promise<string> => {
  const media = await team.picture(name, { state: "waiting" });
  await awaitFill(team.scope, media, { promotion: slug, slot: SLOT }, team.memberId);
  return media;
};

test("what was dropped fills its slot once it is read in, in the name of who dropped it; before, it is told of", async () => {
  const { slug, id, revision } = await made("Vase");
  const before = await shownIn(slug);
  const media = await drop(slug, "vase.png");
  expect(await awaitedBy(team.scope, id)).toEqual(["vase.png"]);
  expect(await shownIn(slug)).toEqual(before);
  await ready(media);
  // Pages are told as soon as it is ready, and look at once.
  expect(await awaitedBy(team.scope, id)).toEqual([]);
  await fillAwaiting(team.scope, media);
  expect(await shownIn(slug)).toEqual(mediaFill(media));
  expect(await awaitedBy(team.scope, id)).toEqual([]);
  const [edit] = await team.scope.select("promotion_edit").selectAll().where("promotion_id", "=", id).execute();
  expect(edit).toMatchObject({ member_id: team.memberId, revision: revision + 1 });
});

test("an item that was read in before its place was noted fills it at once, and once only", async () => {
  const { slug, revision } = await made("Jug");
  const media = await team.picture("jug.png");
  await awaitFill(team.scope, media, { promotion: slug, slot: SLOT }, team.memberId);
  await fillAwaiting(team.scope, media);
  expect(await shownIn(slug)).toEqual(mediaFill(media));
  expect((await promotionBySlug(team.scope, slug)).revision).toBe(revision + 1);
});

test("what somebody chose meanwhile stays, and of two dropped on one slot the later counts", async () => {
  const { slug, revision } = await made("Bowl");
  const [dropped, chosen] = [await drop(slug, "dropped.png"), await team.picture("chosen.png")];
  const member = { id: team.memberId, name: "Tess", role: "owner" as const };
  await saveEdits(team.scope, slug, { base: revision, edits: [fillSlot(SLOT, mediaFill(chosen))], member });
  await ready(dropped);
  await fillAwaiting(team.scope, dropped);
  expect(await shownIn(slug)).toEqual(mediaFill(chosen));
  const [first, second] = [await drop(slug, "first.png"), await drop(slug, "second.png")];
  await Promise.all([ready(first), ready(second)]);
  await fillAwaiting(team.scope, second);
  await fillAwaiting(team.scope, first);
  expect(await shownIn(slug)).toEqual(mediaFill(second));
});

test("one that could not be read in, or is heard where something is shown, leaves the slot as it was", async () => {
  const { slug, id } = await made("Plate");
  const before = await shownIn(slug);
  const broken = await drop(slug, "broken.png");
  await become("failed", broken);
  expect(await awaitedBy(team.scope, id)).toEqual([]);
  await forgetAwaiting(team.scope, broken);
  await ready(broken);
  await fillAwaiting(team.scope, broken);
  const sound = await team.picture("tune.mp3", { kind: "sound", state: "waiting" });
  await awaitFill(team.scope, sound, { promotion: slug, slot: SLOT }, team.memberId);
  await ready(sound);
  await fillAwaiting(team.scope, sound);
  expect(await shownIn(slug)).toEqual(before);
  expect(await awaitedBy(team.scope, id)).toEqual([]);
});

test("a promotion that is another team's is not there", async () => {
  const { slug } = await made("Cup");
  const other = await testTeam();
  const media = await other.picture("theirs.png");
  await expect(awaitFill(other.scope, media, { promotion: slug, slot: SLOT }, other.memberId)).rejects.toMatchObject({
    status: 404,
  });
  await other.close();
});
