import { once } from "node:events";
import { mkdtemp, rm } from "node:fs/promises";
import { type Server, createServer } from "node:http";
import { type AddressInfo } from "node:net";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { sql } from "kysely";
import { usualOutput } from "../../core/output/output";
import { placementById } from "../../core/placement/placements";
import { defined } from "../../core/testing/defined";
import { channelService } from "../../demo/channels/channelService";
import { CHANNELS } from "../../demo/channels/channelRules";
import { Refusal } from "../../core/refusal";
import { runProgram } from "../media/program";
import { type StoredPromotion, createPromotion } from "../promotions/promotionStore";
import { ALL_PROMOTIONS, listPromotions } from "../promotions/promotionList";
import { forgetOldRenditions } from "../retention/oldRenders";
import { renditionKey } from "../storage/keys";
import { store } from "../storage/store";
import { type TestTeam, formOf, testTeam } from "../testing/team";
import { type ChannelConnection } from "./connection";
import { httpConnection } from "./httpConnection";
import { sendPost } from "./postJob";
import { type PostWish, cancelPost, postsOf, retryPost, schedulePost } from "./posts";
import { postTextOf, savePostText } from "./postText";

const TOKEN = "a token of a test";
const SHORT = defined(placementById("vertical-short"));
const TALLVIEW = defined(CHANNELS.find(({ id }) => id === "tallview"));

let folder: string;
let server: Server;
let address: string;
let team: TestTeam;
let promotion: StoredPromotion;
beforeAll(async () => {
  folder = await mkdtemp(join(tmpdir(), "stencilcraft-unit-"));
  server = createServer(channelService({ folder, token: TOKEN })).listen(0, "127.0.0.1");
  await once(server, "listening");
  address = `http://127.0.0.1:${(server.address() as AddressInfo).port}`;
  const picture = ["-f", "lavfi", "-i", "testsrc2=size=608x1080:rate=30:duration=2"];
  const sound = ["-f", "lavfi", "-i", "sine=duration=2"];
  const encoded = ["-c:v", "libx264", "-preset", "ultrafast", "-pix_fmt", "yuv420p", join(folder, "film.mp4")];
  await runProgram("ffmpeg", ["-v", "error", "-y", ...picture, ...sound, ...encoded], { timeLimitMs: 60_000 });
});
afterAll(async () => {
  server.closeAllConnections();
  server.close();
  await rm(folder, { recursive: true });
});
beforeEach(async () => {
  team = await testTeam();
  await team.brand("Ash");
  const product = await team.product("Pot", 2400);
  promotion = await createPromotion(team.scope, { template: "opening-hours", product, offer: null }, null);
  await simulate({ processingMs: 0 });
});
afterEach(() => team.close());

async function simulate(how: Readonly<Record<string, number>>): Promise<void> {
  const headers = { authorization: `Bearer ${TOKEN}`, "content-type": "application/json" };
  await fetch(`${address}/v1/simulate`, { method: "POST", headers, body: JSON.stringify({ processingMs: 0, ...how }) });
}
const connection = (): ChannelConnection => httpConnection(address, TOKEN);

/** A finished file for the place, of the promotion as it is. */
async function rendered(): Promise<string> {
  const { id: render } = await team.scope
    .insert("render", { promotion_id: promotion.id, revision: 1, quality: "1080p", input: "{}", passed: null })
    .returning("id")
    .executeTakeFirstOrThrow();
  const file = { format: "vertical", width: 608, height: 1080, fps: 30, frames: 60, seconds: 2, bytes: 1000 };
  const output = { ...usualOutput("1080p"), placement: "vertical-short" };
  const { id } = await team.scope
    .insert("rendition", {
      ...{ render_id: render, format: "vertical", output: JSON.stringify(output), problem: null },
      ...{ state: "ready", file: JSON.stringify(file), file_key: "none" },
    })
    .returning("id")
    .executeTakeFirstOrThrow();
  await store().keep(renditionKey(id), await copied());
  await team.scope
    .update("rendition")
    .set({ file_key: renditionKey(id) })
    .where("id", "=", id)
    .execute();
  return id;
}
/** A copy of the film: what is kept in the store is moved there. */
async function copied(): Promise<string> {
  const { copyFile } = await import("node:fs/promises");
  const to = join(folder, `${crypto.randomUUID()}.mp4`);
  await copyFile(join(folder, "film.mp4"), to);
  return to;
}

const wish = (change: Partial<PostWish> = {}): PostWish => ({
  promotion: { id: promotion.id, slug: promotion.slug, name: "Pots", offer: null },
  ...{ channel: TALLVIEW, placement: SHORT, at: null, anyway: false },
  ...change,
});
async function scheduled(change: Partial<PostWish> = {}): Promise<string> {
  const answer = await schedulePost(team.person, wish(change));
  if (!("post" in answer)) throw new Error(answer.warnings.join());
  return answer.post;
}
/** Runs what is queued of a post, as often as it queues itself again. */
async function run(post: string, most = 10, by = connection()): Promise<void> {
  for (let turn = 0; turn < most; turn++) {
    const row = await team.scope.select("post").select(["asking", "state"]).where("id", "=", post).executeTakeFirst();
    if (!row || !["scheduled", "posting", "processing"].includes(row.state)) return;
    await sendPost(team.scope.connection, by, { post, asking: row.asking });
  }
}
const only = async () => defined((await postsOf(team.scope, promotion.id))[0]);
const keepWords = (values: Readonly<Record<string, string>>) =>
  savePostText(team.scope, promotion.id, formOf({ countsFrom: "true", ...values }));

test("what is posted now is sent, worked on, and seen, with its words as the place takes them", async () => {
  await rendered();
  await keepWords({ title: "x".repeat(140), body: "Text", tags: "#pots", link: "https://example.com" });
  const id = await scheduled();
  await run(id);
  const post = await only();
  expect([post.state, post.problem]).toEqual(["live", null]);
  expect(post.views).toBeGreaterThan(0);
  // Too long, so it was cut; no link is taken there.
  expect([post.words.title.length, post.words.tags, post.words.link]).toEqual([100, ["pots"], ""]);
  expect((await fetch(connection().pageOf(post.remote ?? ""))).status).toBe(200);
});

test("promotions are found in their list by whether they are planned, or posted", async () => {
  const found = async (state: "planned" | "posted") =>
    (await listPromotions(team.scope, { ...ALL_PROMOTIONS, state })).count;
  expect([await found("planned"), await found("posted")]).toEqual([0, 0]);
  await rendered();
  const id = await scheduled();
  expect([await found("planned"), await found("posted")]).toEqual([1, 0]);
  await run(id);
  expect([await found("planned"), await found("posted")]).toEqual([0, 1]);
});

test("a channel that is out of order, then busy, is asked again; the post is made once", async () => {
  await rendered();
  const id = await scheduled();
  await simulate({ failing: 2, throttling: 1 });
  await run(id, 2);
  expect((await only()).problem).toMatch(/It is tried again/);
  await run(id);
  expect((await only()).state).toBe("live");
  // Sent once more as if it had not been noted: it is the same post there.
  const { remote } = await only();
  await team.scope.update("post").set({ state: "posting", remote_id: null, upload: null }).execute();
  await run(id);
  expect((await only()).remote).toBe(remote);
});

test("a channel that never answers is given up in words, and tried again by hand", async () => {
  await rendered();
  const id = await scheduled();
  await simulate({ failing: 100 });
  await run(id, 30);
  expect(await only()).toMatchObject({ state: "failed", problem: expect.stringContaining("10 times") as string });
  await simulate({ failing: 0 });
  await retryPost(team.scope, promotion.id, id);
  await run(id);
  expect((await only()).state).toBe("live");
});

test("what the channel refuses is not tried again, and says why", async () => {
  await rendered();
  const id = await scheduled();
  await team.scope
    .update("post")
    .set({ words: JSON.stringify({ ...(await only()).words, title: "t".repeat(300) }) })
    .execute();
  await run(id);
  expect(await only()).toMatchObject({ state: "failed", problem: "title: 300, and Vertical short takes 100." });
});

test("what is taken back is not posted; what was begun before has no say any more", async () => {
  await rendered();
  const id = await scheduled({ at: "2027-03-01T09:00" });
  const { rows } = await sql<{ due: Date }>`
    select run_at as due from graphile_worker._private_jobs where payload ->> 'post' = ${id}`.execute(
    team.scope.connection,
  );
  expect(Math.abs(Number(rows[0]?.due) - Date.parse("2027-03-01T09:00:00Z"))).toBeLessThan(5000);
  await cancelPost(team.scope, promotion.id, id);
  await sendPost(team.scope.connection, connection(), { post: id, asking: 1 });
  expect((await only()).state).toBe("cancelled");
});

test("a time is where the team is, summer time too; one that no clock shows, or that is over, is refused", async () => {
  await rendered();
  await scheduled({ at: "2027-07-01T09:00" });
  expect((await only()).at.toISOString()).toBe("2027-07-01T08:00:00.000Z");
  // Clocks in London go from 1 to 2 on 28 March 2027 (IANA time zones).
  await expect(scheduled({ at: "2027-03-28T01:30" })).rejects.toThrow(/clocks are put on/);
  await expect(scheduled({ at: "2020-01-01T09:00" })).rejects.toThrow(/is over/);
  for (const at of ["2027-99-99T09:00", "2027-01-01T99:99", "soon"])
    await expect(scheduled({ at })).rejects.toThrow(Refusal);
});

test("nothing is posted without a warning that is out of date, not approved, or outside its offer; anyway it is", async () => {
  const rendition = await rendered();
  await team.scope.update("rendition").set({ outdated_by: "the price changed" }).where("id", "=", rendition).execute();
  await team.scope.update("promotion").set({ review: "lapsed", revision: 7 }).execute();
  const { id: offer } = await team.scope
    .insert("offer", {
      ...{
        name: "Pot week",
        terms: JSON.stringify({}),
        scope: JSON.stringify({}),
        currency: "GBP",
        zone: "Europe/London",
      },
      ...{ starts_at: new Date("2020-01-01"), ends_at: new Date("2020-01-08") },
    })
    .returning("id")
    .executeTakeFirstOrThrow();
  const asked = wish({ promotion: { ...wish().promotion, offer } });
  expect(await schedulePost(team.person, asked)).toEqual({
    warnings: [
      "The file is out of date: the price changed.",
      "The promotion was changed since this file was rendered.",
      "It was changed since it was approved.",
      "“Pot week” is over by then.",
    ],
  });
  expect(await postsOf(team.scope, promotion.id)).toEqual([]);
  expect(await schedulePost(team.person, { ...asked, anyway: true })).toHaveProperty("post");
});

test("where nothing is rendered for a place, or its words don't fit, it is said", async () => {
  await expect(scheduled()).rejects.toThrow(/Nothing is rendered that Vertical short takes/);
  await rendered();
  await keepWords({ placement: "vertical-short", title: "t".repeat(101) });
  await expect(scheduled()).rejects.toThrow(/title: 101/);
});

test("a place can say it otherwise, and then the same again; a link that is none is refused", async () => {
  await keepWords({ title: "Pots", tags: "one two" });
  await keepWords({ placement: "vertical-short", title: "Short pots" });
  const { words, own } = await postTextOf(team.scope, promotion.id);
  expect([words.title, words.tags, own["vertical-short"]?.title]).toEqual(["Pots", ["one", "two"], "Short pots"]);
  await keepWords({ placement: "vertical-short", same: "true" });
  expect((await postTextOf(team.scope, promotion.id)).own).toEqual({});
  for (const tags of ["t".repeat(61), Array.from({ length: 61 }, (_, at) => `t${at}`).join(" ")])
    expect(await keepWords({ tags })).toMatchObject({ ok: false, problems: { tags: expect.any(String) as string } });
  expect(await keepWords({ link: "javascript:alert(1)" })).toMatchObject({
    ok: false,
    problems: { link: expect.any(String) as string },
  });
});

test("what was posted is not forgotten when newer files come", async () => {
  const old = await rendered();
  const id = await scheduled();
  await run(id);
  await team.scope
    .update("rendition")
    .set({ created_at: new Date(0) })
    .execute();
  await rendered();
  await forgetOldRenditions(team.scope.connection, new Date(1));
  const left = await team.scope.select("rendition").select("id").where("id", "=", old).execute();
  expect(left).toHaveLength(1);
});
